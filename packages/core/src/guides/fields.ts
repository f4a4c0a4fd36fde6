import type { NewId, StepId } from '../shared'
import type { StepPicture } from './stepPicture'
import type { PictureVisit, TextVisit } from './visits'

/** What is known of steps that are joined into the first of them, for each of their fields. */
export type Joining = {
  ids: readonly StepId[]
  /** Which of them gives the element, and with it what is done. */
  leading: number
  /** The pictures that are kept, with their annotations as they stand after it. */
  pictures: readonly StepPicture[]
}
/** A field after joining. `lost`: which of the steps had something there that is not in it, by their places. */
export type Joined<V> = { value: V | undefined; lost?: readonly number[] }

/** How items are copied. `ids`: the copies' ids by those of what is copied; `elsewhere`: into another guide. */
export type Copying = { newId: NewId; ids: ReadonlyMap<string, string>; elsewhere: boolean }

/** What the rest of the code needs to know of a field of an item beside its schema. */
export type Field<V> = {
  /** What an item without the field is the same as; `undefined`: it just lacks it. */
  empty: V | undefined
  /** By what it is changed: the one change that sets fields, changes of its own, or none (it is written when the item is made). */
  changedBy: 'set-step' | 'own' | 'none'
  texts: (value: V, visit: TextVisit) => V
  pictures: (value: V, visit: PictureVisit) => V
  join: (values: readonly (V | undefined)[], joining: Joining) => Joined<V>
  /** What the first and the second part of a step have of it. */
  split: (value: V) => readonly [V | undefined, V | undefined]
  copy: (value: V, copying: Copying) => V | undefined
}
/** A field for each part of an item. */
export type Fields<I extends object> = { readonly [F in keyof I]-?: Field<NonNullable<I[F]>> }

const same = <V>(value: V): V => value
const places = (values: readonly unknown[], except: number): number[] =>
  values.flatMap((value, n) => (value === undefined || n === except ? [] : [n]))

/** A field in which no text and no picture stands, which stays with the first step, and is copied as it is. */
export const PLAIN = {
  empty: undefined,
  changedBy: 'set-step',
  texts: same,
  pictures: same,
  split: <V>(value: V) => [value, undefined] as const,
  copy: same,
} as const

/** Of several steps, what the leading one has. */
export const ofLeading = <V>(values: readonly (V | undefined)[], { leading }: Joining): Joined<V> => ({
  value: values[leading],
  lost: places(values, leading),
})
/** Of several steps, what the first one has; what the others have says nothing any more. */
export const ofFirst = <V>(values: readonly (V | undefined)[]): Joined<V> => ({ value: values[0] })
/** Of several steps, what the last one that has it has. */
export const ofLast = <V>(values: readonly (V | undefined)[]): Joined<V> => {
  const at = values.findLastIndex((value) => value !== undefined)
  return { value: values[at], lost: places(values, at) }
}
/** Of several steps, all that they have. */
export const ofAll = <V>(values: readonly (readonly V[] | undefined)[]): Joined<V[]> => {
  const all = values.flatMap((value) => value ?? [])
  return { value: all.length > 0 ? all : undefined }
}
