import * as z from 'zod/mini'

/** Ways in which a guide is used by a player. */
export const Way = z.enum(['read', 'watch', 'practise', 'solo'])
export type Way = z.infer<typeof Way>

/** What is special to a way. All else is common to all of them: cautions, above all, are shown and acknowledged in every way.
 * `gates`: steps are confirmed before going on, where the author asks for it. `acts`: the person does what the step asks for.
 * `hints`: a wrong act gets a hint, and the step can be shown. `jumps`: any step that is open may be gone to.
 * `plays`: goes on by itself. */
export type Policy = { gates: boolean; acts: boolean; hints: boolean; jumps: boolean; plays: boolean }

/** The ways, as data. */
export const POLICIES: Readonly<Record<Way, Policy>> = {
  read: { gates: true, acts: false, hints: false, jumps: true, plays: false },
  watch: { gates: false, acts: false, hints: false, jumps: true, plays: true },
  practise: { gates: false, acts: true, hints: true, jumps: true, plays: false },
  solo: { gates: false, acts: true, hints: false, jumps: false, plays: false },
}
