export { items } from './domain'
export { addEdition, findEdition, listEditions, revisionOfEdition } from './editions'
export type { EditionFacts } from './editions'
export { EDITION_PART, ITEM, ITEM_PROGRESS } from './model'
export { countAllPartsSeen, countPartsSeenBy, partsDone } from './progress'

export { relationsToItemSql } from './relationsToItem'
export type { RelationToItem } from './relationsToItem'
export { columnsOf, doneSql, rankParam, stateParams, stateRankSql } from './stateSql'
