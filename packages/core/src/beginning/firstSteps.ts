import * as z from 'zod/mini'

/** What a company comes to have after it has begun, one after the other. */
export const FirstStep = z.enum(['people', 'teams', 'leaders', 'roles', 'sign-in', 'guide', 'duty', 'read'])
/** Read by {@link FirstStep}. */
export type FirstStep = z.infer<typeof FirstStep>

/** What has to be there before a step can be taken at all. */
const NEEDS: Record<FirstStep, readonly FirstStep[]> = {
  people: [],
  teams: [],
  leaders: ['people', 'teams'],
  roles: ['people'],
  guide: [],
  'sign-in': ['people'],
  duty: ['guide'],
  read: ['guide', 'sign-in'],
}
/** What opens most of what is still to come stands first. */
const opens = (step: FirstStep, there: ReadonlySet<FirstStep>): number =>
  FirstStep.options.filter((other) => !there.has(other) && NEEDS[other].includes(step)).length

/** The steps in the order in which they are best taken now: those that can be taken, then those that wait for others, then those that are done.
 * @param there what is there already
 * @returns `waits`: for which steps one has to wait, where one has to */
export function orderSteps(there: ReadonlySet<FirstStep>): { step: FirstStep; done: boolean; waits: FirstStep[] }[] {
  const steps = FirstStep.options.map((step) => ({
    step,
    done: there.has(step),
    waits: there.has(step) ? [] : NEEDS[step].filter((need) => !there.has(need)),
  }))
  const rank = ({ done, waits }: (typeof steps)[number]) => (done ? 2 : waits.length > 0 ? 1 : 0)
  return steps.sort((a, b) => rank(a) - rank(b) || (a.done ? 0 : opens(b.step, there) - opens(a.step, there)))
}
