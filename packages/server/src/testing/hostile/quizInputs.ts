import { BEEP } from './clipThings'
import { asked, statement } from './quizThings'
import { body, type Special } from './special'
import type { Things } from './world'

const quizDocument = (things: Things, picture: string | null) => ({
  ...{ title: 'Doors', words: '', questionOrder: 'fixed', answerOrder: 'shuffled', passMark: 80, attempts: null, waitMinutes: 0 },
  ...{ timeLimitMinutes: null, opensAt: null, closesAt: null, afterFailing: 'which', afterPassing: 'explained', tell: [] },
  graders: { people: [], two: false, third: null },
  parts: picture === null ? [] : [...asked(statement(things.question, 'Is it shut?', picture))],
})
const bankDocument = (things: Things, picture: string | null) => ({
  title: 'Doors',
  questions: [statement(things.question, 'Is it shut?', picture)],
})

const SHORT = { kind: 'sound', bytes: 44, durationMs: 1_000 }
const SAID = { language: 'en', text: 'WEBVTT\n\n00:00.000 --> 00:00.050\nBeep' }

/** What no schema can say of requests about quizzes. */
export const QUIZ_INPUTS: Record<string, Special> = {
  'post /api/quizzes': body((sent, things) => void (sent['document'] = quizDocument(things, null))),
  'put /api/quizzes/:id/draft': body(
    (sent, things) => void Object.assign(sent, { document: quizDocument(things, things.quizPicture), revision: 2 }),
  ),
  'post /api/quizzes/:id/editions': body((sent) => void (sent['revision'] = 2)),
  'get /quizzes/:id/editions/:edition/pictures/:pictureId': (_world, _things, input) => void (input.params['edition'] = '1'),
  'post /api/banks': body((sent, things) => void (sent['document'] = bankDocument(things, null))),
  'put /api/banks/:id': body(
    (sent, things) => void Object.assign(sent, { document: bankDocument(things, things.bankPicture), revision: 1 }),
  ),
  'put /api/quiz-attempts/:id/answers/:questionId': body(
    (sent) => void Object.assign(sent, { answer: { kind: 'true-false', answer: { value: true } }, revision: 0 }),
  ),
  'post /api/quizzes/:id/clips': body((sent) => void Object.assign(sent, SHORT)),
  'post /api/banks/:id/clips': body((sent) => void Object.assign(sent, SHORT)),
  'post /api/quiz-attempts/:id/clips': body((sent, things) => void Object.assign(sent, { questionId: things.question, clip: SHORT })),
  'post /api/quizzes/:id/clips/:clipId/captions': body((sent) => void Object.assign(sent, SAID)),
  'post /api/banks/:id/clips/:clipId/captions': body((sent) => void Object.assign(sent, SAID)),
  'get /quizzes/:id/editions/:edition/clips/:clipId': (_world, _things, input) => void (input.params['edition'] = '1'),
  'head /api/clip-uploads/:id': (_world, _things, input) => void Object.assign(input.headers, { 'tus-resumable': '1.0.0' }),
  'patch /api/clip-uploads/:id': (_world, _things, input) => {
    input.bytes = Uint8Array.from(BEEP)
    Object.assign(input.headers, { 'tus-resumable': '1.0.0', 'upload-offset': '0', 'content-type': 'application/offset+octet-stream' })
  },
  'post /api/quizzes/:id/questions/:questionId/amendment': body((sent) => void (sent['how'] = 'voided')),
  'put /api/quiz-attempts/:id/grades/:questionId': body((sent) => void (sent['points'] = { line: 2 })),
  'get /api/people/:id/quizzes/:quizId/attempts': (world, _things, input) => void (input.params['id'] = world.company.people.staff),
  'put /api/people/:id/quizzes/:quizId/allowance': (world, _things, input) => void (input.params['id'] = world.company.people.staff),
}
