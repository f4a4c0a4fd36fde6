import { quizItem } from '@jackdaw/core/items'
import type { DueRule } from '@jackdaw/core/assignments'
import { ticked } from '@jackdaw/core/audiences'
import {
  BLANK_QUIZ,
  contentOf,
  rubricOf,
  type Answer,
  type Graders,
  type Question,
  type QuizDocument,
  type QuizPart,
  wordsOf,
} from '@jackdaw/core/quizzes'
import { readPlain } from '@jackdaw/core/quizzes/exchange'
import {
  known,
  nth,
  seededRandom,
  type BankId,
  type GuideId,
  type PersonId,
  type QuestionId,
  type QuizAttemptId,
  type QuizId,
  type StepId,
} from '@jackdaw/core/shared'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { STAFF_ACCOUNT } from './company'
import type { DemoServices } from './services'
import type { Loading } from './tasks'

const DAY = 86_400_000
const MINUTE = 60_000

/** A question whose answer people have: how probable it is that somebody gets it right, by how able they are (0 to 1). */
type Chance = (ability: number) => number
const USUAL: Record<Question['difficulty'], Chance> = {
  easy: (ability) => 0.82 + 0.17 * ability,
  medium: (ability) => 0.5 + 0.45 * ability,
  hard: (ability) => 0.22 + 0.62 * ability,
}
/** Questions with something to be found out, by how they begin: one that fails good people, since its words can be read in two ways; one that nobody
 * gets wrong; one at which it does not matter what somebody knows. */
const ODD: readonly [begins: string, chance: Chance][] = [
  ['Two seeds lie in a cell', (ability) => 0.62 - 0.5 * ability],
  ['Five of 144 cells are empty', (ability) => 0.66 - 0.42 * ability],
  ['How long do you rub', () => 1],
  ['The scale shows green, and', () => 0.4],
]
const chanceOf = (question: Question): Chance =>
  ODD.find(([begins]) => wordsOf(question.prompt).startsWith(begins))?.[1] ?? USUAL[question.difficulty]

const pick = <T>(list: readonly T[], random: () => number): T => nth(list, Math.floor(random() * list.length))
/** Replies to the question on stock: of such as have not thought long, and of such as have. */
const HASTY = [
  'I correct the figure in the list to what I have counted.',
  'Count again. If it is the same I write 1196.',
  'I ask Gareth what to do.',
]
const THOROUGH = [
  'First I count once more, row by row, and have somebody else count the same rows. Then I look in the cold store and at the crates that are packed for tomorrow: pots stand there that the list does not know of yet. If 44 are still missing I tell the shift lead before I change anything, and write the difference into the list with what we found.',
  'Nothing is changed yet. I count again with a colleague, because 44 is about one trolley and I may have missed one. I check the cold store and the quay. What is left over goes into the list as a difference, with the date, my name and the reason, and Marta gets a message.',
  'Count again, then look where a trolley could be: cold store, packed crates, the shop. Tell the shift lead. Write down the difference and why, never just the new figure.',
]
/** Clips are not made up a hundred times. */
const noClips = (): never => {
  throw new RangeError('a quiz that is taken for a year asks for no recorded replies')
}
/** What somebody answers who does not know. */
function wrongAnswer(question: Question, random: () => number): Answer {
  switch (question.kind) {
    case 'one': {
      const others = question.ask.options.filter(({ id }) => id !== question.key.right)
      // The first of the wrong answers tempts most.
      return { kind: 'one', answer: { option: (random() < 0.6 ? nth(others, 0) : pick(others, random)).id } }
    }
    case 'several':
      return {
        kind: 'several',
        answer: { options: [...question.key.right.slice(1), ...question.ask.options.map(({ id }) => id).slice(-1)].slice(0, 3) },
      }
    case 'true-false':
      return { kind: 'true-false', answer: { value: !question.key.right } }
    case 'text':
      return { kind: 'text', answer: { words: pick(['the hand', 'I do not know', 'the upper line', '1', 'the shift lead'], random) } }
    case 'number': {
      const right = question.key.right ?? 0
      return { kind: 'number', answer: { words: String(Math.round(right * pick([0.5, 2, 1.5, 0.1], random) * 10) / 10 || 7) } }
    }
    case 'order': {
      const order = [...question.key.order]
      const at = Math.floor(random() * (order.length - 1))
      ;[order[at], order[at + 1]] = [nth(order, at + 1), nth(order, at)]
      return { kind: 'order', answer: { order } }
    }
    case 'match': {
      const [first, ...rest] = question.key.pairs
      const next = question.ask.right.find(({ id }) => id !== first?.[1])?.id ?? ''
      return { kind: 'match', answer: { pairs: first ? [[first[0], next], ...rest] : [] } }
    }
    case 'place':
      return { kind: 'place', answer: { x: random(), y: random() * 0.2 } }
    case 'written':
      return { kind: 'written', answer: { words: pick(HASTY, random) } }
    case 'recorded':
      return noClips()
  }
}
/** What somebody answers who knows. */
function rightAnswer(question: Question, random: () => number): Answer {
  switch (question.kind) {
    case 'one':
      return { kind: 'one', answer: { option: question.key.right ?? '' } }
    case 'several':
      return { kind: 'several', answer: { options: [...question.key.right] } }
    case 'true-false':
      return { kind: 'true-false', answer: { value: question.key.right } }
    case 'text':
      return { kind: 'text', answer: { words: question.key.accepted[0] ?? '' } }
    case 'number':
      return { kind: 'number', answer: { words: `${question.key.right} ${question.ask.unit}`.trim() } }
    case 'order':
      return { kind: 'order', answer: { order: [...question.key.order] } }
    case 'match':
      return { kind: 'match', answer: { pairs: question.key.pairs.map(([left, right]): [string, string] => [left, right]) } }
    case 'place': {
      const area = nth(question.key.areas, 0)
      return { kind: 'place', answer: { x: area.x + area.width / 2, y: area.y + area.height / 2 } }
    }
    case 'written':
      return { kind: 'written', answer: { words: pick(THOROUGH, random) } }
    case 'recorded':
      return noClips()
  }
}

