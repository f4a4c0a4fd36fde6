import type { DraftConflict, SavedChanges } from '@jackdaw/contracts/guides'
import { emptyDocument, plainText, rebase, richTextOf, type Change, type GuideDocument, type Step } from '@jackdaw/core/guides'
import { seededIds, type PersonId, type StepId } from '@jackdaw/core/shared'
import { DraftSession, type Pending } from './draftSession'

export const ids = seededIds(11)
const step = (text: string): Step => ({ kind: 'step', id: ids() as StepId, body: richTextOf(text), pictures: [] })
export const [one, two] = [step('One'), step('Two')]
export const start: GuideDocument = { ...emptyDocument('Trays', 'how-to'), items: [one, two] }
export const write = (to: Step, text: string): Change => ({ type: 'set-step', stepId: to.id, fields: { body: richTextOf(text) } })
export const textOf = (document: GuideDocument, of: Step) =>
  document.items.flatMap((item) => (item.kind === 'step' && item.id === of.id ? [plainText(item.body)] : []))[0]
export const marta = { id: ids() as PersonId, name: 'Marta' }

/** A server as it behaves towards one browser: rebases, remembers sets, can be cut off before or after it has saved. */
export function aServer() {
  const saved: (SavedChanges & { set: string; conflicts: DraftConflict[] })[] = []
  let document = start
  const server = {
    cut: null as null | 'before' | 'after',
    get document() {
      return document
    },
    put(changes: Change[], set = ids(), base = saved.length) {
      const known = saved.find((each) => each.set === set)
      const since = saved.slice(base).filter((each) => each.set !== set)
      if (!known) {
        const result = rebase(
          changes,
          since.flatMap((each) => each.changes),
          document,
        )
        document = result.document
        saved.push({
          revision: saved.length + 1,
          by: marta,
          changes: result.applied,
          set,
          conflicts: result.conflicts.map((each) => ({
            ...each,
            theirs: document.items.find((item) => item.id === each.itemId) ?? null,
            by: marta,
          })),
        })
      }
      return { revision: saved.length, missed: since, conflicts: saved.find((each) => each.set === set)!.conflicts }
    },
    since: (revision: number) => ({ revision: saved.length, saved: saved.slice(revision) }),
  }
  return server
}

export function aBrowser(server: ReturnType<typeof aServer>, net: { cut: null | 'before' | 'after' } = server, me = 'me') {
  const timers: { work: () => void; off: boolean }[] = []
  const kept: { pending: Pending | null } = { pending: null }
  let now = 0
  const session = new DraftSession(start, 0, {
    me,
    send: async (base, set) => {
      if (net.cut === 'before') throw new Error('cut')
      const answer = server.put(set.changes, set.id, base)
      if (net.cut === 'after') throw new Error('cut')
      return answer
    },
    judge: () => ({ state: 'offline', words: '' }),
    keep: (pending) => void (kept.pending = pending),
    settled: () => undefined,
    newId: ids,
    now: () => (now += 10),
    later: (work) => {
      const timer = { work, off: false }
      timers.push(timer)
      return () => void (timer.off = true)
    },
  })
  const settle = async () => {
    for (let i = 0; i < 20; i++) {
      const due = timers.splice(0).filter((timer) => !timer.off)
      if (due.length === 0 && session.idle) return
      due.forEach((timer) => timer.work())
      await new Promise((resolve) => setTimeout(resolve))
      if (net.cut) return
    }
  }
  return { session, settle, kept, wait: (ms: number) => void (now += ms) }
}
