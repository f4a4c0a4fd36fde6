import { seededIds, type ClipId, type QuestionId } from '@jackdaw/core/shared'
import { describe, expect, it } from 'vitest'
import type { FileClip } from '../../../clips/fileClip'
import type { SendingReply } from './repliesHere'
import { ReplySession, type ReplyPorts } from './replySession'

const ids = seededIds(5)
const [first, second] = [ids<QuestionId>(), ids<QuestionId>()]
const clipOf = (words: string): FileClip => ({ file: new Blob([words]), kind: 'sound', durationMs: 1_000 })

/** A session in a world that notes what happens; `send` and `begin` as a test wants them. */
function sessionIn(over: Partial<ReplyPorts> = {}) {
  const done: string[] = []
  let shown: ReadonlyMap<QuestionId, SendingReply> = new Map()
  let count = 0
  const session = new ReplySession({
    begin: async () => `clip-${++count}` as ClipId,
    send: async (clipId, file, onSent) => {
      onSent(file.size)
      done.push(`sent ${clipId}`)
    },
    keep: async (_id, _clip, clipId) => void done.push(`kept ${clipId ?? 'before it was begun'}`),
    drop: async () => void done.push('dropped'),
    come: (_id, { clipId }) => void done.push(`come ${clipId}`),
    changed: (next) => void (shown = next),
    ...over,
  })
  return { session, done, shown: () => shown }
}

describe('a recorded reply on its way', () => {
  it('is kept before anything is sent, and dropped once it is the answer', async () => {
    const { session, done, shown } = sessionIn()
    await session.send(first, clipOf('I hold it at the edge'))
    expect(done).toEqual(['kept before it was begun', 'kept clip-1', 'sent clip-1', 'come clip-1', 'dropped'])
    expect(shown().size).toBe(0)
  })
  it('stays when it cannot be sent, and goes on as the same clip', async () => {
    let works = false
    const tried: string[] = []
    const { session, done, shown } = sessionIn({
      send: async (clipId) => {
        tried.push(clipId)
        if (!works) throw new Error('no network')
      },
    })
    await session.send(first, clipOf('one'))
    await session.send(second, clipOf('two'))
    expect([...shown().values()].map(({ error }) => (error as Error).message)).toEqual(['no network', 'no network'])
    expect(done).not.toContain('dropped')
    works = true
    await session.againAll()
    expect(tried).toEqual(['clip-1', 'clip-2', 'clip-1', 'clip-2'])
    expect(done.filter((each) => each.startsWith('come'))).toEqual(['come clip-1', 'come clip-2'])
    expect(shown().size).toBe(0)
  })
  it('that an earlier page has begun goes on without being begun anew', async () => {
    const { session, done } = sessionIn({ begin: () => Promise.reject(new Error('begun already')) })
    await session.send(first, clipOf('one'), 'clip-9' as ClipId)
    expect(done).toEqual(['kept clip-9', 'sent clip-9', 'come clip-9', 'dropped'])
  })
  it('gives way to a newer one to the same question, and is never the answer then', async () => {
    const waits: (() => void)[] = []
    const { session, done, shown } = sessionIn({
      send: (_clipId, _file, _onSent, signal) =>
        new Promise((resolve, reject) => {
          waits.push(resolve)
          signal.addEventListener('abort', () => reject(new Error('given up')))
        }),
    })
    const older = session.send(first, clipOf('older'))
    while (waits.length === 0) await Promise.resolve()
    const newer = session.send(first, clipOf('newer'))
    await older
    while (waits.length === 1) await Promise.resolve()
    expect(shown().get(first)).toMatchObject({ error: null })
    waits[1]!()
    await newer
    expect(done.filter((each) => each.startsWith('come'))).toEqual(['come clip-2'])
  })
  it('that is given up leaves nothing behind', async () => {
    const { session, done, shown } = sessionIn({
      send: (_clipId, _file, _onSent, signal) =>
        new Promise((_resolve, reject) => signal.addEventListener('abort', () => reject(new Error('given up')))),
    })
    const sending = session.send(first, clipOf('one'))
    while (!done.includes('kept clip-1')) await Promise.resolve()
    await session.drop(first)
    await sending
    expect([done.at(-1), shown().size]).toEqual(['dropped', 0])
  })
})
