import { ticked, type AudienceRule } from '@jackdaw/core/audiences'
import { known, localDateAt, nth, seededRandom, type AudienceSurveyId, type PersonId } from '@jackdaw/core/shared'
import type { SurveyAnswers, SurveyDocument } from '@jackdaw/core/surveys'
import type { Loading } from './tasks'

const DAY = 86_400_000
const LEAD = { name: 'Marta Sorrel', zone: 'Europe/London' }

const ROTA: SurveyDocument = {
  title: 'The winter rota, three weeks on',
  about: 'The early shift begins an hour later since October. Say how it is before we settle it for the whole winter.',
  questions: [
    { id: 'rota-as-a-whole', needed: true, question: { kind: 'stars', words: 'How does the rota suit you, as a whole?' } },
    {
      id: 'rota-kept-as',
      needed: true,
      question: {
        kind: 'choice',
        words: 'What should we do with it?',
        options: ['Keep it', 'Back to six o’clock', 'Let each team choose'],
      },
    },
    { id: 'rota-in-words', needed: false, question: { kind: 'words', words: 'What have we not thought of?' } },
  ],
}
const ABOUT_THE_ROTA = [
  'The first bus comes twenty minutes after the shift begins.',
  'Warm hands at last, thank you.',
  'The late shift now locks up in the dark, the yard lamp is out.',
  'With children at school it is better.',
  'Whoever waters at seven is late for the hand-over.',
]
const ANSWERS_THE_ROTA = 0.55

const SHEET: SurveyDocument = {
  title: 'The new loading sheet',
  about: 'You have loaded by the new sheet for a week.',
  questions: [
    {
      id: 'sheet-at-the-ramp',
      needed: true,
      question: { kind: 'scale', words: 'How well can you read it at the ramp?', low: 'Not at all', high: 'At one glance' },
    },
    { id: 'sheet-is-missing', needed: false, question: { kind: 'words', words: 'What is missing on it?' } },
  ],
}
const ABOUT_THE_SHEET: readonly (readonly [value: number, comment: string])[] = [
  [7, 'The bay number in larger type.'],
  [3, 'Too small under the yellow lamp.'],
  [8, ''],
]

/** What the lead has asked people: everybody without names, and the drivers with them. */
export async function addSurveys({ services, ids, members, lead, until }: Loading): Promise<void> {
  const random = seededRandom(77)
  const send = async (document: SurveyDocument, audience: AudienceRule, anonymous: boolean, from: number, days: number) => {
    const id = services.newId<AudienceSurveyId>()
    const until = localDateAt(from + days * DAY, LEAD.zone)
    await services.sendSurvey(id, { document, audience, anonymous, until }, { ...LEAD, id: lead }, from)
    return id
  }
  const answer = (id: AudienceSurveyId, by: PersonId, now: number, answers: SurveyAnswers) =>
    services.answerSurvey({ id, by, today: localDateAt(now, LEAD.zone), now }, answers)

  const everybody = members.filter(({ joinsLate }) => joinsLate === null).map(({ id }) => id)
  const autumn = until - 38 * DAY
  const rota = await send(ROTA, ticked([...ids.sites.values()], []), true, autumn, 14)
  const words = ABOUT_THE_ROTA[Symbol.iterator]()
  for (const by of everybody) {
    if (by === lead || random() > ANSWERS_THE_ROTA) continue
    const early = random() < 0.7
    const answers: SurveyAnswers = [
      { id: 'rota-as-a-whole', answer: { value: early ? 4 + Math.floor(random() * 2) : 1 + Math.floor(random() * 3), comment: '' } },
      { id: 'rota-kept-as', answer: { value: early ? 0 : 1 + Math.floor(random() * 2), comment: '' } },
    ]
    const comment = random() < 0.15 ? words.next().value : undefined
    if (comment) answers.push({ id: 'rota-in-words', answer: { value: null, comment } })
    await answer(rota, by, autumn + random() * 12 * DAY, answers)
  }
  await services.endSurvey(rota, autumn + 14 * DAY)

  const drivers = members.filter(({ teams, joinsLate }) => teams.includes('Drivers') && joinsLate === null).map(({ id }) => id)
  const sheet = await send(SHEET, ticked([known(ids.teams, 'Drivers')], []), false, until - 4 * DAY, 14)
  for (const [n, [value, comment]] of ABOUT_THE_SHEET.entries()) {
    const answers: SurveyAnswers = [{ id: 'sheet-at-the-ramp', answer: { value, comment: '' } }]
    if (comment) answers.push({ id: 'sheet-is-missing', answer: { value: null, comment } })
    await answer(sheet, nth(drivers, n), until - (3.2 - n) * DAY, answers)
  }
}
