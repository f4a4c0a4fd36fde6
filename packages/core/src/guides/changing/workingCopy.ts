import { applyToStep } from './applyToStep'
import type { Change } from './changes'
import type { GuideDocument, GuideItem } from '../document'
import { GUIDE_LIMITS, type Limit } from '../limits'
import { amountsIn, grownOver } from '../tooMuch'

/** Why a change cannot be carried out on a document. */
export type Refusal =
  | {
      ok: false
      reason:
        | 'item-missing'
        | 'item-exists'
        | 'picture-missing'
        | 'picture-exists'
        | 'annotation-missing'
        | 'no-sheet'
        | 'not-a-step'
        | 'not-a-section'
    }
  /** There would be more of something than a guide may hold. */
  | { ok: false; reason: 'over-limit'; limit: Limit }
/** A change that was carried out, by the change that undoes it. */
export type Done = { ok: true; inverse: Change }

type Node = { item: GuideItem; before: Node | null; behind: Node | null }
type Head = Omit<GuideDocument, 'items' | 'silenced'>
/** What a change touches: a step or section, the facts, or a finding. For {@link WorkingCopy.restore}. */
export type Touched = { of: 'item'; item: GuideItem | undefined } | { of: 'head'; head: Head } | { of: 'finding'; silenced: boolean }

const refuse = (reason: Exclude<Refusal['reason'], 'over-limit'>): Refusal => ({ ok: false, reason })
const overLimit = (limit: Limit): Refusal => ({ ok: false, reason: 'over-limit', limit })

/** A document on which many changes are carried out one after the other. Each takes a time that depends on what it changes, not on the
 * size of the document. The document from which it was made stays as it is. */
export class WorkingCopy {
  private head: Head
  private readonly nodes = new Map<string, Node>()
  private first: Node | null = null
  private last: Node | null = null
  private readonly silenced: Set<string>
  private itemsAreNew = false
  private silencedIsNew = false

  constructor(private readonly was: GuideDocument) {
    const { items, silenced, ...head } = was
    this.head = head
    this.silenced = new Set(silenced)
    for (const item of items) this.put(item, this.last)
    this.itemsAreNew = false
  }

  /** A step or section; `undefined` when there is none. */
  item(id: string | null): GuideItem | undefined {
    return id === null ? undefined : this.nodes.get(id)?.item
  }

  /** The document as it is now; what has not changed is the very same value as before. */
  document(): GuideDocument {
    const items: GuideItem[] = []
    if (this.itemsAreNew) for (let node = this.first; node; node = node.behind) items.push(node.item)
    return {
      ...this.was,
      ...this.head,
      ...(this.itemsAreNew ? { items } : {}),
      ...(this.silencedIsNew ? { silenced: [...this.silenced].sort() } : {}),
    }
  }

  /** Carries out one change.
   * @returns the change that undoes it, or why it cannot be done; an anchor that is gone means "at the end" */
  apply(change: Change): Done | Refusal {
    switch (change.type) {
      case 'set-facts':
        return this.setFacts(change)
      case 'silence':
        return this.silence(change)
      case 'insert-item':
        return this.insert(change)
      case 'remove-item':
      case 'move-item':
        return this.removeOrMove(change)
      default:
        return this.inItem(change)
    }
  }

  /** What a change would touch. Changes that insert, remove or move items touch more than that. */
  touchedBy(change: Change): Touched {
    if (change.type === 'silence') return { of: 'finding', silenced: this.silenced.has(change.finding) }
    if (change.type === 'set-facts') return { of: 'head', head: this.head }
    const id = 'stepId' in change ? change.stepId : 'sectionId' in change ? change.sectionId : 'itemId' in change ? change.itemId : null
    return { of: 'item', item: this.item(id) }
  }
  /** Puts back what a change inside of one item, of the facts or of a finding had touched. */
  restore(change: Change, touched: Touched): void {
    if (touched.of === 'head') this.head = touched.head
    else if (touched.of === 'item' && touched.item) this.replace(touched.item)
    else if (touched.of === 'finding' && change.type === 'silence') this.setSilenced(change.finding, touched.silenced)
  }

