export { beginning } from './domain'
export { offerSetUp } from './setUp'
