import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { ticked } from '@jackdaw/core/audiences'
import { quizItem } from '@jackdaw/core/items'
import { BLANK_QUIZ, contentOf, type ContentClip, type Question, type QuizDocument } from '@jackdaw/core/quizzes'
import { known, nth, type CaptionsId, type ClipId, type PersonId, type QuestionId, type QuizId } from '@jackdaw/core/shared'
import { wave } from '@jackdaw/core/clips'
import type { Loading } from './tasks'

const DAY = 86_400_000
const MINUTE = 60_000

/** The alarm of the cold store: three short beeps, a pause, three short beeps. */
const beep = [
  { hz: 988, ms: 180 },
  { hz: 0, ms: 120 },
]
const ALARM = wave([...beep, ...beep, ...beep, { hz: 0, ms: 700 }, ...beep, ...beep, ...beep])
const ALARM_MS = 2_500
const FILM_MS = { 'crate-latches': 6_000, 'label-on-tray': 5_000 } as const

const CAPTIONS = {
  alarm: {
    en: '00:00.000 --> 00:00.900\n[three short beeps]\n\n00:01.600 --> 00:02.500\n[three short beeps]',
    de: '00:00.000 --> 00:00.900\n[dreimal kurzes Piepen]\n\n00:01.600 --> 00:02.500\n[dreimal kurzes Piepen]',
  },
  latches: {
    en: '00:00.300 --> 00:02.400\nThe lid is folded over the crate.\n\n00:03.500 --> 00:04.400\n[a latch clicks]',
    de: '00:00.300 --> 00:02.400\nDer Deckel wird über die Kiste geklappt.\n\n00:03.500 --> 00:04.400\n[ein Verschluss klickt]',
  },
} as const

const plain = { explanation: contentOf(), points: 1, difficulty: 'medium' as const, tags: [], steps: [] }
const options = (...words: string[]) => words.map((each, n) => ({ id: `answer-${n + 1}`, content: contentOf(each) }))

/** What is heard, what is seen, and what is shown by whoever replies. */
function questionsWith(newId: Loading['services']['newId'], alarm: ContentClip, latches: ContentClip): Question[] {
  return [
    {
      ...{ ...plain, id: newId<QuestionId>(), kind: 'one' },
      prompt: { ...contentOf('You hear this behind the door of the cold store. What do you do first?'), clips: [alarm] },
      ask: { options: options('Close the door, then look at the display', 'Call the fitters', 'Wait until it stops by itself') },
      key: { right: 'answer-1' },
      explanation: contentOf('Three short beeps: the door has been open for more than two minutes. It stops once the door is shut.'),
    },
    {
      ...{ ...plain, id: newId<QuestionId>(), kind: 'one' },
      prompt: { ...contentOf('Watch how this crate is closed. What is forgotten?'), clips: [latches] },
      ask: { options: options('The right latch', 'The left latch', 'To fill it up', 'Nothing') },
      key: { right: 'answer-1' },
      explanation: contentOf('Only the left latch is pressed down. On the trolley the lid would lift on the right.'),
    },
    {
      ...{ ...plain, id: newId<QuestionId>(), kind: 'true-false', ask: {}, key: { right: false } },
      prompt: contentOf('A crate with one latch open may go onto the trolley if the other one is closed.'),
      explanation: contentOf('Both latches, always: the trolley shakes.'),
    },
    {
      ...{ ...plain, id: newId<QuestionId>(), kind: 'written', points: 2, ask: { mostCharacters: 600 } },
      prompt: contentOf('A crate has fallen from the trolley. Write what you tell the shift lead.'),
      key: {
        words: '',
        criteria: [
          { id: 'which', words: 'Names the order or the number of the crate', most: 2 },
          { id: 'state', words: 'Says in what state the plants are', most: 2 },
        ],
      },
    },
    {
      ...{ ...plain, id: newId<QuestionId>(), kind: 'recorded', points: 2 },
      prompt: contentOf('Put a label on a tray, and record how you do it.', 'The whole tray is to be seen, and your hands.'),
      ask: { by: 'video', mostSeconds: 60 },
      key: {
        words: 'The label of yesterday still lies on some benches. Whoever uses it has to say so.',
        criteria: [
          { id: 'edge', words: 'Holds the label by its edge', most: 2 },
          { id: 'corner', words: 'Lays it onto the free corner, not over plants', most: 2 },
          { id: 'smooth', words: 'Smooths it down from left to right', most: 1 },
        ],
      },
    },
  ]
}

/** A quiz with sound and video, in which people show how they do something: two judge what they have recorded. One has passed, one waits for the second
 * of the two, and of one nothing is judged yet. */
