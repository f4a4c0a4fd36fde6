export { editOf, namedItem, partsSeenOf, recordOfPerson, recordsOf } from './itemPages'
export { PlanTabs } from './PlanTabs'
export { FavouriteMark, useFavourite } from './FavouriteMark'
