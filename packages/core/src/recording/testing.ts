import { seededIds } from '../shared'
import type { ActionId, ElementSeen, PageSeen, RawAction, ShotId } from './rawAction'

const nextId = seededIds(11)
let at = 1_760_000_000_000

/** A page of an application, for tests. */
export const aPage = (address = 'https://book.example/orders', more: Partial<PageSeen> = {}): PageSeen => ({
  address,
  title: 'Order Book',
  heading: 'Orders',
  application: 'Order Book',
  language: 'en',
  ...more,
})

/** An element with a unique name, for tests. */
export const anElement = (role: string, name: string, more: Partial<ElementSeen> = {}): ElementSeen => ({
  tag: role === 'link' ? 'a' : role === 'textbox' ? 'input' : role === 'checkbox' ? 'input' : role === 'combobox' ? 'select' : 'button',
  role,
  name,
  text: '',
  rect: { x: 100, y: 100, width: 120, height: 32 },
  frame: [],
  inShadow: false,
  around: [],
  locators: [
    { kind: 'role-name', value: `${role} "${name}"`, weight: 0.85, unique: true },
    { kind: 'css', value: `#${role}-${name}`, weight: 0.5, unique: true },
  ],
  ...more,
})

/** A raw action, each a second after the one before, with a certain picture; for tests. */
export function anAction(kind: RawAction['kind'], element?: ElementSeen, more: Partial<RawAction> = {}): RawAction {
  at += 1_000
  return {
    id: nextId() as ActionId,
    kind,
    at,
    tab: 0,
    page: aPage(),
    ...(element ? { element } : {}),
    scroll: { x: 0, y: 0 },
    window: { width: 1280, height: 800 },
    devicePixelRatio: 1,
    shot: { id: nextId() as ShotId, widthPx: 1280, heightPx: 800, source: 'ahead', certain: true },
    ...more,
  }
}
