import type { QuizAttempt } from '@jackdaw/contracts/attempts'
import { CLIP_LIMITS } from '@jackdaw/core/clips'
import { contentOf, type ContentClip, type QuizDocument } from '@jackdaw/core/quizzes'
import type { CaptionsId, ClipId, QuizId } from '@jackdaw/core/shared'
import { wave } from '@jackdaw/core/clips'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { removeNotedFiles } from '../files'
import { aQuiz, smallCompany, START, startTestServer, type Client, type Company, type TestServer, type Who } from '../testing/testServer'
import { dropUnusedClips } from './dropUnusedFiles'
import { asking, CANARY, questionOf, statements } from './testing'

let server: TestServer
let company: Company
const clients = {} as Record<Who, Client>
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  for (const who of ['staff', 'manager', 'lead', 'author', 'otherAuthor', 'outsider'] as const) clients[who] = await company.as(who)
})
afterAll(() => server.close())

/** Three beeps, long enough for several pieces. */
const beeps = wave([880, 0, 880, 0, 660].map((hz) => ({ hz, ms: 5_000 })))
const PIECE = CLIP_LIMITS.leastPartBytes
const TUS = { 'tus-resumable': '1.0.0' }
const piece = (client: Client, id: string, from: number, bytes: Uint8Array, more: Record<string, string> = {}) =>
  client.send('patch', `/api/clip-uploads/${id}`, bytes, {
    ...TUS,
    ...{ 'content-type': 'application/offset+octet-stream', 'upload-offset': String(from), ...more },
  })
const come = async (client: Client, id: string) => {
  const response = await client.send('head', `/api/clip-uploads/${id}`, undefined, TUS)
  return [response.status, response.headers.get('upload-offset'), response.headers.get('upload-length')]
}
const begun = async (client: Client, of: string, bytes: number, more: object = {}): Promise<ClipId> =>
  (await client.json('post', `${of}/clips`, { kind: 'sound', bytes, durationMs: 25_000, ...more })).id
async function sent(client: Client, id: ClipId, bytes = beeps): Promise<ClipId> {
  for (let at = 0; at < bytes.length; at += PIECE) expect((await piece(client, id, at, bytes.slice(at, at + PIECE))).status).toBe(204)
  return id
}
const aClip = (id: ClipId, captions: CaptionsId[] = []): ContentClip => ({
  ...{ id, kind: 'sound', title: 'The alarm of bay 3', durationMs: 25_000, poster: null },
  captions: captions.map((each) => ({ id: each, language: 'en' })),
})
const CAPTIONS = 'WEBVTT\n\n00:01.000 --> 00:02.000\nBeep & <i>beep</i>\n'

/** A draft of a quiz that the author writes on. */
const aDraft = (more: Partial<QuizDocument> = {}) =>
  aQuiz(server, company, 'author', { parts: asking(...statements(1)), ...more }, { published: false })
const draft = async (quiz: QuizId): Promise<{ revision: number; document: QuizDocument }> =>
  clients.author.json('get', `/api/quizzes/${quiz}/draft`)
const save = async (quiz: QuizId, document: QuizDocument) =>
  clients.author.send('put', `/api/quizzes/${quiz}/draft`, { revision: (await draft(quiz)).revision, document })
const heard = (clip: ContentClip, explained?: ContentClip) =>
  questionOf(
    'true-false',
    {},
    { right: true },
    {
      prompt: { ...contentOf('Do you hear it?'), clips: [clip] },
      explanation: { ...contentOf(CANARY), ...(explained ? { clips: [{ ...explained, title: CANARY }] } : {}) },
    },
  )

