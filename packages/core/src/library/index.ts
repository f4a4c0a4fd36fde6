export { flattened, folderTree, mayMoveUnder } from './folderTree'
export type { FolderNode, FolderRow } from './folderTree'
