export { AnswerButtons } from './AnswerButtons'
export { HandInList } from './HandInList'
export { useHandIns } from './queries'
