import { type NewId, nth } from '@jackdaw/core/shared'
import type { DraftConflict, SavedChanges } from '@jackdaw/contracts/guides'
import {
  applyAll,
  GUIDE_LIMITS,
  joinChanges,
  joinPair,
  rebase,
  theirsIn,
  type Change,
  type Conflict,
  type GuideDocument,
} from '@jackdaw/core/guides'

/** How far what was typed has got. `failed`: the server was reached and could not do it, through a fault of its own. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'failed' | 'signed-out' | 'refused'
export type ChangeSet = { id: string; changes: Change[] }
/** What has to survive a closed tab: changes that the server has not confirmed, and the state on which they were made. */
export type Pending = { baseRevision: number; inFlight: ChangeSet | null; queue: Change[] }
type Answer = { revision: number; missed: SavedChanges[]; conflicts: DraftConflict[] }

export type DraftPorts = {
  /** Who works here: what they do in another window is no news to them. */
  me: string
  send: (baseRevision: number, set: ChangeSet) => Promise<Answer>
  /** What an error means for the changes: try again later, sign in first, or never. */
  judge: (error: unknown) => { state: 'offline' | 'failed' | 'signed-out' | 'refused'; words: string }
  keep: (pending: Pending | null) => void
  /** Tells the server that a clash has been decided. */
  settled: (target: string) => void
  newId: NewId
  now: () => number
  later: (work: () => void, ms: number) => () => void
}

type Entry = { inverses: Change[]; last: Change | null; at: number; outside?: Outside }
/** Something done beside the text (folder, owner, another guide), undone by a call of its own but in the same row of steps. */
export type Outside = { undo: () => unknown; redo: () => unknown }
export type DraftView = {
  document: GuideDocument
  revision: number
  save: SaveState
  savedAt: number | null
  words: string
  /** What was not done, because a limit would have been broken; stands until something else is done. */
  said: string
  conflicts: readonly DraftConflict[]
  canUndo: boolean
  canRedo: boolean
  /** Who changed something while one was here, and when, newest last. */
  others: readonly { name: string; at: number }[]
}

const SAVE_AFTER_MS = 700
const JOIN_WITHIN_MS = 1_500
const RETRY_MS = [2_000, 4_000, 8_000, 15_000]
const MOST_UNDO = 500
/** What was done in a long time without a network is sent in several sets. */
const MOST_AT_ONCE = 500

/** One person's work on one draft: what they see, what is still to be saved, what can be undone. Knows nothing of screens or
 * networks; what it needs of them comes through its ports. */
export class DraftSession {
  private base: GuideDocument
  private document: GuideDocument
  private revision: number
  private queue: Change[] = []
  private inFlight: ChangeSet | null = null
  private undone: Entry[] = []
  private done: Entry[] = []
  private conflicts: DraftConflict[] = []
  private others: { name: string; at: number }[] = []
  private save: SaveState = 'saved'
  private savedAt: number | null = null
  private words = ''
  private said = ''
  private tries = 0
  private cancelTimer: (() => void) | null = null
  private readonly listeners = new Set<() => void>()
  private shown: DraftView

