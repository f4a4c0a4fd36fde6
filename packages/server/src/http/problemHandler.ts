import { PROBLEMS, type Problem, type ProblemCode } from '@jackdaw/contracts/problems'
import type { ErrorRequestHandler, RequestHandler, Response } from 'express'
import type { Logger } from 'pino'
import { fail, Refused, said } from './fail'

/** Writes a problem as `application/problem+json`. */
function sendProblem(res: Response, code: ProblemCode, refused?: Refused): void {
  const { status, title } = PROBLEMS[code]
  // What was said of the file that is not sent does not hold for the problem.
  for (const header of ['Content-Encoding', 'ETag', 'Last-Modified', 'Accept-Ranges']) res.removeHeader(header)
  if (res.getHeader('Cache-Control') !== undefined) res.setHeader('Cache-Control', 'no-store')
  const problem: Problem = {
    type: `urn:jackdaw:problem:${code}`,
    code,
    title,
    status,
    ...(refused?.said === undefined ? {} : { detail: refused.message }),
    ...(typeof refused?.said === 'object' ? { words: refused.said.words, into: refused.said.into } : {}),
    ...(refused && refused.errors.length > 0 ? { errors: [...refused.errors] } : {}),
    ...(refused?.retryAfterS !== undefined ? { retryAfterS: refused.retryAfterS } : {}),
  }
  if (refused?.retryAfterS !== undefined) res.setHeader('Retry-After', String(refused.retryAfterS))
  res.status(status).type('application/problem+json').send(JSON.stringify(problem))
}

/** Errors of Express's own readers of bodies and files, as problems. */
function fromExpress(error: { type?: string; status?: number; limit?: number }): Refused | null {
  switch (error.type) {
    case 'entity.too.large':
      return new Refused(
        'too-large',
        said('At most {{most}} kB are taken at this address.', { most: Math.floor((error.limit ?? 0) / 1024) }),
      )
    case 'entity.parse.failed':
      return new Refused('bad-request', 'The body is not JSON.')
    case 'encoding.unsupported':
    case 'charset.unsupported':
      return new Refused('wrong-type', 'The encoding of the body is not supported.')
    case 'request.aborted':
    case 'request.size.invalid':
      return new Refused('bad-request', 'The body did not arrive whole.')
    default:
      return byStatus(error.status)
  }
}

/** What Express's own parts refuse by a number alone. */
function byStatus(status: number | undefined): Refused | null {
  if (status === undefined || status < 400 || status >= 500) return null
  if (status === 404 || status === 403) return new Refused('not-found')
  if (status === 405) return new Refused('wrong-method')
  if (status === 412) return new Refused('precondition-failed')
  if (status === 416) return new Refused('no-such-range')
  return new Refused('bad-request')
}

/** The one place in which errors become answers. */
export const problemHandler =
  (log: Logger): ErrorRequestHandler =>
  (error, req, res, next) => {
    if (res.headersSent) return next(error)
    const refused = error instanceof Refused ? error : fromExpress(error)
    if (refused) return sendProblem(res, refused.code, refused)
    log.error(
      {
        err: { name: error.name, message: error.message, stack: error.stack },
        requestId: res.locals.requestId,
      },
      'request failed',
    )
    sendProblem(
      res,
      'internal',
      new Refused(
        'internal',
        said('Nothing was lost on this page. Try again; if it stays, tell your administrator the number {{number}}.', {
          number: String(res.locals.requestId),
        }),
      ),
    )
  }

export const nothingHere: RequestHandler = () => fail('not-found')