type DemoQuiz = {
  key: string
  title: string
  words: string
  owner: string
  /** Its own questions, in a file of the plain form; how many it draws from the bank, by tag. */
  file?: string
  draws?: readonly (readonly [tag: string, count: number])[]
  more: Partial<QuizDocument>
  tell?: string
  /** Two judge what is replied; a third settles it. */
  graders?: { people: readonly [string, string]; third: string }
  daysAgo: number
  teams: readonly string[]
  due: DueRule
  /** Whose steps its questions test. */
  tests?: string
}
const QUIZZES: readonly DemoQuiz[] = [
  {
    key: 'clean-hands',
    title: 'Clean hands: ready to harvest?',
    words: 'Six short questions. Whoever harvests has to have all of them right.\n\nTry as often as you like.',
    owner: 'Marta Sorrel',
    file: 'clean-hands',
    more: { passMark: 100, afterFailing: 'which' },
    daysAgo: 350,
    teams: ['Crate line A', 'Crate line B', 'Houses 1 to 3', 'Seeding', 'Potting on'],
    due: { kind: 'days', days: 14 },
    tests: 'hand-hygiene',
  },
  {
    key: 'tray-seeder',
    title: 'The tray seeder',
    words: 'Before you run the seeder alone.',
    owner: 'Tomasz Wilk',
    file: 'tray-seeder',
    more: { attempts: 5, waitMinutes: 30, afterFailing: 'explained' },
    tell: 'Marta Sorrel',
    daysAgo: 320,
    teams: ['Seeding', 'Potting on'],
    due: { kind: 'days', days: 21 },
    tests: 'tray-seeder',
  },
  {
    key: 'floor',
    title: 'On the floor: ten questions',
    words: 'Ten questions from all over the packhouse and the houses. Another attempt brings other questions.',
    owner: 'Marta Sorrel',
    draws: [
      ['hygiene', 2],
      ['packing', 2],
      ['water', 2],
      ['machines', 2],
      ['safety', 2],
    ],
    more: { timeLimitMinutes: 15, questionOrder: 'shuffled', afterFailing: 'count' },
    tell: 'Marta Sorrel',
    daysAgo: 345,
    teams: ['Crate line A', 'Crate line B'],
    due: { kind: 'days', days: 30 },
  },
  {
    key: 'stock',
    title: 'Counting stock',
    words: 'For everybody who counts at month’s end.',
    owner: 'Marta Sorrel',
    file: 'stock',
    draws: [['orders', 6]],
    more: {},
    graders: { people: ['Gareth Pike', 'Tomasz Wilk'], third: 'Helena Brandt' },
    daysAgo: 120,
    teams: ['Order desk', 'Quay loading'],
    due: { kind: 'days', days: 14 },
    tests: 'count-stock',
  },
]

