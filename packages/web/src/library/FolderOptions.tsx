import type { Folder } from '@jackdaw/contracts/library'
import { flattened, folderTree } from '@jackdaw/core/library'

const INDENT = '\u00a0'.repeat(3)

/** The folders as choices of a list, each set in under the one that holds it. */
export function FolderOptions({ folders, fits = () => true }: { folders: readonly Folder[]; fits?: (folder: Folder) => boolean }) {
  return flattened(folderTree(folders, (a, b) => a.localeCompare(b)))
    .filter(fits)
    .map((folder) => (
      <option key={folder.id} value={folder.id}>
        {INDENT.repeat(folder.depth)}
        {folder.name}
      </option>
    ))
}