describe('a clip that is sent', () => {
  it('comes in pieces, and goes on where it broke off, on whatever server', async () => {
    const quiz = await aDraft()
    const id = await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length)
    expect(await come(clients.author, id)).toEqual([200, '0', String(beeps.length)])
    expect((await piece(clients.author, id, 0, beeps.slice(0, PIECE))).headers.get('upload-offset')).toBe(String(PIECE))
    expect((await clients.author.send('get', `/quizzes/${quiz}/draft/clips/${id}`)).status).toBe(404)
    const second = await server.second()
    const there = await new (clients.author.constructor as typeof Client)(second.address).signIn('author@example.org')
    expect(await come(there, id)).toEqual([200, String(PIECE), String(beeps.length)])
    // The same piece once more, as when its answer was lost, and one that leaves something out.
    for (const at of [0, 2 * PIECE]) expect((await piece(there, id, at, beeps.slice(at, at + PIECE))).status).toBe(409)
    const [one, other] = await Promise.all([there, clients.author].map((each) => piece(each, id, PIECE, beeps.slice(PIECE, 2 * PIECE))))
    expect([one!.status, other!.status].sort()).toEqual([204, 409])
    expect((await piece(there, id, 2 * PIECE, beeps.slice(2 * PIECE))).status).toBe(204)
    await second.close()
    expect(await come(clients.author, id)).toEqual([200, String(beeps.length), String(beeps.length)])
    const back = await clients.author.send('get', `/quizzes/${quiz}/draft/clips/${id}`)
    expect([back.status, back.headers.get('content-type')]).toEqual([200, 'audio/wav'])
    expect(Buffer.from(await back.arrayBuffer()).equals(Buffer.from(beeps))).toBe(true)
  })
  it('is nobody else’s to send, to ask about or to play', async () => {
    const quiz = await aDraft()
    const id = await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length)
    for (const who of ['otherAuthor', 'lead', 'staff'] as const) {
      expect((await piece(clients[who], id, 0, beeps.slice(0, PIECE))).status).toBe(404)
      expect((await come(clients[who], id))[0]).toBe(404)
    }
    expect((await piece(clients.author, id, 0, beeps.slice(0, PIECE), { 'x-csrf-token': 'none' })).status).toBe(403)
    await sent(clients.author, id)
    expect((await clients.otherAuthor.send('get', `/quizzes/${quiz}/draft/clips/${id}`)).status).toBe(404)
    expect((await clients.otherAuthor.send('post', `/api/quizzes/${quiz}/clips`, { kind: 'sound', bytes: 9, durationMs: 1 })).status).toBe(
      404,
    )
  })
  it.each([
    ['a picture', new Uint8Array(Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex')), 'sound', 422, 'not-a-clip'],
    ['a page with a script', new TextEncoder().encode('<html><script>alert(1)</script>'), 'video', 422, 'not-a-clip'],
    ['sound that is said to be video', beeps.slice(0, PIECE), 'video', 422, 'not-a-clip'],
    ['a crumb of something long', beeps.slice(0, 100), 'sound', 422, 'invalid'],
  ])('that is %s is refused by its first bytes, and may be sent anew', async (_, bytes, kind, status, code) => {
    const quiz = await aDraft()
    const size = code === 'invalid' ? beeps.length : bytes.length
    const id = await begun(clients.author, `/api/quizzes/${quiz}`, size, { kind })
    const refused = await piece(clients.author, id, 0, bytes)
    expect([refused.status, ((await refused.json()) as any).code]).toEqual([status, code])
    expect(await come(clients.author, id)).toEqual([200, '0', String(size)])
  })
  it('is refused when it is more than was announced, without the protocol, and where it is too long', async () => {
    const quiz = await aDraft()
    const id = await begun(clients.author, `/api/quizzes/${quiz}`, 100)
    expect((await piece(clients.author, id, 0, beeps.slice(0, 200))).status).toBe(413)
    expect((await piece(clients.author, id, 0, beeps.slice(0, 100), { 'tus-resumable': '0.2' })).status).toBe(400)
    expect((await piece(clients.author, id, 0, beeps.slice(0, 100), { 'content-type': 'application/json' })).status).toBe(415)
    const long = { kind: 'video', bytes: CLIP_LIMITS.bytes + 1, durationMs: null }
    expect((await clients.author.send('post', `/api/quizzes/${quiz}/clips`, long)).status).toBe(422)
    await server.parts.database.rows('update clip set bytes = 50::bigint * 1024 * 1024 * 1024 - 200 where id = $1', [id])
    await begun(clients.author, `/api/quizzes/${quiz}`, 200)
    expect((await clients.author.send('post', `/api/quizzes/${quiz}/clips`, { ...long, bytes: 1 })).status).toBe(422)
  })
})

