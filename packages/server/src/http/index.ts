export { buildApp } from './app'
export type { Framed } from './app'
export type {
  AudienceFollower,
  BlackoutFollower,
  Caller,
  Context,
  HandOver,
  Parts,
  PeopleChange,
  PeopleFollower,
  RelationFinders,
} from './context'
export { fail, failField, Refused, said } from './fail'
export { firstRead } from './firstAnswers'
export type { FirstRead } from './firstAnswers'
export { healthRoutes } from './health'
export { othersFirst } from './othersFirst'
export { newRoutes, route } from './route'
export type { AnswerOf, Routes } from './route'
export { newCsrfToken } from './session'
export { StoredJson } from './storedJson'
