import type { PersonId } from '@jackdaw/core/shared'

const SIZES = { small: 'size-9 text-xs', middle: 'size-14 text-base', large: 'size-28 text-3xl' } as const

/** The picture of somebody, or their first letters. Their name stands beside it: it is decoration.
 * @param face which picture, `null` for none */
export function Face({ id, name, face, size = 'small' }: { id: PersonId; name: string; face: string | null; size?: keyof typeof SIZES }) {
  const letters = name
    .split(/\s+/)
    .filter(Boolean)
    .slice(0, 2)
    .map((part) => [...part][0])
    .join('')
  const look = `${SIZES[size]} shrink-0 rounded-sm bg-wash`
  return face ? (
    <img src={`/people/${id}/face?v=${face}`} alt="" className={`${look} object-cover`} loading="lazy" decoding="async" />
  ) : (
    <span aria-hidden className={`${look} inline-flex items-center justify-center font-semibold text-petrol`}>
      {letters}
    </span>
  )
}
