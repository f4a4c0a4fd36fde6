import { GUIDE_LIMITS, guideText, plainText, type Change } from '@jackdaw/core/guides'
import type { PictureId } from '@jackdaw/core/shared'
import { describe, expect, it } from 'vitest'
import { DraftSession, type Pending } from './draftSession'
import { ApiProblem, Unreachable } from '../../api'
import { judgeSaving } from './judgeSaving'
import { aBrowser, aServer, ids, marta, start, textOf, two, one, write } from './testing'

describe('a session on a draft', () => {
  it('saves what is typed, as one change, and then keeps nothing', async () => {
    const server = aServer()
    const { session, settle, kept } = aBrowser(server)
    for (const text of ['R', 'Ri', 'Rinse']) session.change(write(one, text))
    expect(session.snapshot().save).toBe('unsaved')
    expect(kept.pending?.queue).toHaveLength(1)
    await settle()
    expect(textOf(server.document, one)).toBe('Rinse')
    expect(session.snapshot()).toMatchObject({ save: 'saved', revision: 1 })
    expect(kept.pending).toBeNull()
  })
  it('undoes a run of typing in one go, and redoes it', async () => {
    const { session, wait } = aBrowser(aServer())
    for (const text of ['R', 'Rinse']) session.change(write(one, text))
    wait(5_000)
    session.change({ type: 'remove-item', itemId: two.id })
    session.undo()
    expect(session.snapshot().document.items).toHaveLength(2)
    session.undo()
    expect(session.snapshot().document).toEqual(start)
    expect(session.snapshot().canUndo).toBe(false)
    session.redo()
    expect(textOf(session.snapshot().document, one)).toBe('Rinse')
  })
  it('saves once when the answer was lost on its way', async () => {
    const server = aServer()
    const { session, settle, kept } = aBrowser(server)
    session.change(write(one, 'Rinse'))
    server.cut = 'after'
    await settle()
    expect(session.snapshot().save).toBe('offline')
    expect(kept.pending?.inFlight?.changes).toHaveLength(1)
    session.change(write(two, 'Dry'))
    server.cut = null
    await settle()
    expect(server.since(0).saved).toHaveLength(2)
    expect(session.snapshot().document).toEqual(server.document)
    expect(textOf(server.document, two)).toBe('Dry')
  })
  it('sends what was done in a long time without a network in several sets, and loses none', async () => {
    const server = aServer()
    const { session, settle } = aBrowser(server)
    server.cut = 'before'
    session.change(write(one, 'start'))
    await settle()
    for (let i = 0; i < 1_300; i++) session.change(write(i % 2 ? one : two, `${i}`))
    server.cut = null
    await settle()
    expect([textOf(server.document, one), textOf(server.document, two)]).toEqual(['1299', '1298'])
    expect(session.snapshot()).toMatchObject({ save: 'saved', document: server.document })
    expect(server.since(0).saved.length).toBeGreaterThanOrEqual(3)
  })
  it('says that something is refused and keeps it, and goes on when it is tried again', async () => {
    const server = aServer()
    const kept: { pending: Pending | null } = { pending: null }
    let refuse = true
    const session = new DraftSession(start, 0, {
      me: 'me',
      send: async (base, set) => {
        if (refuse) throw new Error('The guide is archived')
        return server.put(set.changes, set.id, base)
      },
      judge: (error) => ({ state: 'refused', words: (error as Error).message }),
      keep: (pending) => void (kept.pending = pending),
      settled: () => undefined,
      newId: ids,
      now: () => 0,
      later: () => () => undefined,
    })
    session.change(write(one, 'mine'))
    session.flush()
    await new Promise((resolve) => setTimeout(resolve))
    expect(session.snapshot()).toMatchObject({ save: 'refused', words: 'The guide is archived' })
    expect(kept.pending?.inFlight?.changes).toEqual([write(one, 'mine')])
    refuse = false
    session.retry()
    await new Promise((resolve) => setTimeout(resolve))
    expect(session.snapshot().save).toBe('saved')
    expect(textOf(server.document, one)).toBe('mine')
  })
  it('tells a server that fails from one that cannot be reached, keeps what was written, and sends it again by itself', async () => {
    const problem = (status: number) =>
      new ApiProblem({ type: 'x', code: 'internal', title: 'Something went wrong here', status, detail: 'Number 42.' })
    expect(
      [new Unreachable(), problem(503), problem(429), problem(401), problem(422), problem(500)].map((error) => judgeSaving(error).state),
    ).toEqual(['offline', 'offline', 'offline', 'signed-out', 'refused', 'failed'])
    const server = aServer()
    const kept: { pending: Pending | null } = { pending: null }
    const planned: (() => void)[] = []
    let fails = true
    const session = new DraftSession(start, 0, {
      me: 'me',
      send: async (base, set) => {
        if (fails) throw problem(500)
        return server.put(set.changes, set.id, base)
      },
      judge: judgeSaving,
      keep: (pending) => void (kept.pending = pending),
      settled: () => undefined,
      newId: ids,
      now: () => 0,
      later: (work) => (planned.push(work), () => undefined),
    })
    session.change(write(one, 'mine'))
    session.flush()
    await new Promise((resolve) => setTimeout(resolve))
    expect(session.snapshot()).toMatchObject({ save: 'failed', words: 'Number 42.' })
    expect(kept.pending?.inFlight?.changes).toEqual([write(one, 'mine')])
    expect(guideText(session.snapshot().document)).toContain('1. mine')
    fails = false
    planned.at(-1)!()
    await new Promise((resolve) => setTimeout(resolve))
    expect(session.snapshot().save).toBe('saved')
    expect(textOf(server.document, one)).toBe('mine')
  })
  it('makes nothing of what would break a limit, and says which', async () => {
    const { session } = aBrowser(aServer())
    const picture = (n: number): Change => ({
      type: 'insert-picture',
      stepId: one.id,
      picture: { id: String(n).padStart(21, 'x') as PictureId, alt: '' },
      after: null,
    })
    session.change(...Array.from({ length: 40 }, (_, n) => picture(n)))
    const before = session.snapshot().document
    session.change(picture(40), { type: 'remove-item', itemId: two.id })
    expect(session.snapshot().document).toBe(before)
    // Also while something else is still being saved, whose success must not wipe it away.
    session.flush()
    await new Promise((resolve) => setTimeout(resolve))
    expect(session.snapshot().said).toBe(GUIDE_LIMITS.pictures.words)
    const conflict = {
      reason: 'limit',
      limit: 'pictures',
      target: 'alt:x',
      itemId: one.id,
      mine: picture(40),
      theirs: null,
      by: marta,
    } as const
    session.adopt({ conflicts: [conflict] }, [], [])
    session.settle(session.snapshot().conflicts[0]!, 'mine')
    expect(session.snapshot().conflicts).toHaveLength(1)
    session.change({ type: 'remove-picture', stepId: one.id, pictureId: String(3).padStart(21, 'x') as PictureId })
    session.settle(session.snapshot().conflicts[0]!, 'mine')
    expect(session.snapshot().conflicts).toHaveLength(0)
  })
  it('undoes what was done beside the text in the same row of steps', () => {
    const { session } = aBrowser(aServer())
    const heard: string[] = []
    session.change(write(one, 'first'))
    session.doneOutside({ undo: () => heard.push('undone'), redo: () => heard.push('redone') })
    session.undo()
    session.redo()
    session.undo()
    session.undo()
    expect(heard).toEqual(['undone', 'redone', 'undone'])
    expect(session.snapshot().document).toEqual(start)
  })
  it('takes in what others wrote in another step', async () => {
    const server = aServer()
    const { session, settle } = aBrowser(server)
    server.put([write(two, 'Marta’s')])
    session.change(write(one, 'mine'))
    await settle()
    expect(session.snapshot().conflicts).toEqual([])
    expect(session.snapshot().document).toEqual(server.document)
    expect(textOf(server.document, two)).toBe('Marta’s')
    expect(session.snapshot().others.map((each) => each.name)).toEqual(['Marta'])
  })
  it('does not tell somebody what they did themselves in another window', async () => {
    const server = aServer()
    const { session, settle } = aBrowser(server, server, marta.id)
    server.put([write(two, 'in the other window')])
    session.change(write(one, 'here'))
    await settle()
    expect(textOf(session.snapshot().document, two)).toBe('in the other window')
    expect(session.snapshot().others).toEqual([])
  })
  it('shows a clash with both versions, and each choice does what it says', async () => {
    for (const [choice, texts] of [
      ['mine', ['mine', 'Two']],
      ['theirs', ['theirs', 'Two']],
      ['both', ['theirs', 'mine', 'Two']],
    ] as const) {
      const server = aServer()
      const { session, settle } = aBrowser(server)
      server.put([write(one, 'theirs')])
      session.change(write(one, 'mine'))
      await settle()
      const [conflict] = session.snapshot().conflicts
      expect(textOf(session.snapshot().document, one)).toBe('theirs')
      expect(conflict).toMatchObject({ reason: 'changed', mine: write(one, 'mine') })
      session.settle(conflict!, choice)
      await settle()
      expect(server.document.items.map((item) => (item.kind === 'step' ? plainText(item.body) : ''))).toEqual(texts)
      expect(session.snapshot().document).toEqual(server.document)
    }
  })
  it('notices a clash with words that are still on their way', async () => {
    const server = aServer()
    const { session } = aBrowser(server)
    session.change(write(one, 'still typing'))
    server.put([write(one, 'theirs')])
    const { revision, saved } = server.since(0)
    session.receive(revision, saved)
    expect(session.snapshot().conflicts).toHaveLength(1)
    expect(textOf(session.snapshot().document, one)).toBe('theirs')
  })
  it('goes on with what a killed page left behind', async () => {
    const server = aServer()
    const first = aBrowser(server)
    first.session.change(write(one, 'typed before the crash'))
    const left = first.kept.pending!
    server.put([write(two, 'meanwhile')])
    const second = aBrowser(server)
    second.session.receive(server.since(0).revision, server.since(0).saved)
    second.session.adopt({ conflicts: [] }, left.queue, server.since(left.baseRevision).saved)
    await second.settle()
    expect(textOf(server.document, one)).toBe('typed before the crash')
    expect(textOf(server.document, two)).toBe('meanwhile')
  })
  it('undoes what was done in another guide together with what was done here', () => {
    const { session } = aBrowser(aServer())
    const calls: string[] = []
    session.doneOutside(
      { undo: () => void calls.push('undo'), redo: () => void calls.push('redo') },
      { type: 'remove-item', itemId: one.id },
      { type: 'remove-item', itemId: two.id },
    )
    expect(session.snapshot().document.items).toHaveLength(start.items.length - 2)
    session.undo()
    expect([calls, session.snapshot().document]).toEqual([['undo'], start])
    session.redo()
    expect(calls).toEqual(['undo', 'redo'])
    expect(session.snapshot().document.items).toHaveLength(start.items.length - 2)
    session.undo()
    expect(session.snapshot()).toMatchObject({ document: start, canUndo: false })
  })
  it('tells when what was done in another guide cannot be undone there', async () => {
    const { session } = aBrowser(aServer())
    session.doneOutside({ undo: () => Promise.reject(new Error('lost')), redo: () => undefined }, { type: 'remove-item', itemId: one.id })
    session.undo()
    await new Promise((resolve) => setTimeout(resolve, 0))
    expect(session.snapshot().words).toContain('In the other guide it could not be done')
    expect(session.snapshot().document).toEqual(start)
  })
  it('sees what others did to its own step after its answer was lost', async () => {
    const server = aServer()
    const { session, settle } = aBrowser(server)
    const added = { ...one, id: ids() as typeof one.id }
    session.change({ type: 'insert-item', item: added, after: null })
    server.cut = 'after'
    await settle()
    server.cut = null
    server.put([write(added, 'gone on with')])
    await settle()
    expect(textOf(session.snapshot().document, added)).toBe('gone on with')
    expect(session.snapshot().document).toEqual(server.document)
  })
  it('has nothing left to save when all of it was handed back', () => {
    const server = aServer()
    const { session } = aBrowser(server)
    session.change(write(one, 'mine'))
    server.put([write(one, 'theirs')])
    session.receive(server.since(0).revision, server.since(0).saved)
    expect(session.snapshot()).toMatchObject({ save: 'saved', conflicts: [{ reason: 'changed' }] })
  })
})
