export { guides } from './domain'
export { relationsToGuide } from './relationsToGuide'
export { freezeEdition } from './freezeEdition'
export { saveDraftChanges } from './saveChanges'
export {
  draftTextOf,
  findDraft,
  amendedAt,
  documentToSend,
  findEdition,
  findFacts,
  insertGuide,
  listEditions,
  MAX_DOCUMENT_CHARS,
} from './store'
export { findLook, writeLook } from './look'
