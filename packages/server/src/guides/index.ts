export { guideRoutes } from './routes'
export { freezeEdition } from './freezeEdition'
export { saveDraftChanges } from './saveChanges'
export { findDraft, findEdition, findFacts, insertGuide, listEditions } from './store'
