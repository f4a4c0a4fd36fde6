/** The names of a value's properties, as its type has them: for records over a union, which hold no others. */
export const keysOf = <T extends object>(value: T): (keyof T & string)[] => Object.keys(value) as (keyof T & string)[]

/** The same with their values; what is `undefined` is left out. */
export const entriesOf = <T extends object>(value: T): { [K in keyof T & string]-?: [K, NonNullable<T[K]>] }[keyof T & string][] =>
  (Object.entries(value) as [keyof T & string, never][]).filter(([, each]) => each !== undefined)
