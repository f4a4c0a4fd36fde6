import { guideItem, taskItem, type ItemRef } from '@jackdaw/core/items'
import type { Answer, PlanDocument, PlannedCheckIn, Release } from '@jackdaw/core/plans'
import {
  addDays,
  known,
  localDateAt,
  type GuideId,
  type PersonId,
  type PlanId,
  type PlannedCheckInId,
  type QuestionId,
  type StageId,
  type TaskId,
} from '@jackdaw/core/shared'
import type { Loading } from './tasks'

const DAY = 86_400_000

/** An item of a stage: a guide by its file, or a task by its key, with the day on which it is to be done. */
type On = { guide?: string; task?: string; day: number; optional?: true }
/** What somebody has done of a plan: a task, so many days before the end, confirmed or waiting. */
type Done = { task: string; daysAgo: number; waits?: true; words?: string }
/** A check-in of a stage, with what is asked. */
type Asked = { name: string; day: number; asks: readonly { words: string; answer: 'words' | 'scale' }[] }
/** What one of the two has answered to a check-in, in the order of its questions, so many days before the end. */
type Answered = { name: string; side: 'person' | 'manager'; daysAgo: number; answers: readonly (string | number)[] }
/** Somebody who goes through it: the so-many-th of a team, and when they began. */
type Walker = {
  team: string
  place: number
  startedDaysAgo: number
  mentor?: string
  done: readonly Done[]
  answered?: readonly Answered[]
}
type DemoPlan = {
  document: Pick<PlanDocument, 'title' | 'about' | 'dayLimitMin'>
  stages: readonly { name: string; release: Release; free: number; items: readonly On[]; checkIns?: readonly Asked[] }[]
  people: readonly Walker[]
}

const FIRST_DAYS = { name: 'After the first days' }

/** The plans of the demo, with people who joined in the last two months: somebody is stuck, somebody is ahead. */
const PLANS: readonly DemoPlan[] = [
  {
    document: {
      title: 'First weeks in the packhouse',
      about: 'What you need before you pack on your own, a little at a time. Ask your mentor whenever something is unclear.',
      dayLimitMin: 60,
    },
    stages: [
      {
        name: 'Arrive',
        release: 'both',
        free: 0,
        items: [
          { guide: 'welcome', day: 1, optional: true },
          { task: 'beside-somebody', day: 3 },
        ],
        checkIns: [
          {
            ...{ name: 'After the first days', day: 4 },
            asks: [
              { words: 'Is it clear whom to ask when something is unclear?', answer: 'scale' },
              { words: 'Could a crate be packed alone by now?', answer: 'scale' },
              { words: 'What was hard, and what would help?', answer: 'words' },
            ],
          },
        ],
      },
      {
        name: 'At the line',
        release: 'both',
        free: 2,
        items: [
          { guide: 'pack-herb-crates', day: 6, optional: true },
          { task: 'fire-route', day: 8 },
        ],
      },
      {
        name: 'On your own',
        release: 'completion',
        free: 3,
        items: [
          { guide: 'near-miss', day: 12 },
          { task: 'look-back', day: 15 },
          { guide: 'count-stock', day: 15, optional: true },
        ],
      },
    ],
    people: [
      {
        ...{ team: 'Crate line B', place: 1, startedDaysAgo: 40, mentor: 'Linnea Moss' },
        done: [
          { task: 'beside-somebody', daysAgo: 37 },
          { task: 'fire-route', daysAgo: 26 },
          { task: 'look-back', daysAgo: 6 },
        ],
        answered: [
          {
            ...FIRST_DAYS,
            side: 'person',
            daysAgo: 34,
            answers: [5, 4, 'The names of the herbs. A card at the line with leaves on it would help.'],
          },
          { ...FIRST_DAYS, side: 'manager', daysAgo: 33, answers: [5, 2, 'The pace will come. The scales are set right every time.'] },
        ],
      },
      { team: 'Crate line B', place: 2, startedDaysAgo: 32, mentor: 'Linnea Moss', done: [] },
      {
        ...{ team: 'Crate line B', place: 3, startedDaysAgo: 18, mentor: 'Linnea Moss' },
        done: [{ task: 'beside-somebody', daysAgo: 15 }],
        answered: [{ ...FIRST_DAYS, side: 'person', daysAgo: 12, answers: [3, 2, 'I never know who is shift lead on Saturdays.'] }],
      },
      {
        team: 'Crate line B',
        place: 4,
        startedDaysAgo: 4,
        mentor: 'Linnea Moss',
        done: [{ task: 'beside-somebody', daysAgo: 1, waits: true, words: 'The labels go on the short side, I did not know that.' }],
      },
    ],
  },
  {
    document: { title: 'Driving for Larkmoor', about: 'Before you take a van out alone.', dayLimitMin: 300 },
    stages: [
      { name: 'The yard', release: 'both', free: 0, items: [{ guide: 'welcome', day: 2 }] },
      { name: 'On the road', release: 'both', free: 1, items: [{ task: 'ride-along', day: 4 }] },
      { name: 'Looking back', release: 'date', free: 5, items: [{ task: 'look-back', day: 3 }] },
    ],
    people: [
      { team: 'Drivers', place: 0, startedDaysAgo: 20, mentor: 'Rosalind Abbey', done: [{ task: 'ride-along', daysAgo: 12 }] },
      { team: 'Drivers', place: 1, startedDaysAgo: 13, mentor: 'Rosalind Abbey', done: [] },
    ],
  },
  {
    document: { title: 'First month at the order desk', about: 'Orders first, deliveries later.', dayLimitMin: 60 },
    stages: [
      {
        name: 'Listen',
        release: 'both',
        free: 0,
        items: [
          { guide: 'welcome', day: 1 },
          { task: 'listen-in', day: 5 },
        ],
      },
      { name: 'Look back', release: 'both', free: 4, items: [{ task: 'look-back', day: 10 }] },
    ],
    people: [{ team: 'Order desk', place: 2, startedDaysAgo: 9, mentor: 'Ada Finch', done: [{ task: 'listen-in', daysAgo: 4 }] }],
  },
]

