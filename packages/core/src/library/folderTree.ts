/** A folder as a row: its parent is `null` at the top. */
export type FolderRow = { id: string; parentId: string | null; name: string }
/** A folder in the tree; `depth` is 0 at the top. */
export type FolderNode<T extends FolderRow = FolderRow> = T & { depth: number; children: FolderNode<T>[] }

/** The tree of folders, siblings in the order of their names. A folder whose parent is not in the list stands at the top.
 * @param compare order of names, from the language of the person */
export function folderTree<T extends FolderRow>(rows: readonly T[], compare: (a: string, b: string) => number): FolderNode<T>[] {
  const known = new Set(rows.map((row) => row.id))
  const build = (parentId: string | null, depth: number): FolderNode<T>[] =>
    rows
      .filter((row) => (row.parentId !== null && known.has(row.parentId) ? row.parentId : null) === parentId)
      .sort((a, b) => compare(a.name, b.name))
      .map((row) => ({ ...row, depth, children: build(row.id, depth + 1) }))
  return build(null, 0)
}

/** The tree as a list, each folder before what it holds. */
export const flattened = <T extends FolderRow>(nodes: readonly FolderNode<T>[]): FolderNode<T>[] =>
  nodes.flatMap((node) => [node, ...flattened(node.children)])

/** Whether a folder may be moved under another: never under itself or what it holds. */
export function mayMoveUnder(rows: readonly FolderRow[], folderId: string, parentId: string | null): boolean {
  const parents = new Map(rows.map((row) => [row.id, row.parentId]))
  for (let at = parentId, hops = 0; at !== null && hops <= rows.length; at = parents.get(at) ?? null, hops++)
    if (at === folderId) return false
  return true
}
