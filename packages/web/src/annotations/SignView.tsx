import { SIGN_NAMES, signKind, signParts, type SignKind } from '@jackdaw/core/annotations'
import type { SignId } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import { useTexts } from '../ui/words/texts'

/** What a sign says, as in ISO 7010. */
export const signName = (id: SignId, t: TFunction): string => t(SIGN_NAMES[id])
/** What the shape and the colour of a sign mean. */
export function signKindName(kind: SignKind, t: TFunction): string {
  switch (kind) {
    case 'mandatory':
      return t('Must be done')
    case 'warning':
      return t('Warning')
    case 'prohibition':
      return t('Not allowed')
    case 'safe-condition':
      return t('Safe condition')
    case 'fire-equipment':
      return t('Fire equipment')
  }
}

/** A safety sign, drawn. @param sizePx side on the screen */
export function SignView({ id, sizePx = 56, named = false }: { id: SignId; sizePx?: number; named?: boolean }) {
  const { t } = useTexts()
  const name = signName(id, t)
  const drawing = (
    <svg
      viewBox="0 0 100 100"
      width={sizePx}
      height={sizePx}
      role={named ? undefined : 'img'}
      aria-label={named ? undefined : `${signKindName(signKind(id), t)}: ${name}`}
      aria-hidden={named || undefined}
      className="shrink-0"
    >
      {signParts(id).map((part, n) => (
        <path
          key={n}
          d={part.d}
          transform={part.placed && `translate(${part.placed.x} ${part.placed.y}) scale(${part.placed.scale})`}
          fill={part.fill ?? 'none'}
          stroke={part.stroke}
          strokeWidth={part.widthPx}
          strokeLinecap="round"
          strokeLinejoin="round"
          fillRule="evenodd"
        />
      ))}
    </svg>
  )
  if (!named) return drawing
  return (
    <span className="flex items-center gap-2 text-sm">
      {drawing}
      <span>{name}</span>
    </span>
  )
}