/** Answers a check-in of somebody, on their side or on that of whoever answers beside them. */
async function answerAs({ services }: Loading, person: PersonId, { name, side, answers }: Answered, at: number): Promise<void> {
  const row = (await services.checkInsOf(person)).find((each) => each.name === name)
  const by = side === 'person' ? person : row?.other?.id
  if (!row || by === undefined) throw new Error(`nobody is asked “${name}”`)
  const { questions } = await services.checkInFor(row.id, person)
  const given = questions.map(({ id }, n): Answer => {
    const answer = answers[n]
    return { question: id, words: typeof answer === 'string' ? answer : '', mark: typeof answer === 'number' ? answer : null }
  })
  await services.answerCheckIn(row.id, given, by, at)
}

/** Makes the plans of the demo, gives them, and has people go through them day by day until the end. */
export async function addPlans(loading: Loading, guides: ReadonlyMap<string, GuideId>, tasks: ReadonlyMap<string, TaskId>): Promise<void> {
  const { services, ids, members, lead, until } = loading
  const person = (name: string) => known(ids.people, name) as PersonId
  const itemOf = ({ guide, task }: On): ItemRef =>
    guide === undefined ? taskItem(known(tasks, task ?? '')) : guideItem(known(guides, guide))
  const acts: { at: number; act: () => Promise<unknown> }[] = []
  for (const { document, stages, people } of PLANS) {
    const id = services.newId<PlanId>()
    const written: PlanDocument = {
      ...document,
      working: true,
      stages: stages.map(({ name, release, free, items, checkIns = [] }) => ({
        ...{ id: services.newId<StageId>(), name, release, free: { days: free, working: true } },
        items: items.map((each) => ({ item: itemOf(each), day: each.day, optional: each.optional ?? false })),
        checkIns: checkIns.map(({ asks, ...more }): PlannedCheckIn => ({
          ...{ ...more, id: services.newId<PlannedCheckInId>() },
          questions: asks.map((question) => ({ ...question, id: services.newId<QuestionId>() })),
        })),
      })),
    }
    acts.push({ at: until - 50 * DAY, act: () => services.addPlan({ id, document: written, ownerId: lead, now: until - 50 * DAY }) })
    for (const { team, place, startedDaysAgo, mentor, done, answered = [] } of people) {
      const who = members.filter(({ teams, joinsLate }) => teams[0] === team && joinsLate === null)[place]!
      const from = until - startedDaysAgo * DAY
      const enrolling = { people: [who.id], startOn: localDateAt(from, 'UTC'), mentorId: mentor ? person(mentor) : null }
      acts.push({ at: from, act: () => services.enrol(id, enrolling, lead, from) })
      for (const each of answered) {
        const at = until - each.daysAgo * DAY
        acts.push({ at, act: () => answerAs(loading, who.id, each, at) })
      }
      for (const { task, daysAgo, waits, words = 'Done, together.' } of done) {
        const [at, key] = [until - daysAgo * DAY, known(tasks, task)]
        acts.push({
          at,
          act: async () => {
            await services.handIn(key, 1, { words, photo: null }, who.id, at)
            if (!waits) await services.answerHandIn(key, who.id, 'confirmed', '', mentor ? person(mentor) : lead, at + 3_600_000)
          },
        })
      }
    }
  }
  acts.sort((a, b) => a.at - b.at)
  for (let day = localDateAt(until - 50 * DAY, 'UTC'), n = 0; day <= localDateAt(until, 'UTC'); day = addDays(day, 1)) {
    await services.advancePlans(Date.parse(`${day}T06:00:00Z`))
    for (; n < acts.length && localDateAt(acts[n]!.at, 'UTC') === day; n++) await acts[n]!.act()
  }
}
