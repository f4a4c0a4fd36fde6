import { signKind, signParts, type SignKind } from '@jackdaw/core/annotations'
import type { SignId } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import { useTexts } from '../ui/words/texts'

/** What a sign says, as in ISO 7010. */
export function signName(id: SignId, t: TFunction): string {
  const names: Record<SignId, string> = {
    M001: t('General mandatory action'),
    M002: t('Read the instructions'),
    M003: t('Wear ear protection'),
    M004: t('Wear eye protection'),
    M005: t('Connect to earth'),
    M008: t('Wear safety footwear'),
    M009: t('Wear protective gloves'),
    M010: t('Wear protective clothing'),
    M011: t('Wash your hands'),
    M013: t('Wear a face shield'),
    M014: t('Wear head protection'),
    M015: t('Wear high-visibility clothing'),
    M016: t('Wear a mask'),
    M017: t('Wear respiratory protection'),
    M018: t('Wear a safety harness'),
    M021: t('Disconnect before working on it'),
    M026: t('Wear a protective apron'),
    W001: t('General warning'),
    W002: t('Explosive material'),
    W007: t('Obstacle on the floor'),
    W008: t('Risk of falling'),
    W010: t('Low temperature'),
    W011: t('Slippery surface'),
    W012: t('Electricity'),
    W014: t('Forklift trucks'),
    W015: t('Overhead load'),
    W016: t('Toxic material'),
    W017: t('Hot surface'),
    W018: t('Starts by itself'),
    W021: t('Flammable material'),
    W022: t('Sharp element'),
    W023: t('Corrosive substance'),
    W024: t('Crushing of hands'),
    W025: t('Counter-rotating rollers'),
    W026: t('Battery charging'),
    P001: t('General prohibition'),
    P002: t('No smoking'),
    P003: t('No open flame'),
    P004: t('No thoroughfare'),
    P005: t('Not drinking water'),
    P006: t('No forklift trucks'),
    P010: t('Do not touch'),
    P011: t('Do not extinguish with water'),
    P013: t('No mobile phones'),
    P015: t('Do not reach in'),
    P022: t('Do not eat or drink'),
    E001: t('Emergency exit, left'),
    E002: t('Emergency exit, right'),
    E003: t('First aid'),
    E004: t('Emergency telephone'),
    E007: t('Assembly point'),
    E011: t('Eyewash station'),
    E012: t('Safety shower'),
    F001: t('Fire extinguisher'),
    F006: t('Fire emergency telephone'),
  }
  return names[id]
}
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
          transform={part.transform}
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
