import { QueryClient } from '@tanstack/react-query'
import { ApiProblem } from './call'

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      networkMode: 'always',
      retry: (count, error) => !(error instanceof ApiProblem && error.problem.status < 500) && count < 2,
      retryDelay: (n) => 600 * 2 ** n,
    },
    mutations: { networkMode: 'always' },
  },
})
