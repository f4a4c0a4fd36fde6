import { keysOf, sameValue } from '../../shared'
import type { GuideDocument, GuideItem } from '../document'
import { factOf, GUIDE_FACTS, type FactName } from '../guideFacts'
import { GUIDE_LIMITS } from '../limits'
import { amountsIn, grownOver } from '../tooMuch'
import { applyToItem, type ItemChange } from './applyToItem'
import { itemOf } from './changeKinds'
import type { Change, ChangeOf } from './changes'
import { overLimit, refuse, type Done, type Refusal } from './refusal'

type Node = { item: GuideItem; before: Node | null; behind: Node | null }
type Head = Omit<GuideDocument, 'items' | 'silenced'>
/** What a change touches: a step or section, the facts, or a finding. For {@link WorkingCopy.restore}. */
export type Touched = { of: 'item'; item: GuideItem | undefined } | { of: 'head'; head: Head } | { of: 'finding'; silenced: boolean }

/** Facts that documents may lack. */
const OPTIONAL: ReadonlySet<FactName> = new Set(['closing', 'system'])

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
      ...this.head,
      silenced: this.silencedIsNew ? [...this.silenced].sort() : this.was.silenced,
      items: this.itemsAreNew ? items : this.was.items,
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
    return { of: 'item', item: this.item(itemOf(change)) }
  }
  /** Puts back what a change inside of one item, of the facts or of a finding had touched. */
  restore(change: Change, touched: Touched): void {
    if (touched.of === 'head') this.head = touched.head
    else if (touched.of === 'item' && touched.item) this.replace(touched.item)
    else if (touched.of === 'finding' && change.type === 'silence') this.setSilenced(change.finding, touched.silenced)
  }

  private setFacts(change: ChangeOf<'set-facts'>): Done | Refusal {
    const names = keysOf(change.facts).filter((fact) => change.facts[fact] !== undefined)
    const over = grownOver({ signs: this.head.signs.length }, { signs: change.facts.signs?.length ?? 0 })
    if (over) return overLimit(over)
    const next: Record<string, unknown> = { ...this.head }
    for (const fact of names) {
      if (OPTIONAL.has(fact) && sameValue(change.facts[fact], GUIDE_FACTS[fact].empty)) delete next[fact]
      else next[fact] = change.facts[fact]
    }
    const was = Object.fromEntries(names.map((fact) => [fact, factOf(this.head, fact)]))
    this.head = next as Head
    return { ok: true, inverse: { type: 'set-facts', facts: was } }
  }
  private silence(change: ChangeOf<'silence'>): Done | Refusal {
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
  private insert({ item, after }: ChangeOf<'insert-item'>): Done | Refusal {
    if (this.nodes.has(item.id)) return refuse('item-exists')
    if (this.nodes.size >= GUIDE_LIMITS.items.most) return overLimit('items')
    const over = grownOver({}, amountsIn(item))
    if (over) return overLimit(over)
    this.put(item, this.anchor(after))
    return { ok: true, inverse: { type: 'remove-item', itemId: item.id } }
  }
  private removeOrMove(change: ChangeOf<'remove-item' | 'move-item'>): Done | Refusal {
    const node = this.nodes.get(change.itemId)
    if (!node) return refuse('item-missing')
    const { item } = node
    const was = node.before?.item.id ?? null
    this.take(node)
    if (change.type === 'remove-item') return { ok: true, inverse: { type: 'insert-item', item, after: was } }
    this.put(item, this.anchor(change.after === item.id ? was : change.after))
    return { ok: true, inverse: { type: 'move-item', itemId: item.id, after: was } }
  }

  private inItem(change: ItemChange): Done | Refusal {
    const item = this.item(itemOf(change))
    if (!item) return refuse('item-missing')
    const done = applyToItem(item, change)
    if ('ok' in done) return done
    const over = grownOver(amountsIn(item), amountsIn(done.item))
    if (over) return overLimit(over)
    this.replace(done.item)
    return { ok: true, inverse: done.inverse }
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