export async function addShowIt({ services, folder, ids, members, lead, until }: Loading): Promise<void> {
  const at = until - 40 * DAY
  const id = services.newId<QuizId>()
  const [gareth, tomasz, helena] = ['Gareth Pike', 'Tomasz Wilk', 'Helena Brandt'].map((name) => known(ids.people, name) as PersonId)
  const document: QuizDocument = {
    ...{
      ...BLANK_QUIZ,
      title: 'Listen, look, show it',
      words: 'Five questions. For the last one you need a camera; that of your telephone will do.',
    },
    graders: { people: [gareth!, tomasz!], two: true, third: helena! },
    passMark: 70,
  }
  await services.addQuiz({ id, document, ownerId: lead, now: at - DAY })
  const film = (name: keyof typeof FILM_MS) => readFile(join(folder, 'clips', `${name}.webm`))
  const clip = async (
    kind: ContentClip['kind'],
    title: string,
    bytes: Uint8Array,
    durationMs: number,
    captions: Record<string, string>,
  ): Promise<ContentClip> => {
    const clipId = services.newId<ClipId>()
    await services.addClip({ id: clipId, owner: { kind: 'quiz', id }, kind, durationMs, bytes, by: lead, now: at - DAY })
    const written = Object.entries(captions).map(([language, text]) => ({ id: services.newId<CaptionsId>(), language, text }))
    for (const each of written) await services.addCaptions({ ...each, clipId, now: at - DAY })
    return {
      id: clipId,
      kind,
      title,
      durationMs,
      poster: null,
      captions: written.map((each) => ({ id: each.id, language: each.language })),
    }
  }
  const questions = questionsWith(
    services.newId,
    await clip('sound', 'Heard behind the door', ALARM, ALARM_MS, CAPTIONS.alarm),
    await clip('video', 'A crate is closed', await film('crate-latches'), FILM_MS['crate-latches'], CAPTIONS.latches),
  )
  const parts = questions.map((question, n) => ({ part: 'question' as const, id: `part-${n + 1}`, question }))
  await services.saveQuiz(id, 1, { ...document, parts }, lead, at - DAY)
  await services.publishQuiz(id, 2, lead, at)
  const audience = ticked([known(ids.teams, 'Quay loading')], [])
  await services.give(quizItem(id), { audience, use: 'to-do', due: { kind: 'days', days: 60 }, repeatMonths: null }, lead, at)
  const people = members.filter(({ teams, joinsLate }) => joinsLate === null && teams.includes('Quay loading')).slice(0, 3)
  for (const [n, { id: person }] of people.entries())
    await shows(services, { id, questions, film: await film('label-on-tray'), graders: [gareth!, tomasz!], until }, person, n)
}

const TOLD = [
  'Crate 4 of order 2209 fell from the trolley at the quay. Six basil pots are broken, the others look all right; I have set it aside.',
  'One crate fell down, it is from order 2231. Two chives have lost their soil. What shall I do with it?',
  'A crate fell. It was coriander.',
]
type Shown = { id: QuizId; questions: readonly Question[]; film: Uint8Array; graders: readonly PersonId[]; until: number }
/** Has somebody record a reply, of which each later one is judged by one less. */
async function shows(
  services: Loading['services'],
  { id, questions, film, graders, until }: Shown,
  person: PersonId,
  n: number,
): Promise<void> {
  const begun = until - [12, 5, 2][n]! * DAY
  const attempt = await services.beginQuiz(id, person, 'en', begun)
  const clipId = services.newId<ClipId>()
  await services.addClip({
    ...{ id: clipId, owner: { kind: 'quiz-attempt', id: attempt }, kind: 'video', durationMs: FILM_MS['label-on-tray'] },
    ...{ bytes: film, by: person, now: begun + MINUTE },
  })
  const [heard, seen, stated, told, shown] = [0, 1, 2, 3, 4].map((at) => nth(questions, at)) as [
    Question,
    Question,
    Question,
    Question,
    Question,
  ]
  const answers = [
    [heard, { kind: 'one', answer: { option: 'answer-1' } }],
    [seen, { kind: 'one', answer: { option: n === 1 ? 'answer-4' : 'answer-1' } }],
    [stated, { kind: 'true-false', answer: { value: false } }],
    [told, { kind: 'written', answer: { words: TOLD[n] ?? '' } }],
    [shown, { kind: 'recorded', answer: { clipId, kind: 'video', durationMs: FILM_MS['label-on-tray'] } }],
  ] as const
  for (const [question, answer] of answers) await services.answerQuestion(attempt, question.id, answer, 30_000, begun + 2 * MINUTE)
  await services.handInQuiz(attempt, begun + 3 * MINUTE)
  const judged = [
    { by: nth(graders, 0), words: 'Clean and quick.' },
    { by: nth(graders, 1), words: '' },
  ].slice(0, 2 - n)
  for (const [later, { by, words }] of judged.entries()) {
    const at = begun + (later + 1) * DAY
    await services.gradeReply(attempt, told.id, { points: { which: 2, state: 2 }, words: '' }, by, at)
    await services.gradeReply(attempt, shown.id, { points: { edge: 2, corner: 2, smooth: 1 }, words }, by, at + MINUTE)
  }
}
