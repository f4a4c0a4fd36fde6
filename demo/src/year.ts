import { ticked } from '@jackdaw/core/audiences'
import { richTextOf, stepsOf, withBlockIds } from '@jackdaw/core/guides'
import {
  known,
  localDateAt,
  nth,
  seededRandom,
  type FigurePageId,
  type GoalId,
  type GuideId,
  type LocalDate,
  type PersonId,
  type ReleaseId,
  type StepId,
  type SurveyId,
} from '@jackdaw/core/shared'
import { addSurveys } from './asked'
import { addStepAgain, loadGuide, type LoadedGuide, type WrittenGuide } from './loadGuide'
import { addSearches } from './searches'
import type { Loading } from './tasks'
import { seenOf, usesOf, type Use } from './yearOfUse'

const DAY = 86_400_000
const [MONDAY, OCTOBER, NOVEMBER, DECEMBER, APRIL, MARCH, JANUARY] = [1, 9, 10, 11, 3, 2, 0]

/** A guide to look things up in that has been there for long, and how it is used. */
type LongUsed = WrittenGuide & {
  daysAgo: number
  use: Use
  again?: { daysAgo: number; note: string; words: [step: number, words: string, then: string] }
}

const winter = (month: number): number => (month >= NOVEMBER || month <= MARCH ? 1 : month === OCTOBER || month === APRIL ? 0.35 : 0.01)

// prettier-ignore
const LONG_USED: readonly LongUsed[] = [
  { file: 'frost-night', folder: 'Growing', kind: 'how-to', owner: 'Tomasz Wilk', daysAgo: 352,
    use: { teams: { 'Houses 1 to 3': 0.13, Fitters: 0.02 }, elsewhere: 0.0015, season: (day) => winter(day.getUTCMonth()), leaves: () => 0, slow: new Set([5]) } },
  { file: 'label-printer', folder: 'Packhouse', kind: 'how-to', owner: 'Dieter Kranz', daysAgo: 330,
    use: { teams: { 'Crate line A': 0.055, 'Crate line B': 0.07, Fitters: 0.05 }, elsewhere: 0.0015,
      season: (day) => (day.getUTCMonth() >= NOVEMBER ? 1.7 : 1),
      // The words of the first edition do not fit on a phone held in one hand.
      leaves: (step, edition, device) => (step !== 4 || edition > 1 ? 0 : device === 'phone' ? 0.38 : 0.12), slow: new Set([4]) },
    again: { daysAgo: 128, note: 'Two steps instead of one where most gave up: first the keys, then the paper.',
      words: [4, 'Hold both keys down until the lamp blinks, then let go of the left one.', 'Feed the paper under the bar with the printed side down until the lamp is green.'] } },
  { file: 'customer-complaint', folder: 'Order office', kind: 'how-to', owner: 'Ada Finch', daysAgo: 281,
    use: { teams: { 'Order desk': 0.27 }, elsewhere: 0.0025, season: (day) => (day.getUTCDay() === MONDAY ? 2.1 : 0.85) * (day.getUTCMonth() === DECEMBER || day.getUTCMonth() === JANUARY ? 1.3 : 1), leaves: () => 0, slow: new Set([5]) } },
  { file: 'mixed-pallet', folder: 'Quay Depot', kind: 'how-to', owner: 'Marta Sorrel', daysAgo: 203,
    use: { teams: { Drivers: 0.1, 'Quay loading': 0.03 }, elsewhere: 0.001, season: (_day, running) => 0.4 + running, leaves: (step) => (step === 6 ? 0.12 : 0), slow: new Set([6]) } },
]

/** A year of looking things up in guides that nobody has to read, with what the lead has named and asked about it. */
export async function addYear(company: Loading, guideIds: ReadonlyMap<string, GuideId>): Promise<void> {
  const random = seededRandom(365)
  const loaded = new Map<string, LoadedGuide>()
  for (const guide of LONG_USED) loaded.set(guide.file, await addLongUsed(company, guide, random))
  await arrangeAPage(company, await nameThings(company, guideIds))
  await askAtThePallet(company, known(loaded, 'mixed-pallet'))
  await addSurveys(company)
  await addSearches(company, new Map([...guideIds, ...[...loaded].map(([file, { id }]) => [file, id] as const)]))
}