describe('a clip that is played', () => {
  it('is sent by range, across its pieces, and once', async () => {
    const quiz = await aDraft()
    const id = await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length))
    const address = `/quizzes/${quiz}/draft/clips/${id}`
    const range = async (asked: string, more: Record<string, string> = {}) => {
      const response = await clients.author.send('get', address, undefined, { range: asked, ...more })
      return [response.status, response.headers.get('content-range'), Buffer.from(await response.arrayBuffer())] as const
    }
    const [status, said, bytes] = await range(`bytes=${PIECE - 5}-${PIECE + 4}`)
    expect([status, said]).toEqual([206, `bytes ${PIECE - 5}-${PIECE + 4}/${beeps.length}`])
    expect(bytes.equals(Buffer.from(beeps.slice(PIECE - 5, PIECE + 5)))).toBe(true)
    expect((await range('bytes=-7'))[2].equals(Buffer.from(beeps.slice(-7)))).toBe(true)
    expect((await range('bytes=0-'))[2].length).toBe(beeps.length)
    expect((await range(`bytes=${beeps.length}-`)).slice(0, 2)).toEqual([416, `bytes */${beeps.length}`])
    expect((await range('bytes=0-1,5-6'))[0]).toBe(200)
    const whole = await clients.author.send('get', address)
    const etag = whole.headers.get('etag')!
    expect([whole.headers.get('accept-ranges'), whole.headers.get('cache-control')]).toEqual(['bytes', 'private, no-cache'])
    expect((await clients.author.send('get', address, undefined, { 'if-none-match': etag })).status).toBe(304)
    expect((await range('bytes=0-1', { 'if-range': '"another"' }))[0]).toBe(200)
    expect((await range('bytes=0-1', { 'if-range': etag }))[0]).toBe(206)
  })
  it('of which a piece is gone ends where that is, and one without its beginning is not there', async () => {
    const quiz = await aDraft()
    const own = wave([{ hz: 321, ms: 20_000 }])
    const id = await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, own.length), own)
    const { database, content } = server.parts
    const pieces = await database.rows<{ hash: string }>('select hash from clip_part where clip_id = $1 order by starts_at', [id])
    const address = `/quizzes/${quiz}/draft/clips/${id}`
    await content.delete(pieces[1]!.hash)
    const cut = await clients.author.send('get', address)
    await expect(cut.arrayBuffer()).rejects.toThrow()
    expect((await clients.author.send('get', address, undefined, { range: 'bytes=0-9' })).status).toBe(206)
    await content.delete(pieces[0]!.hash)
    expect((await clients.author.send('get', address)).status).toBe(404)
  })
  it('has captions, which are read and written anew; what cannot be read is told with its line', async () => {
    const quiz = await aDraft()
    const id = await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length))
    const add = (text: string) => clients.author.send('post', `/api/quizzes/${quiz}/clips/${id}/captions`, { language: 'en', text })
    const refused = await add('WEBVTT\n\n00:01 --> soon\nBeep')
    expect([refused.status, ((await refused.json()) as any).detail]).toEqual([
      422,
      'Line 3: These are no times. Write them like 00:01.000 --> 00:04.500',
    ])
    const captions = ((await (await add(CAPTIONS)).json()) as any).id
    const vtt = await clients.author.send('get', `/quizzes/${quiz}/draft/clips/${id}?captions=${captions}`)
    expect([vtt.headers.get('content-type'), await vtt.text()]).toEqual([
      'text/vtt; charset=utf-8',
      'WEBVTT\n\n00:00:01.000 --> 00:00:02.000\nBeep &amp; beep\n',
    ])
    expect((await clients.author.send('get', `/quizzes/${quiz}/draft/clips/${id}?captions=${nanoid()}`)).status).toBe(404)
  })
})

