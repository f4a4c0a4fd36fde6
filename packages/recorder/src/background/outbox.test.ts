import { MAX_ACTIONS_AT_ONCE } from '@jackdaw/contracts/recording'
import { seededRandom } from '@jackdaw/core/shared'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { KeptAction, KeptShot } from './store'

/** What the extension has written down, without a browser's database. */
const written = vi.hoisted(() => ({ actions: [] as KeptAction[], shots: [] as KeptShot[] }))
vi.mock('./store', () => {
  const change = <T extends { id: string }>(list: T[], ids: readonly string[], with_: Partial<T>) =>
    list.forEach((each, n) => ids.includes(each.id) && (list[n] = { ...each, ...with_ }))
  return {
    kept: {
      actions: async () => [...written.actions],
      shots: async () => [...written.shots],
      changeActions: async (ids: readonly string[], with_: Partial<KeptAction>) => change(written.actions, ids, with_),
      changeShots: async (ids: readonly string[], with_: Partial<KeptShot>) => change(written.shots, ids, with_),
    },
  }
})
const { sendAll, sendAndFinish, unsent } = await import('./outbox')
const { NoAnswer, Refusal } = await import('./server')

const PAIRING = { origin: 'http://jackdaw.example', token: 't'.repeat(48), person: 'Ada', company: 'Larkmoor' }
const RECORDING = { id: 'recording-of-an-order-1' } as never

type Failure = 'no-answer' | 'lost-answer' | null
/** A Jackdaw on a bad network: it has what reached it, whether its answer comes back or not. */
class FarJackdaw {
  readonly actions = new Set<string>()
  readonly shots = new Set<string>()
  readonly sent: { path: string; body: unknown }[] = []
  finished: string[] | null = null
  constructor(readonly fails: (path: string) => Failure) {}

  readonly fetch = async (address: string, { body }: { body?: unknown }): Promise<Response> => {
    const path = new URL(address).pathname
    const failure = this.fails(path)
    if (failure === 'no-answer') throw new TypeError('Failed to fetch')
    const read = typeof body === 'string' ? (JSON.parse(body) as { actions: ({ id: string } | string)[]; without?: string[] }) : null
    this.sent.push({ path, body: read ?? body })
    const answer = this.take(path, read?.actions ?? [], read?.without ?? [])
    if (failure === 'lost-answer') throw new TypeError('Failed to fetch')
    return Response.json(answer)
  }

  private take(path: string, actions: ({ id: string } | string)[], without: string[]): unknown {
    const shot = /\/pictures\/([^/]+)$/.exec(path)?.[1]
    if (shot) {
      this.shots.add(shot)
      return { widthPx: 10, heightPx: 10 }
    }
    const ids = actions.map((each) => (typeof each === 'string' ? each : each.id))
    if (path.endsWith('/actions')) {
      ids.forEach((id) => this.actions.add(id))
      return { kept: ids.length }
    }
    const missing = {
      actions: ids.filter((id) => !this.actions.has(id)),
      shots: ids
        .map((id) => `shot-of-${id}`)
        .filter((id) => written.actions.some((each) => each.action.shot?.id === id) && !this.shots.has(id) && !without.includes(id)),
    }
    if (missing.actions.length + missing.shots.length > 0) return { done: false, missing }
    this.finished = ids
    return { done: true, guideId: 'guide', steps: ids.length, unsure: 0, firstStep: null }
  }
}

const begin = (fails: (path: string) => Failure = () => null): FarJackdaw => {
  const jackdaw = new FarJackdaw(fails)
  vi.stubGlobal('fetch', jackdaw.fetch)
  return jackdaw
}
const did = (id: string, { dropped = false, shot = true, words = '' } = {}): void => {
  const action = { id, ...(shot ? { shot: { id: `shot-of-${id}` } } : {}), text: words }
  written.actions.push({ id, recordingId: 'r', action: action as never, dropped, sent: false })
  if (shot) written.shots.push({ id: `shot-of-${id}`, blob: new Blob(['picture']), sent: false } as KeptShot)
}

beforeEach(() => {
  written.actions.length = 0
  written.shots.length = 0
})

describe('what waits to be sent', () => {
  it('is neither what was dropped nor its picture', async () => {
    did('kept')
    did('dropped', { dropped: true })
    const { actions, shots } = await unsent()
    expect([actions.map((each) => each.id), shots.map((each) => each.id)]).toEqual([['kept'], ['shot-of-kept']])
  })

  it('goes out with its pictures first, so that no action stands there without its own', async () => {
    const jackdaw = begin()
    did('one')
    did('two')
    await sendAll(PAIRING, RECORDING)
    expect(jackdaw.sent.map(({ path }) => path.split('/').at(-1))).toEqual(['shot-of-one', 'shot-of-two', 'actions'])
    await sendAll(PAIRING, RECORDING)
    expect(jackdaw.sent).toHaveLength(3)
  })

  it('goes out in portions that a request can hold, by number and by size', async () => {
    const jackdaw = begin()
    for (let n = 0; n < MAX_ACTIONS_AT_ONCE + 5; n++) did(`small-${n}`, { shot: false })
    for (let n = 0; n < 4; n++) did(`large-${n}`, { shot: false, words: 'x'.repeat(700_000) })
    await sendAll(PAIRING, RECORDING)
    const portions = jackdaw.sent.map(({ body }) => (body as { actions: { id: string }[] }).actions)
    expect(portions.flat().map((each) => each.id)).toEqual(written.actions.map((each) => each.id))
    for (const portion of portions) {
      expect(portion.length).toBeLessThanOrEqual(MAX_ACTIONS_AT_ONCE)
      expect(JSON.stringify(portion).length).toBeLessThan(1_600_000)
    }
  })
})