const gradersOf = ({ graders }: DemoQuiz, people: ReadonlyMap<string, string>): Graders =>
  graders === undefined
    ? BLANK_QUIZ.graders
    : { people: graders.people.map((name) => known(people, name) as PersonId), two: true, third: known(people, graders.third) as PersonId }

/** The questions of one of the demo's own texts.
 * @throws RangeError when something in it cannot be read */
export async function questionsOf(folder: string, file: string, newId: DemoServices['newId']): Promise<Question[]> {
  const { questions, faults } = readPlain(await readFile(join(folder, 'questions', `${file}.txt`), 'utf8'), newId)
  if (faults.length > 0) throw new RangeError(`${file}.txt: ${JSON.stringify(faults)}`)
  return questions
}

/** A question about the place where a picture shows something. */
function placeQuestion(newId: DemoServices['newId'], pictureId: never): Question {
  return {
    ...{ id: newId<QuestionId>(), kind: 'place', prompt: contentOf('Point at what stops the drum at once.') },
    ...{ explanation: contentOf('The red button on the left of the frame, at the height of your hip.'), points: 1, difficulty: 'easy' },
    ...{ tags: [], steps: [] },
    ask: { picture: { id: pictureId, alt: 'The tray seeder from the front, with its frame, drum, hopper and conveyor' } },
    key: { areas: [{ id: 'stop-button', x: 0.11, y: 0.5, width: 0.12, height: 0.2 }] },
  }
}

/** Makes the bank and the quizzes of the demo, gives them, and has people take them over a year.
 * @param guides by their file, with the steps that questions test */
export async function addQuizzes(loading: Loading, guides: ReadonlyMap<string, { id: GuideId; steps: readonly StepId[] }>): Promise<void> {
  const { services, folder, ids, until } = loading
  const marta = known(ids.people, 'Marta Sorrel') as PersonId
  const bankId = services.newId<BankId>()
  const bank = await questionsOf(folder, 'floor-and-field', services.newId)
  await services.addBank({ id: bankId, document: { title: 'Floor and field', questions: bank }, ownerId: marta, now: until - 352 * DAY })
  for (const quiz of QUIZZES) {
    const own = quiz.file ? await questionsOf(folder, quiz.file, services.newId) : []
    const guide = quiz.tests === undefined ? undefined : guides.get(quiz.tests)
    const tested = own.map((question, n) => ({
      ...question,
      steps:
        guide && guide.steps.length > 0 ? [{ guideId: guide.id, stepId: nth(guide.steps, Math.min(n + 1, guide.steps.length - 1)) }] : [],
    }))
    await addQuiz(loading, quiz, bankId, tested, new Map([...bank, ...tested].map((question) => [question.id, question])))
  }
}

async function addQuiz(
  loading: Loading,
  quiz: DemoQuiz,
  bankId: BankId,
  own: readonly Question[],
  all: Map<QuestionId, Question>,
): Promise<void> {
  const { services, folder, ids, members, lead, until } = loading
  const id = services.newId<QuizId>()
  const at = until - quiz.daysAgo * DAY
  const owner = known(ids.people, quiz.owner) as PersonId
  const asks = own.map((question, n): QuizPart => ({ part: 'question', id: `part-${n}-${quiz.key}`.slice(0, 24), question }))
  const draws = (quiz.draws ?? []).map(([tag, count]): QuizPart => ({ part: 'draw', id: `draw-${tag}`, bankId, tag, count }))
  const document: QuizDocument = {
    ...{ ...BLANK_QUIZ, title: quiz.title, words: quiz.words, parts: [...asks, ...draws], ...quiz.more },
    graders: gradersOf(quiz, ids.people),
    tell: quiz.tell ? [{ personId: known(ids.people, quiz.tell) as PersonId, when: 'third-failure' }] : [],
  }
  await services.addQuiz({ id, document, ownerId: owner, now: at - DAY })
  let revision = 1
  if (quiz.key === 'tray-seeder') {
    const bytes = await readFile(join(folder, 'pictures', 'seeder-overview.png'))
    const pictureId = services.newId<never>()
    await services.addQuizPicture({ id: pictureId, quizId: id, bytes, by: owner, now: at - DAY })
    const place = placeQuestion(services.newId, pictureId)
    all.set(place.id, place)
    await services.saveQuiz(
      id,
      1,
      { ...document, parts: [...document.parts, { part: 'question', id: 'part-place', question: place }] },
      owner,
      at - DAY,
    )
    revision = 2
  }
  await services.publishQuiz(id, revision, lead, at)
  const people = members.filter(({ teams, joinsLate }) => joinsLate === null && quiz.teams.some((team) => teams.includes(team)))
  const audience = ticked(
    quiz.teams.map((team) => known(ids.teams, team)),
    [],
  )
  await services.give(quizItem(id), { audience, use: 'to-do', due: quiz.due, repeatMonths: null }, lead, at)
  const random = seededRandom(quiz.daysAgo * 7_919)
  for (const [n, person] of people.entries()) {
    // Some of what people judge came in only lately.
    const lately = quiz.graders !== undefined && n % 2 === 0
    const daysIn = lately ? quiz.daysAgo - 1 - n / 2 : Math.floor(random() * (quiz.daysAgo - 20))
    const passes = person.name === STAFF_ACCOUNT
    await takes(services, { id, document, all, until, begins: at + daysIn * DAY, passes }, person.id, random)
  }
}

