export { importMarkdown, settlePictures } from './importMarkdown'
export type { DraftPicture, ImportedDraft, ImportRefusal, ImportResult } from './importMarkdown'
export type { NotPlaced } from './auditWords'
