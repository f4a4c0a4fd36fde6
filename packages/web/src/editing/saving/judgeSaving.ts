import { ApiProblem, Unreachable } from '../../api'
import type { DraftPorts } from './draftSession'

/** What an error on saving means for the changes. A server that fails is told as such: it was reached, and something is wrong there. */
export const judgeSaving: DraftPorts['judge'] = (error) => {
  if (error instanceof Unreachable) return { state: 'offline', words: '' }
  if (!(error instanceof ApiProblem)) return { state: 'refused', words: error instanceof Error ? error.message : String(error) }
  if (error.problem.status === 401) return { state: 'signed-out', words: '' }
  if (error.problem.status === 429 || error.problem.status === 503) return { state: 'offline', words: '' }
  if (error.problem.status >= 500) return { state: 'failed', words: error.problem.detail ?? error.problem.title }
  return { state: 'refused', words: `${error.problem.title}. ${error.problem.detail ?? ''}` }
}
