import { Handling, HANDLED } from '@jackdaw/core/assignments'
import { GuideId, LocalDate, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** So many assignments are handled at once. */
export const MOST_HANDLED = 500

/** What is done, and to whose assignments of an item. */
const HandlingPeople = z.object({
  people: z.array(PersonId).check(z.minLength(1, 'Choose somebody'), z.maxLength(MOST_HANDLED)),
  handling: Handling,
})
/** What comes of it: of each who has an assignment, by name, with the due day before and after; and how many of those who were named have none. */
export const HandledPeople = z.object({
  people: z.array(
    z.object({
      id: PersonId,
      name: z.string(),
      outcome: z.enum(HANDLED),
      dueOn: z.nullable(LocalDate),
      becomes: z.nullable(LocalDate),
    }),
  ),
  others: z.int(),
})
/** Read by {@link HandledPeople}. */
export type HandledPeople = z.infer<typeof HandledPeople>

const handling = {
  method: 'post',
  access: { may: 'assignment.change', over: 'guide' },
  params: z.object({ id: GuideId }),
  body: HandlingPeople,
  response: HandledPeople,
  problems: ['invalid'],
} as const
/** What would come of handling assignments; nothing is done. */
export const previewHandling = endpoint({ ...handling, path: '/api/guides/:id/assignments/preview' })
/** Moves due days, waives, ends waivers or reminds. What nothing comes of is left as it is. */
export const handleAssignments = endpoint({ ...handling, path: '/api/guides/:id/assignments' })
