import { Answer, CHECK_IN_LIMITS, CHECK_IN_STATES, Question, SIDES } from '@jackdaw/core/plans'
import { CheckInId, Instant, LocalDate, PersonId } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'
import { PersonRef } from './people'

/** A check-in as one of the two who answer finds it. `side`: on which side they are; `other`: who is on the other, `null` as long as there is nobody.
 * `state`: see `checkInState` of the core. */
export const CheckInRow = z.object({
  id: CheckInId,
  name: z.string(),
  plan: z.string(),
  person: PersonRef,
  side: z.enum(SIDES),
  other: z.nullable(PersonRef),
  askedOn: LocalDate,
  state: z.enum(CHECK_IN_STATES),
})
/** Read by {@link CheckInRow}. */
export type CheckInRow = z.infer<typeof CheckInRow>
/** So many check-ins are listed. */
export const MOST_CHECK_INS = 200
/** The check-ins of the asker, as whoever goes through a plan or as whoever answers beside somebody: what waits for them first, then the newest. */
export const listMyCheckIns = endpoint({
  method: 'get',
  path: '/api/my-check-ins',
  access: { may: 'today.read' },
  response: z.array(CheckInRow),
  problems: [],
})
/** The same of somebody else, for whoever looks at the pages as they do. */
export const listCheckInsOf = endpoint({
  method: 'get',
  path: '/api/people/:id/check-ins',
  access: { may: 'person.look-as', over: 'person' },
  params: z.object({ id: PersonId }),
  response: z.array(CheckInRow),
  problems: [],
})

const answered = z.object({ answers: z.array(Answer), at: Instant })
const onCheckIn = { access: { may: 'check-in.answer', over: 'check-in' }, params: z.object({ id: CheckInId }) } as const
/** A check-in with its questions. `mine`: what the asker has answered; `theirs`: what the other has, once both have. */
export const getCheckIn = endpoint({
  method: 'get',
  path: '/api/check-ins/:id',
  ...onCheckIn,
  response: z.object({
    ...CheckInRow.shape,
    questions: z.array(Question),
    mine: z.nullable(answered),
    theirs: z.nullable(answered),
  }),
  problems: ['not-found'],
})
/** Answers a check-in, all of its questions; anew as long as the other has not answered. */
export const answerCheckIn = endpoint({
  method: 'put',
  path: '/api/check-ins/:id/answers',
  ...onCheckIn,
  body: z.object({ answers: z.array(Answer).check(z.maxLength(CHECK_IN_LIMITS.questions)) }),
  response: z.object({ both: z.boolean() }),
  problems: ['invalid', 'not-found', 'already-answered', 'check-in-closed'],
})
