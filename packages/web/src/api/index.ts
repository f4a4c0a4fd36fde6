export { addressOf, ApiProblem, call, setCsrf, Unreachable, wordsFor } from './call'
export { queryClient } from './queryClient'
