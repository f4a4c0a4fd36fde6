export { importMarkdown, settlePictures } from './importMarkdown'
export type { DraftPicture, ImportedDraft } from './importMarkdown'
export type { NotPlaced } from './auditWords'
