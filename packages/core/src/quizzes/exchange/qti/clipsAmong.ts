import type { ClipKind } from '../../../clips'
import { attributeOf, childrenOf, wordsIn, type QtiNode } from './nodes'

/** Sound or video as a file of the package names it. */
type ClipRef = { path: string; kind: ClipKind; title: string }

/** What an element plays: in QTI 2 an `object` of such a type, in QTI 3 `audio` and `video`. */
function playedBy(node: QtiNode): ClipRef | null {
  const [, media = ''] = /^(audio|video)\//.exec(attributeOf(node, 'type')) ?? []
  const kindOf = (name: string): ClipKind => (name === 'audio' ? 'sound' : 'video')
  if (node.name === 'object' && media !== '') return { path: attributeOf(node, 'data'), kind: kindOf(media), title: wordsIn(node) }
  if (node.name !== 'audio' && node.name !== 'video') return null
  const path = attributeOf(node, 'src') || attributeOf(childrenOf(node, 'source')[0] ?? node, 'src')
  return { path, kind: kindOf(node.name), title: attributeOf(node, 'title') || attributeOf(node, 'aria-label') || wordsIn(node) }
}

/** The clips among nodes, and the nodes without them. */
export function clipsAmong(all: readonly QtiNode[]): { nodes: QtiNode[]; clips: ClipRef[] } {
  const clips: ClipRef[] = []
  const without = (nodes: readonly QtiNode[]): QtiNode[] =>
    nodes.flatMap((node): QtiNode[] => {
      const played = playedBy(node)
      if (played) {
        if (played.path !== '') clips.push(played)
        return []
      }
      return [node.children ? { ...node, children: without(node.children) } : node]
    })
  return { nodes: without(all), clips }
}