  private setFacts(change: Extract<Change, { type: 'set-facts' }>): Done | Refusal {
    const entries = Object.entries(change.facts).filter(([, value]) => value !== undefined)
    const was = Object.fromEntries(entries.map(([fact]) => [fact, this.head[fact as keyof typeof change.facts]]))
    const over = grownOver({ signs: this.head.signs.length }, { signs: change.facts.signs?.length ?? 0 })
    if (over) return overLimit(over)
    this.head = { ...this.head, ...Object.fromEntries(entries) }
    return { ok: true, inverse: { type: 'set-facts', facts: was } }
  }
  private silence(change: Extract<Change, { type: 'silence' }>): Done | Refusal {
    const was = this.silenced.has(change.finding)
    if (change.silenced && !was && this.silenced.size >= GUIDE_LIMITS.silenced.most) return overLimit('silenced')
    this.setSilenced(change.finding, change.silenced)
    return { ok: true, inverse: { ...change, silenced: was } }
  }
  private setSilenced(finding: string, silenced: boolean): void {
    if (silenced === this.silenced.has(finding)) return
    if (silenced) this.silenced.add(finding)
    else this.silenced.delete(finding)
    this.silencedIsNew = true
  }
  private insert({ item, after }: Extract<Change, { type: 'insert-item' }>): Done | Refusal {
    if (this.nodes.has(item.id)) return refuse('item-exists')
    if (this.nodes.size >= GUIDE_LIMITS.items.most) return overLimit('items')
    const over = grownOver({}, amountsIn(item))
    if (over) return overLimit(over)
    this.put(item, this.anchor(after))
    return { ok: true, inverse: { type: 'remove-item', itemId: item.id } }
  }
  private removeOrMove(change: Extract<Change, { type: 'remove-item' | 'move-item' }>): Done | Refusal {
    const node = this.nodes.get(change.itemId)
    if (!node) return refuse('item-missing')
    const { item } = node
    const was = node.before?.item.id ?? null
    this.take(node)
    if (change.type === 'remove-item') return { ok: true, inverse: { type: 'insert-item', item, after: was } }
    this.put(item, this.anchor(change.after === item.id ? was : change.after))
    return { ok: true, inverse: { type: 'move-item', itemId: item.id, after: was } }
  }

  private inItem(change: Exclude<Change, { type: 'set-facts' | 'silence' | 'insert-item' | 'remove-item' | 'move-item' }>): Done | Refusal {
    const id = 'stepId' in change ? change.stepId : 'sectionId' in change ? change.sectionId : change.itemId
    const item = this.item(id)
    if (!item) return refuse('item-missing')
    if (change.type === 'set-not-ready') {
      const { notReady = false, notReadyWhy = '', ...rest } = item
      const why = change.why?.trim() ? { notReadyWhy: change.why } : {}
      this.replace(change.notReady ? { ...rest, notReady: true, ...why } : rest)
      return { ok: true, inverse: { type: 'set-not-ready', itemId: change.itemId, notReady, ...(notReadyWhy ? { why: notReadyWhy } : {}) } }
    }
    if ('sectionId' in change) {
      if (item.kind !== 'section') return refuse('not-a-section')
      if (change.type === 'set-section-title') {
        this.replace({ ...item, title: change.title })
        return { ok: true, inverse: { ...change, title: item.title } }
      }
      const { optional = false, ...rest } = item
      this.replace(change.optional ? { ...rest, optional: true } : rest)
      return { ok: true, inverse: { ...change, optional } }
    }
    if (item.kind !== 'step') return refuse('not-a-step')
    const result = applyToStep(item, change)
    if ('ok' in result) return result
    const over = grownOver(amountsIn(item), amountsIn(result.step))
    if (over) return overLimit(over)
    this.replace(result.step)
    return { ok: true, inverse: result.inverse }
  }

  /** The place behind an item: `null` the front, the end when the item is gone. */
  private anchor(after: string | null): Node | null {
    return after === null ? null : (this.nodes.get(after) ?? this.last)
  }
  private put(item: GuideItem, before: Node | null): void {
    const behind = before ? before.behind : this.first
    const node: Node = { item, before, behind }
    if (before) before.behind = node
    else this.first = node
    if (behind) behind.before = node
    else this.last = node
    this.nodes.set(item.id, node)
    this.itemsAreNew = true
  }
  private take(node: Node): void {
    if (node.before) node.before.behind = node.behind
    else this.first = node.behind
    if (node.behind) node.behind.before = node.before
    else this.last = node.before
    this.nodes.delete(node.item.id)
    this.itemsAreNew = true
  }
  private replace(item: GuideItem): void {
    const node = this.nodes.get(item.id)
    if (!node || node.item === item) return
    node.item = item
    this.itemsAreNew = true
  }
}