async function addLongUsed(company: Loading, guide: LongUsed, random: () => number): Promise<LoadedGuide> {
  const { services, folder, ids, members, lead, until } = company
  const from = until - guide.daysAgo * DAY
  const loaded = await loadGuide(services, folder, guide, ids, from - 3 * DAY)
  const nobody = { audience: ticked([], []), openToAll: true, due: { kind: 'none' as const } }
  await services.publish(loaded.id, { ...nobody, revision: 0, changeNote: 'First edition', mustReread: false }, lead, from)
  const readers = members.map(({ id, teams, joinsLate }) => ({
    id,
    team: teams[0] ?? '',
    seen: seenOf(teams[0] ?? '', random),
    from: joinsLate === null ? from : until - joinsLate * DAY,
  }))
  const source = { random, newEventId: services.newEventId, newId: services.newId }
  const { again } = guide
  const changed = again ? until - again.daysAgo * DAY : until
  const steps = stepsOf(loaded.document).map(({ id }) => id)
  const use = (number: number, held: readonly StepId[], span: { from: number; until: number }) =>
    services.takeEvents(usesOf({ guideId: loaded.id, number, steps: held, ...span }, guide.use, readers, { from, until }, source))
  await use(1, steps, { from, until: changed })
  if (!again) return loaded
  const [n, words, then] = again.words
  const stepId = nth(steps, n - 1)
  const body = withBlockIds(richTextOf(words), services.newId)
  await services.saveChanges(loaded.id, loaded.owner, [{ type: 'set-step', stepId, fields: { body } }], changed - DAY)
  const added = await addStepAgain(services, loaded, then, stepId, changed - DAY / 2)
  await services.publish(loaded.id, { ...nobody, revision: 2, changeNote: again.note, mustReread: false }, lead, changed)
  await use(2, [...steps.slice(0, n), added, ...steps.slice(n)], { from: changed, until })
  return loaded
}

const MONDAYS = [
  ['How much is used', 'time', true, { days: '84', unit: 'week', shown: 'views' }],
  ['Used most', 'used', false, { days: '28' }],
  ['Sought, and nothing opened', 'sought', false, { days: '84', which: 'unanswered' }],
  ['Those who did not finish', 'used', false, { days: '84', sort: 'share', direction: 'up' }],
] as const
/** The page of figures that the lead looks at on Mondays. */
async function arrangeAPage({ services, lead, until }: Loading, goal: GoalId): Promise<void> {
  const id = services.newId<FigurePageId>()
  const part = (n: number) => ({ id: `monday-${n}`, goal: null })
  const parts = MONDAYS.map(([name, shows, wide, looking], n) => ({ ...part(n), name, shows, wide, looking: { ...looking } }))
  const last = {
    ...part(MONDAYS.length),
    name: 'Ready for the crate line',
    shows: 'goal' as const,
    wide: false,
    goal,
    looking: { days: '365' as const },
  }
  await services.saveFigurePage(
    id,
    lead,
    { name: 'The Monday round', shared: true, revision: 0, parts: [...parts, last] },
    until - 15 * DAY,
  )
}

/** Days that have a name, and what people are to come to. @returns the goal */
async function nameThings({ services, lead, until }: Loading, guideIds: ReadonlyMap<string, GuideId>): Promise<GoalId> {
  const day = (daysAgo: number): LocalDate => localDateAt(until - daysAgo * DAY, 'UTC')
  const name = (what: string, daysAgo: number) =>
    services.nameRelease({ id: services.newId<ReleaseId>(), name: what, day: day(daysAgo) }, lead, until - daysAgo * DAY)
  await name('New label printers', 240)
  await name('Order Book 4', 75)
  const goal = services.newId<GoalId>()
  await services.addGoal(
    goal,
    {
      name: 'Ready for the crate line',
      from: known(guideIds, 'hand-hygiene'),
      steps: [
        { item: known(guideIds, 'hand-hygiene'), withinDays: 2 },
        { item: known(guideIds, 'pack-herb-crates'), withinDays: 30 },
      ],
    },
    lead,
    until - 20 * DAY,
  )
  return goal
}

// prettier-ignore
const SAID: readonly [team: string, place: number, value: number | null, comment: string][] = [
  ['Drivers', 1, 1, 'With the wind at the ramp the film flies about.'],
  ['Drivers', 2, 1, ''],
  ['Quay loading', 2, 0, 'Which half of the width, the film or the pallet?'],
  ['Drivers', 3, 1, 'One person cannot turn it alone.'],
  ['Quay loading', 4, 2, ''],
  ['Drivers', 4, 1, 'A turntable would do it in one minute.'],
]
/** What the lead has asked at the step where many leave, and what was answered. */
async function askAtThePallet({ services, members, lead, until }: Loading, { id, document }: LoadedGuide): Promise<void> {
  const survey = services.newId<SurveyId>()
  const question = {
    kind: 'choice' as const,
    words: 'What stops you at the wrapping?',
    options: ['The words', 'Doing it alone', 'No time'],
  }
  const stepId = nth(stepsOf(document), 5).id
  await services.askAtStep(
    { id: survey, stepId, when: 'leave', question, anonymous: false, most: 20, tell: null },
    { guide: id, by: lead, now: until - 16 * DAY },
  )
  for (const [n, [team, place, value, comment]] of SAID.entries()) {
    const by = members.filter(({ teams }) => teams[0] === team)[place]?.id as PersonId
    await services.answerAtStep({ guide: id, id: survey, by, now: until - (14 - 2 * n) * DAY }, { value, comment })
  }
}
