export { editOf, namedItem, partsSeenOf, recordOfPerson, recordsOf } from './itemPages'
export { FavouriteMark, useFavourite } from './FavouriteMark'
