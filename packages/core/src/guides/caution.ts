import * as z from 'zod/mini'

/** Levels of the safety ladder (ANSI Z535.6), and a plain note below them. */
export const CautionLevel = z.enum(['danger', 'warning', 'caution', 'note'])
/** Read by {@link CautionLevel}. */
export type CautionLevel = z.infer<typeof CautionLevel>

/** A word of warning on a step. `acknowledge`: the reader has to say that they have read it before going on. */
export const Caution = z.object({
  id: z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/)),
  level: CautionLevel,
  words: z.string().check(z.maxLength(1_000)),
  acknowledge: z.boolean(),
})
/** Read by {@link Caution}. */
export type Caution = z.infer<typeof Caution>

/** The gravest level among cautions; `null` for none. */
export const gravestOf = (cautions: readonly Caution[]): CautionLevel | null =>
  CautionLevel.options.find((level) => cautions.some((caution) => caution.level === level)) ?? null
