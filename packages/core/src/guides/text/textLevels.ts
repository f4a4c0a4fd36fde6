/** How deep blocks may lie in one another, in nodes: a list and its entry, or a table with its row and cell, are nodes of their own. */
export const MAX_TEXT_LEVELS = 80

type Nested = { content?: readonly unknown[] | undefined }
/** How deep the blocks of a text lie in one another, in nodes; 1 for plain paragraphs, 0 for an empty text. Text nodes do not count. */
export function textLevels(text: Nested): number {
  const open: [Nested, number][] = [[text, 0]]
  let levels = 0
  for (let next = open.pop(); next; next = open.pop()) {
    levels = Math.max(levels, next[1])
    for (const each of next[0].content ?? [])
      if (typeof each === 'object' && each !== null && 'content' in each) open.push([each as Nested, next[1] + 1])
  }
  return levels
}
