export { applications } from './domain'
export { connect } from './store'
