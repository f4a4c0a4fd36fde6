import type { UsageEvent } from '@jackdaw/core/players'
import { guideItem } from '@jackdaw/core/items'
import { seededIds, type GuideId } from '@jackdaw/core/shared'
import { v7 as uuidV7 } from 'uuid'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

type Sent = { sentAt: number; events: UsageEvent[] }
const guideId = seededIds(4)() as GuideId
const anEvent = (): UsageEvent => ({ id: uuidV7(), item: guideItem(guideId), edition: 1, way: 'read', verb: 'opened', occurredAt: 1_000 })

/** A server that can be cut off or refuse, and the browser's globals that the outbox uses. */
function aWorld() {
  const world = {
    batches: [] as Sent[],
    answer: (sent: Sent): Response | 'cut' => Response.json({ taken: sent.events.length, refused: [] }),
  }
  vi.spyOn(console, 'warn').mockImplementation(() => undefined)
  vi.stubGlobal('window', { addEventListener: () => undefined, removeEventListener: () => undefined, dispatchEvent: () => true })
  vi.stubGlobal('document', { addEventListener: () => undefined, removeEventListener: () => undefined, visibilityState: 'visible' })
  vi.stubGlobal('fetch', async (_address: string, init: RequestInit) => {
    if (_address === '/api/session') return Response.json(null)
    const sent = JSON.parse(String(init.body)) as Sent
    const answer = world.answer(sent)
    if (answer === 'cut') throw new TypeError('network')
    world.batches.push(sent)
    return answer
  })
  return world
}
const problem = (status: number) =>
  new Response(JSON.stringify({ type: 'x', code: 'invalid', title: 'x', status }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  })

let world: ReturnType<typeof aWorld>
let outbox: typeof import('./outbox')
beforeEach(async () => {
  vi.resetModules()
  world = aWorld()
  outbox = await import('./outbox')
})
afterEach(() => vi.unstubAllGlobals())
const idsSent = () => world.batches.flatMap((batch) => batch.events.map((event) => event.id))

describe('the outbox (in a browser without a database of its own)', () => {
  it('sends what is recorded, in order, in batches of at most 200', async () => {
    outbox.startOutbox('me')
    const events = Array.from({ length: 450 }, anEvent)
    for (const event of events) await outbox.record(event)
    await outbox.flush()
    expect(idsSent()).toEqual(events.map((event) => event.id))
    expect(Math.max(...world.batches.map((batch) => batch.events.length))).toBeLessThanOrEqual(200)
    expect(await outbox.leaveNoEvents()).toBe(0)
  })
  it('keeps everything while the network is gone and sends it once when it is back', async () => {
    outbox.startOutbox('me')
    world.answer = () => 'cut'
    const events = [anEvent(), anEvent()]
    for (const event of events) await outbox.record(event)
    expect(await outbox.leaveNoEvents()).toBe(2)
    world.answer = (sent) => Response.json({ taken: sent.events.length, refused: [] })
    await outbox.flush()
    await outbox.flush()
    expect(idsSent()).toEqual(events.map((event) => event.id))
  })
  it('keeps everything when the server is in trouble or the session is over', async () => {
    outbox.startOutbox('me')
    for (const status of [500, 503, 401, 403, 429]) {
      world.answer = () => problem(status)
      await outbox.record(anEvent())
      await outbox.flush()
    }
    expect(await outbox.leaveNoEvents()).toBe(5)
  })
  it('sets aside what the server will never take, tells it, and gets all the rest through', async () => {
    outbox.startOutbox('me')
    world.answer = () => 'cut'
    const events = Array.from({ length: 120 }, anEvent)
    for (const event of events) await outbox.record(event)
    await outbox.flush()
    // A server that refuses a batch as a whole for one event in it.
    const taken: string[] = []
    world.answer = (sent) => {
      if (sent.events.some((event) => event.id === events[77]!.id)) return problem(422)
      taken.push(...sent.events.map((event) => event.id))
      return Response.json({ taken: sent.events.length, refused: [] })
    }
    await outbox.flush()
    expect(taken.sort()).toEqual(events.flatMap((event, n) => (n === 77 ? [] : [event.id])).sort())
    expect(console.warn).toHaveBeenCalledWith(expect.stringContaining('did not take'), 'malformed', 'x', events[77])
    expect(await outbox.leaveNoEvents()).toBe(0)
  })
  it('sets aside each event that is answered as refused, and only that', async () => {
    outbox.startOutbox('me')
    const events = [anEvent(), anEvent(), anEvent()]
    world.answer = () => Response.json({ taken: 2, refused: [{ at: 1, id: events[1]!.id, why: 'unknown-step' }] })
    for (const event of events) await outbox.record(event)
    await outbox.flush()
    const told = vi.mocked(console.warn).mock.calls.filter(([words]) => String(words).includes('did not take'))
    expect(told.map(([, why]) => why)).toContain('unknown-step')
    expect(await outbox.leaveNoEvents()).toBe(0)
  })
  it('says that a guide’s end is on record once the server has taken it, and not before', async () => {
    outbox.startOutbox('me')
    world.answer = () => 'cut'
    const end = { ...anEvent(), verb: 'finished' } as UsageEvent
    const fate = (what: UsageEvent = end) => outbox.finishFate(outbox.outboxState.now(), what)
    expect(fate()).toBe(null)
    await outbox.record(end)
    await outbox.flush()
    expect(fate()).toBe('waiting')
    world.answer = (sent) => Response.json({ taken: sent.events.length, refused: [] })
    await outbox.flush()
    expect(fate()).toBe('taken')
    const other = { ...end, id: uuidV7(), edition: 2 }
    world.answer = () => Response.json({ taken: 0, refused: [{ at: 0, id: other.id, why: 'steps-not-read' }] })
    await outbox.record(other)
    await outbox.flush()
    expect([fate(other), fate()]).toEqual(['refused', 'taken'])
  })
  it('never sends one person’s reading in the name of another', async () => {
    outbox.startOutbox('ines')
    world.answer = () => 'cut'
    await outbox.record(anEvent())
    await outbox.flush()
    world.answer = (sent) => Response.json({ taken: sent.events.length, refused: [] })
    outbox.startOutbox('gareth')
    await outbox.flush()
    expect(world.batches).toEqual([])
    outbox.startOutbox('ines')
    await outbox.flush()
    expect(idsSent()).toHaveLength(1)
  })
})