describe('a question with sound', () => {
  it('is kept only with clips of its own quiz, whole, and with their captions', async () => {
    const quiz = await aDraft()
    const own = await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length))
    const half = await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length)
    const other = await aDraft()
    const foreign = await sent(clients.author, await begun(clients.author, `/api/quizzes/${other}`, beeps.length))
    const captions = (await clients.author.json('post', `/api/quizzes/${quiz}/clips/${own}/captions`, { language: 'en', text: CAPTIONS }))
      .id
    const elsewhere = (
      await clients.author.json('post', `/api/quizzes/${other}/clips/${foreign}/captions`, { language: 'en', text: CAPTIONS })
    ).id
    const { document } = await draft(quiz)
    const status = async (clip: ContentClip) => (await save(quiz, { ...document, parts: asking(heard(clip)) })).status
    expect(await status(aClip(half))).toBe(422)
    expect(await status(aClip(foreign))).toBe(422)
    expect(await status(aClip(own, [elsewhere]))).toBe(422)
    expect(await status(aClip(own, [captions]))).toBe(200)
    const inBank = { title: 'Sounds', questions: [heard(aClip(own))] }
    expect((await clients.author.send('post', '/api/banks', { document: inBank })).status).toBe(422)
  })
  it('tells nothing of the sound of its explanation before that may be heard', async () => {
    const quiz = await aDraft({ passMark: 100, afterFailing: 'explained' })
    const clips = [] as ClipId[]
    for (let n = 0; n < 2; n++) clips.push(await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length)))
    const { document } = await draft(quiz)
    expect((await save(quiz, { ...document, parts: asking(heard(aClip(clips[0]!), aClip(clips[1]!))) })).status).toBe(200)
    await server.services.publishQuiz(quiz, (await draft(quiz)).revision, company.people.lead, START)
    const { staff } = clients
    const told = async (path: string, method = 'get', body?: unknown) => (await staff.send(method, path, body)).text()
    await server.parts.database.rows(`update item set open_to_all = true where kind = 'quiz' and id = $1`, [quiz])
    const id: string = (await staff.json('post', `/api/quizzes/${quiz}/attempts`)).attemptId
    const before = [await told(`/api/quizzes/${quiz}`), await told(`/api/quiz-attempts/${id}`)].join()
    expect(before).toContain(clips[0])
    expect(before).not.toContain(clips[1])
    expect(before).not.toContain(CANARY)
    const played = await staff.send('get', `/quizzes/${quiz}/editions/1/clips/${clips[0]}`)
    expect([played.status, [...played.headers].join()]).toEqual([200, expect.not.stringContaining(CANARY)])
    expect((await staff.send('get', `/quizzes/${quiz}/draft/clips/${clips[0]}`)).status).toBe(403)
    expect(await told(`/api/quiz-attempts/${id}/hand-in`, 'post')).toContain(clips[1])
    expect((await staff.send('get', `/quizzes/${quiz}/editions/1/clips/${clips[1]}`)).status).toBe(200)
  })
})

