export { addressOf, ApiProblem, call, setSession, Unreachable, wordsFor } from './call'
export { queryClient } from './queryClient'