type Taken = { id: QuizId; document: QuizDocument; all: ReadonlyMap<QuestionId, Question>; until: number; begins: number; passes: boolean }
/** Has somebody take a quiz until they pass, tire of it, or the year is over; they get better with each attempt. Which questions are drawn is chance:
 * who is said to pass knows all of them the second time. */
async function takes(
  services: DemoServices,
  { id, document, all, until, begins, passes }: Taken,
  person: PersonId,
  random: () => number,
): Promise<void> {
  // A few have not come to it yet.
  if (random() < 0.08 && !passes) return
  let ability = 0.25 + 0.75 * random()
  const most = document.attempts ?? 7
  for (let n = 0, at = begins + Math.floor(random() * 6 * 60) * MINUTE; n < most && at < until - DAY / 4; n++) {
    const attempt = await services.beginQuiz(id, person, 'en', at)
    let then = at
    const drawn: { question: Question; knows: boolean }[] = []
    for (const questionId of await services.questionsOfAttempt(attempt)) {
      const question = known(all, questionId)
      const knows = random() < chanceOf(question)(ability) || (passes && n > 0)
      const spent = Math.round((8_000 + 30_000 * random()) * (question.difficulty === 'hard' ? 1.6 : 1) * (knows ? 0.9 : 1.2))
      then += spent
      drawn.push({ question, knows })
      await services.answerQuestion(attempt, questionId, knows ? rightAnswer(question, random) : wrongAnswer(question, random), spent, then)
    }
    await services.handInQuiz(attempt, then + 4_000)
    const judged = { attempt, replies: drawn.filter(({ question }) => rubricOf(question) !== null), at: then, until }
    const passed = judged.replies.length > 0 ? await judge(services, document.graders, judged, random) : await services.hasPassed(attempt)
    if (passed !== false || (random() < 0.08 && !passes)) return
    ability = Math.min(1, ability + 0.16)
    at = then + Math.floor(1 + random() * 5) * DAY + document.waitMinutes * MINUTE
  }
}

type Judged = { attempt: QuizAttemptId; replies: readonly { question: Question; knows: boolean }[]; at: number; until: number }
/** Has two judge what somebody replied, the one somewhat stricter than the other; what came in during the last days still waits for one of them, or for
 * whoever settles it.
 * @returns whether it is passed; `null` as long as somebody is still to judge it */
async function judge(
  services: DemoServices,
  { people, third }: Graders,
  { attempt, replies, at, until }: Judged,
  random: () => number,
): Promise<boolean | null> {
  for (const { question, knows } of replies) {
    const criteria = rubricOf(question)?.criteria ?? []
    const grade = (off: number, words: string) => ({
      points: Object.fromEntries(criteria.map(({ id, most }) => [id, Math.max(0, Math.min(most, (knows ? most : 1) - off))])),
      words,
    })
    const apart = at > until - 6 * DAY || random() < 0.2
    const grades = [
      { by: nth(people, 0), ...grade(0, knows ? '' : 'And where could they be?') },
      { by: nth(people, 1), ...grade(apart ? 2 : 0, knows ? 'Good that you look before you change anything.' : 'Count once more first.') },
      ...(apart && third !== null ? [{ by: third, ...grade(1, '') }] : []),
    ]
    for (const [n, { by, ...given }] of grades.entries()) {
      const then = at + (n + 1) * 2 * DAY
      if (then > until) return null
      await services.gradeReply(attempt, question.id, given, by, then)
    }
  }
  return services.hasPassed(attempt)
}
