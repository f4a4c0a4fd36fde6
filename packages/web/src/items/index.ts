export { editOf, namedItem, partsSeenOf, recordOfPerson, recordsOf } from './itemPages'
export { PlanTabs } from './PlanTabs'
export { FindItems } from './FindItems'
export { FavouriteMark, useFavourite } from './FavouriteMark'