describe('a recorded reply', () => {
  const criteria = [{ id: 'shows', words: 'Shows both latches', most: 4 }]
  const reply = () => questionOf('recorded', { by: 'sound', mostSeconds: 30 }, { words: CANARY, criteria }, { points: 5 })
  async function attempt(): Promise<{ id: string; quiz: QuizId; questionId: string; of: string }> {
    const graders = { people: [company.people.otherAuthor, company.people.manager], two: true, third: null }
    const quiz = await aQuiz(server, company, 'author', { parts: asking(reply(), ...statements(1)), passMark: 80, graders })
    const id: string = (await clients.staff.json('post', `/api/quizzes/${quiz}/attempts`)).attemptId
    const { questions } = await clients.staff.json<QuizAttempt>('get', `/api/quiz-attempts/${id}`)
    return { id, quiz, questionId: questions[0]!.id, of: `/api/quiz-attempts/${id}` }
  }
  const begin = (who: Who, { of, questionId }: { of: string; questionId: string }, more: object = {}) =>
    clients[who].send('post', `${of}/clips`, { questionId, clip: { kind: 'sound', bytes: beeps.length, durationMs: 25_000, ...more } })
  const answer = (who: Who, { of, questionId }: { of: string; questionId: string }, clipId: string, kind = 'sound') =>
    clients[who].send('put', `${of}/answers/${questionId}`, {
      answer: { kind: 'recorded', answer: { clipId, kind, durationMs: 25_000 } },
      ...{ revision: 0, activeMs: 1_000 },
    })

  it('is sent, saved, judged by two and heard only by whom it concerns', async () => {
    const here = await attempt()
    const clipId: ClipId = ((await (await begin('staff', here)).json()) as any).id
    expect((await answer('staff', here, clipId)).status).toBe(422)
    await sent(clients.staff, clipId)
    expect((await answer('staff', here, clipId, 'video')).status).toBe(422)
    expect((await answer('staff', here, clipId)).status).toBe(200)
    expect(JSON.stringify(await clients.staff.json('get', here.of))).not.toContain(CANARY)
    await clients.staff.json('post', `${here.of}/hand-in`)
    const play = async (who: Who) => (await clients[who].send('get', `/quiz-attempts/${here.id}/clips/${clipId}`)).status
    expect([await play('staff'), await play('otherAuthor'), await play('manager'), await play('lead')]).toEqual([200, 200, 200, 200])
    expect([await play('outsider'), await play('author')]).toEqual([404, 404])
    for (const [who, shows] of [
      ['otherAuthor', 4],
      ['manager', 4],
    ] as const) {
      const { replies } = await clients[who].json('get', `${here.of}/judging`)
      expect(replies[0].answer).toEqual({ kind: 'recorded', answer: { clipId, kind: 'sound', durationMs: 25_000 } })
      await clients[who].json('put', `${here.of}/grades/${here.questionId}`, { points: { shows }, words: '' })
    }
    expect((await clients.staff.json<QuizAttempt>('get', here.of)).result).toMatchObject({ passed: true, percent: 83 })
  })
  it('cannot be somebody else’s, of another attempt, of another kind, too long, or too late', async () => {
    const here = await attempt()
    const clipId = await sent(clients.staff, ((await (await begin('staff', here)).json()) as any).id)
    const there = await attempt()
    expect((await answer('staff', there, clipId)).status).toBe(422)
    expect((await begin('outsider', here)).status).toBe(404)
    expect((await begin('staff', here, { kind: 'video' })).status).toBe(422)
    expect((await begin('staff', here, { durationMs: 34_000 })).status).toBe(422)
    expect((await begin('staff', here, { bytes: CLIP_LIMITS.replyBytes + 1 })).status).toBe(422)
    expect((await begin('staff', { ...here, questionId: nanoid() })).status).toBe(404)
    await clients.staff.json('post', `${here.of}/hand-in`)
    expect((await begin('staff', here)).status).toBe(409)
    expect((await answer('staff', here, clipId)).status).toBe(409)
  })
})

it('what nothing shows and nobody has replied with goes after some time, with its files', async () => {
  const quiz = await aDraft()
  const used = await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length))
  const unused = await sent(clients.author, await begun(clients.author, `/api/quizzes/${quiz}`, 70_000), beeps.slice(0, 70_000))
  const broken = await begun(clients.author, `/api/quizzes/${quiz}`, beeps.length)
  const { document } = await draft(quiz)
  await save(quiz, { ...document, parts: asking(heard(aClip(used))) })
  const { database, content } = server.parts
  const left = async () =>
    (await database.rows<{ id: string }>(`select id from clip where owner_id = $1`, [quiz])).map(({ id }) => id).sort()
  await dropUnusedClips(database, START + 3 * 86_400_000)
  expect(await left()).toEqual([used, unused].sort())
  const files = (await database.rows<{ hash: string }>('select hash from clip_part where clip_id = $1', [unused])).map(({ hash }) => hash)
  await dropUnusedClips(database, START + 31 * 86_400_000)
  await removeNotedFiles(database, content)
  expect(await left()).toEqual([used])
  expect(broken).not.toBe(used)
  // The first piece of both is the same, and is kept once; the last of the one that went is not.
  expect(await Promise.all(files.map(async (hash) => (await content.get(hash)) !== undefined))).toEqual([true, false])
})
