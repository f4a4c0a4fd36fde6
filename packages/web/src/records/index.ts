export { WaitingHere } from './WaitingHere'
