import { parseDocument } from 'htmlparser2'
import type { HtmlNode } from '../../../exchange'

/** An element or a run of words, as it was read. Names are those of QTI 2.1, whatever prefix a file gives them: `qti-choice-interaction` of QTI 3.0 is
 * `choiceInteraction` here. */
export type QtiNode = HtmlNode

const camel = (name: string): string => name.replace(/-([a-z])/g, (_, letter: string) => letter.toUpperCase())
/** The name of an element without prefix, and in one way of writing. */
function nameOf(given: string): string {
  const name = given.slice(given.indexOf(':') + 1)
  return name.startsWith('qti-') ? camel(name.slice(4)) : name
}
/** Deepest nesting that is read; items lie far below it. */
const MOST_LEVELS = 200

function named(node: QtiNode, level: number): QtiNode | null {
  if (level > MOST_LEVELS) return null
  if (node.name === undefined) return node
  const isQti = node.name.includes('qti-')
  const attribs = Object.entries(node.attribs ?? {}).map(([key, value]) => [isQti ? camel(key) : key, value] as const)
  const children: QtiNode[] = []
  for (const child of node.children ?? []) {
    const next = named(child, level + 1)
    if (next === null) return null
    children.push(next)
  }
  return { ...node, name: nameOf(node.name), attribs: Object.fromEntries(attribs), children }
}

/** Reads a file of XML. No entities are defined by it, and nothing is fetched.
 * @returns its root element; `null` when there is none, or elements lie too deep in one another */
export function readXml(text: string): QtiNode | null {
  const { children } = parseDocument(text, { xmlMode: true, decodeEntities: true }) as unknown as { children: QtiNode[] }
  const root = children.find(({ type }) => type === 'tag')
  return root ? named(root, 0) : null
}

/** The elements of a name directly in another one. */
export const childrenOf = (node: QtiNode | undefined, name: string): QtiNode[] =>
  (node?.children ?? []).filter((child) => child.name === name)
/** The first of them. */
export const childOf = (node: QtiNode | undefined, name: string): QtiNode | undefined => childrenOf(node, name)[0]
/** All elements below one of which something holds, in their order. */
export function elementsIn(node: QtiNode, holds: (name: string) => boolean): QtiNode[] {
  const found: QtiNode[] = []
  for (const child of node.children ?? []) {
    if (child.name !== undefined && holds(child.name)) found.push(child)
    found.push(...elementsIn(child, holds))
  }
  return found
}
/** The words in an element, in one line. */
export function wordsIn(node: QtiNode | undefined): string {
  const all = (each: QtiNode): string =>
    each.type === 'text' || each.type === 'cdata'
      ? (each.data ?? (each.children ?? []).map(all).join(''))
      : (each.children ?? []).map(all).join('')
  return node ? all(node).replace(/\s+/g, ' ').trim() : ''
}
/** An attribute, or `''`. */
export const attributeOf = (node: QtiNode | undefined, name: string): string => node?.attribs?.[name] ?? ''