  constructor(
    document: GuideDocument,
    revision: number,
    private readonly ports: DraftPorts,
  ) {
    this.base = document
    this.document = document
    this.revision = revision
    this.shown = this.view()
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  readonly snapshot = (): DraftView => this.shown

  /** Makes changes that one person makes in one go. Where one of them would break a limit, none is made, and it is said. */
  change(...changes: Change[]): void {
    const result = applyAll(changes, this.document)
    if (result.limit) return this.say(GUIDE_LIMITS[result.limit].words)
    const applied = changes.filter((change) => !result.refused.includes(change))
    if (applied.length === 0) return
    this.remember(applied, result.inverses)
    this.undone = []
    this.take(applied, result.document)
  }
  /** Puts something that was done beside the text into the row of what can be undone, together with changes made in the same go. */
  doneOutside(outside: Outside, ...changes: Change[]): void {
    const result = applyAll(changes, this.document)
    const applied = changes.filter((change) => !result.refused.includes(change))
    this.done.push({ inverses: result.inverses, last: null, at: 0, outside })
    this.undone = []
    if (applied.length > 0) this.take(applied, result.document)
    else this.emit()
  }
  undo(): void {
    this.step(this.done, this.undone, 'undo')
  }
  redo(): void {
    this.step(this.undone, this.done, 'redo')
  }

  /** Sends what waits, now. */
  flush(): void {
    this.unplan()
    if (this.inFlight || this.queue.length === 0) return
    this.inFlight = { id: this.ports.newId(), changes: this.queue.slice(0, MOST_AT_ONCE) }
    this.queue = this.queue.slice(MOST_AT_ONCE)
    this.keep()
    void this.post()
  }
  /** Tries again after the network came back or somebody signed in again. */
  retry(): void {
    this.unplan()
    if (this.inFlight) void this.post()
    else this.flush()
  }
  get idle(): boolean {
    return this.inFlight === null
  }

  /** Takes in what others saved. */
  receive(revision: number, saved: readonly SavedChanges[]): void {
    if (this.inFlight || revision <= this.revision) return
    this.moveOn(
      revision,
      saved.flatMap((each) => each.changes),
      this.base,
      saved,
    )
    // What waited here may have clashed and been handed back: then nothing is left to be saved.
    if (this.queue.length === 0 && this.save === 'unsaved') this.save = 'saved'
    this.keep()
    this.emit()
  }
  /** Goes on with changes that an earlier page could not save. */
  adopt(answer: { conflicts: DraftConflict[] }, queue: readonly Change[], since: readonly SavedChanges[]): void {
    const result = rebase(
      queue,
      since.flatMap((each) => each.changes),
      this.document,
    )
    this.addConflicts([...answer.conflicts, ...result.conflicts.map((conflict) => this.asDraftConflict(conflict, since))])
    if (result.applied.length > 0) this.change(...result.applied)
    else this.emit()
  }

  /** Settles a conflict: one's own version, the other one, or one's own as a step of its own after it. */
  settle(conflict: DraftConflict, choice: 'mine' | 'theirs' | 'both'): void {
    const { limit } = choice === 'mine' ? applyAll([conflict.mine], this.document) : { limit: null }
    if (limit) return this.say(GUIDE_LIMITS[limit].words)
    this.conflicts = this.conflicts.filter((each) => each !== conflict)
    this.ports.settled(conflict.target)
    if (choice === 'theirs') return this.emit()
    const { mine, theirs } = conflict
    const body = mine.type === 'set-step' ? mine.fields.body : undefined
    if (mine.type === 'set-step' && body && (choice === 'both' || theirs === null)) {
      const after = theirs === null ? (this.document.items.at(-1)?.id ?? null) : mine.stepId
      this.change({
        type: 'insert-item',
        item: { kind: 'step', id: this.ports.newId<typeof mine.stepId>(), body, pictures: [], copiedFrom: mine.stepId },
        after,
      })
    } else if (theirs === null && mine.type === 'set-section-title') {
      this.change({
        type: 'insert-item',
        item: { kind: 'section', id: this.ports.newId<typeof mine.sectionId>(), title: mine.title },
        after: this.document.items.at(-1)?.id ?? null,
      })
    } else this.change(mine)
    this.emit()
  }

  private step(from: Entry[], to: Entry[], way: 'undo' | 'redo'): void {
    const entry = from.pop()
    if (!entry) return
    this.followOutside(entry.outside?.[way]())
    const result = applyAll(entry.inverses, this.document)
    const applied = entry.inverses.filter((change) => !result.refused.includes(change))
    if (result.refused.length > 0) this.words = 'Part of this cannot be undone: somebody else has removed it, or a blackout was applied.'
    if (applied.length > 0 || entry.outside)
      to.push({ inverses: result.inverses, last: entry.last, at: 0, ...(entry.outside ? { outside: entry.outside } : {}) })
    if (applied.length > 0) this.take(applied, result.document)
    else this.emit()
  }

  /** What happens in another guide may fail; then it is told, as it is of no use to guess. */
  private followOutside(done: unknown): void {
    Promise.resolve(done).catch((error: unknown) => {
      const { words } = this.ports.judge(error)
      this.words = `In the other guide it could not be done: ${words || 'the server cannot be reached.'} Look there.`
      this.emit()
    })
  }

  private say(words: string): void {
    this.said = words
    this.emit()
  }

  private remember(changes: readonly Change[], inverses: Change[]): void {
    const last = this.done.at(-1)
    const now = this.ports.now()
    const joins =
      changes.length === 1 &&
      last !== undefined &&
      last.last !== null &&
      now - last.at < JOIN_WITHIN_MS &&
      last.inverses.length === 1 &&
      joinPair(last.last, nth(changes, 0)) !== null
    if (joins) Object.assign(last, { at: now, last: nth(changes, 0) })
    else this.done.push({ inverses, last: changes.at(-1)!, at: now })
    if (this.done.length > MOST_UNDO) this.done.shift()
  }

  private take(changes: readonly Change[], document: GuideDocument): void {
    this.document = document
    this.said = ''
    this.queue = joinChanges([...this.queue, ...changes])
    if (this.save === 'saved' || this.save === 'saving') {
      this.save = 'unsaved'
      this.words = ''
    }
    this.keep()
    if (!this.inFlight) this.plan(() => this.flush(), SAVE_AFTER_MS)
    this.emit()
  }

  private async post(): Promise<void> {
    const set = this.inFlight
    if (!set) return
    if (this.save !== 'offline' && this.save !== 'failed') this.save = 'saving'
    this.emit()
    try {
      const answer = await this.ports.send(this.revision, set)
      this.tries = 0
      this.words = ''
      const missed = answer.missed.flatMap((each) => each.changes)
      // Ours is the one revision that is not among what was missed. When an answer was lost, others have gone on after it.
      const numbers = new Set(answer.missed.map((each) => each.revision))
      let own = this.revision + 1
      while (numbers.has(own)) own++
      const earlier = answer.missed.flatMap((each) => (each.revision < own ? each.changes : []))
      const later = answer.missed.flatMap((each) => (each.revision > own ? each.changes : []))
      // The server brings our changes onto its state by the same rules, so its new state can be known without asking for it.
      const landed = rebase(set.changes, earlier, applyAll(earlier, this.base).document)
      const atServer = applyAll(later, landed.document)
      this.inFlight = null
      this.savedAt = this.ports.now()
      this.save = 'saved'
      this.addConflicts(answer.conflicts)
      this.moveOn(answer.revision, missed, atServer.document, answer.missed, true)
    } catch (error) {
      const { state, words } = this.ports.judge(error)
      this.save = state
      this.words = words
      if (state !== 'refused') this.plan(() => this.retry(), nth(RETRY_MS, Math.min(this.tries++, RETRY_MS.length - 1)))
    }
    this.keep()
    this.emit()
    if (this.save === 'saved' && this.queue.length > 0) {
      this.save = 'unsaved'
      this.plan(() => this.flush(), 0)
    }
  }

  /** One thing at a time is planned; what is planned already comes first. */
  private plan(work: () => void, ms: number): void {
    this.cancelTimer ??= this.ports.later(() => {
      this.cancelTimer = null
      work()
    }, ms)
  }
  private unplan(): void {
    this.cancelTimer?.()
    this.cancelTimer = null
  }

  /** Puts the confirmed state forward and one's own waiting changes back on top of it. */
  private moveOn(
    revision: number,
    theirs: readonly Change[],
    base: GuideDocument,
    saved: readonly SavedChanges[],
    baseIsNew = false,
  ): void {
    this.base = baseIsNew ? base : applyAll(theirs, base).document
    this.revision = revision
    const mine = rebase(this.queue, theirs, this.base)
    this.queue = mine.applied
    this.document = mine.document
    this.addConflicts(mine.conflicts.map((conflict) => this.asDraftConflict(conflict, saved)))
    const now = this.ports.now()
    this.others = [
      ...this.others,
      ...saved.filter((each) => each.changes.length > 0 && each.by.id !== this.ports.me).map((each) => ({ name: each.by.name, at: now })),
    ].slice(-5)
  }

  private asDraftConflict(conflict: Conflict, saved: readonly SavedChanges[]): DraftConflict {
    return { ...conflict, theirs: theirsIn(this.base)(conflict.target), by: saved.at(-1)?.by ?? null }
  }
  private addConflicts(conflicts: readonly DraftConflict[]): void {
    const targets = new Set(conflicts.map((conflict) => conflict.target))
    this.conflicts = [...this.conflicts.filter((each) => !targets.has(each.target)), ...conflicts]
  }
  private keep(): void {
    const nothing = this.inFlight === null && this.queue.length === 0
    this.ports.keep(nothing ? null : { baseRevision: this.revision, inFlight: this.inFlight, queue: this.queue })
  }
  private view(): DraftView {
    return {
      document: this.document,
      revision: this.revision,
      save: this.save,
      savedAt: this.savedAt,
      words: this.words,
      said: this.said,
      conflicts: this.conflicts,
      canUndo: this.done.length > 0,
      canRedo: this.undone.length > 0,
      others: this.others,
    }
  }
  private emit(): void {
    this.shown = this.view()
    this.listeners.forEach((listener) => listener())
  }
}