describe('a recording that is finished', () => {
  it.each([1, 2, 3, 4, 5, 6, 7, 8])('is whole, whatever becomes of requests and answers (%i)', async (seed) => {
    const random = seededRandom(seed)
    let calls = 0
    const jackdaw = begin(() => {
      calls++
      return calls > 400 || random() > 0.45 ? null : random() > 0.5 ? 'no-answer' : 'lost-answer'
    })
    for (let n = 0; n < 25; n++) did(`action-${n}`, { dropped: n % 6 === 5, shot: n % 4 !== 3 })
    let answer: unknown = null
    for (let tries = 0; tries < 400 && answer === null; tries++)
      answer = await sendAndFinish(PAIRING, RECORDING).catch((error: unknown) => {
        expect(error).toBeInstanceOf(NoAnswer)
        return null
      })
    expect(answer).toMatchObject({ guideId: 'guide' })
    expect(jackdaw.finished).toEqual(written.actions.flatMap((each) => (each.dropped ? [] : [each.id])))
  })

  it('sends again what Jackdaw has lost meanwhile', async () => {
    const jackdaw = begin()
    did('one')
    did('two')
    await sendAll(PAIRING, RECORDING)
    jackdaw.actions.clear()
    jackdaw.shots.delete('shot-of-two')
    await sendAndFinish(PAIRING, RECORDING)
    expect(jackdaw.finished).toEqual(['one', 'two'])
    expect(jackdaw.sent.filter(({ path }) => path.endsWith('shot-of-one'))).toHaveLength(1)
  })

  it('that Jackdaw never gets whole is kept, and says so', async () => {
    const jackdaw = begin()
    did('one', { shot: false })
    vi.stubGlobal('fetch', async (address: string, init: object) => {
      const answer = await jackdaw.fetch(address, init)
      jackdaw.actions.clear()
      return answer
    })
    await expect(sendAndFinish(PAIRING, RECORDING)).rejects.toThrow(/still misses/)
    expect(written.actions).toHaveLength(1)
  })
})

describe('an answer of Jackdaw', () => {
  const answers = (status: number, body: object, type: string) =>
    vi.stubGlobal('fetch', async () => new Response(JSON.stringify(body), { status, headers: { 'content-type': type } }))

  it('that says why is a refusal, and everything else is as if there were none', async () => {
    did('one', { shot: false })
    answers(409, { code: 'recording-over', title: 'This recording is over', detail: 'It is a draft.' }, 'application/problem+json')
    await expect(sendAll(PAIRING, RECORDING)).rejects.toThrow(new Refusal('recording-over', 409, 'This recording is over. It is a draft.'))
    answers(502, {}, 'text/html')
    await expect(sendAll(PAIRING, RECORDING)).rejects.toBeInstanceOf(NoAnswer)
    expect((await unsent()).actions).toHaveLength(1)
    answers(413, {}, 'text/html')
    await sendAll(PAIRING, RECORDING)
    expect(written.actions[0]).toMatchObject({ sent: false, refused: 'Jackdaw answered 413' })
  })
  it('that refuses one action for good keeps none of the others from the draft', async () => {
    const jackdaw = begin()
    for (let n = 0; n < 7; n++) did(`action-${n}`, { words: n === 3 ? 'bad' : '' })
    const fetch = vi.fn(async (address: string, init: { body?: unknown }) =>
      typeof init.body === 'string' && init.body.includes('"bad"')
        ? Response.json({ code: 'invalid', title: 'Not valid' }, { status: 422, headers: { 'content-type': 'application/problem+json' } })
        : jackdaw.fetch(address, init),
    )
    vi.stubGlobal('fetch', fetch)
    await sendAndFinish(PAIRING, RECORDING)
    expect(jackdaw.finished).toEqual([0, 1, 2, 4, 5, 6].map((n) => `action-${n}`))
    expect(written.actions[3]).toMatchObject({ sent: false, refused: 'Not valid.' })
  })
  it('that has no room for more takes what fits, and the draft is written of that', async () => {
    const jackdaw = begin()
    for (let n = 0; n < 6; n++) did(`action-${n}`, { shot: false })
    vi.stubGlobal('fetch', async (address: string, init: { body?: unknown }) => {
      const sent = address.endsWith('/actions') ? (JSON.parse(init.body as string) as { actions: unknown[] }).actions.length : 0
      return jackdaw.actions.size + sent > 4
        ? Response.json({ code: 'recording-full', title: 'Full' }, { status: 409, headers: { 'content-type': 'application/problem+json' } })
        : jackdaw.fetch(address, init)
    })
    await sendAndFinish(PAIRING, RECORDING)
    expect(jackdaw.finished).toEqual([0, 1, 2, 3].map((n) => `action-${n}`))
    expect(written.actions.map((each) => each.refused !== undefined)).toEqual([false, false, false, false, true, true])
  })
  it('that refuses a picture, and a picture that is here no more, leave their steps without one', async () => {
    const jackdaw = begin()
    for (const id of ['one', 'two', 'three']) did(id)
    written.shots.splice(1, 1)
    vi.stubGlobal('fetch', async (address: string, init: { body?: unknown }) =>
      address.endsWith('shot-of-three')
        ? Response.json(
            { code: 'not-a-picture', title: 'No picture' },
            { status: 422, headers: { 'content-type': 'application/problem+json' } },
          )
        : jackdaw.fetch(address, init),
    )
    await sendAndFinish(PAIRING, RECORDING)
    expect(jackdaw.finished).toEqual(['one', 'two', 'three'])
    expect(jackdaw.sent.at(-1)!.body).toMatchObject({ without: ['shot-of-two', 'shot-of-three'] })
  })
})
