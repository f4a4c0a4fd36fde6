import { addressOf, type Endpoint, type ParamsOf, type QueryOf } from '@jackdaw/contracts/endpoint'
import { FIRST_ANSWERS } from '@jackdaw/contracts/endpoint'
import type { Request, Response } from 'express'
import { Refused } from './fail'
import type { Routes } from './route'

/** A read whose answer goes along with a page, as the page itself would ask for it. `params`: of the page's own address.
 * With a `query` it goes only with the page as it is opened first, without anything in its address: what the address says would change it. */
export type FirstRead = { endpoint: Endpoint; params?: (ofPage: Record<string, string>) => Record<string, string>; query?: object }

/** Declares a read, checked against what its endpoint takes. */
export const firstRead = <E extends Endpoint>(
  endpoint: E,
  given: { params?: (ofPage: Record<string, string>) => { [K in keyof ParamsOf<E>]: string }; query?: QueryOf<E> } = {},
): FirstRead => ({ endpoint, ...given }) as FirstRead

/** One read within the request for a page; `null` when it was refused: the page then asks itself, and says why. */
async function answerOf(routes: Routes, first: FirstRead, req: Request, res: Response): Promise<readonly [string, string] | null> {
  const params = first.params?.(req.params as Record<string, string>)
  const ask = routes.readings.get(first.endpoint)
  if (!ask) throw new Error(`${first.endpoint.path} is not read by anybody`)
  try {
    return [
      addressOf(first.endpoint, params, first.query as Record<string, unknown>),
      await ask(params ?? {}, first.query ?? {}, { req, res }),
    ]
  } catch (error) {
    if (error instanceof Refused) return null
    routes.parts.log.warn(
      {
        err: { name: (error as Error).name, message: (error as Error).message },
        address: first.endpoint.path,
        requestId: res.locals.requestId,
      },
      'a first answer did not come about',
    )
    return null
  }
}

/** What a page needs to be drawn at once: JSON, answers by their addresses. */
export async function firstAnswersFor(routes: Routes, reads: readonly FirstRead[], req: Request, res: Response): Promise<string> {
  const plain = Object.keys(req.query).length === 0
  const asked = reads.filter((read) => plain || read.query === undefined)
  const answers = await Promise.all(asked.map((read) => answerOf(routes, read, req, res)))
  return `{${answers.flatMap((answer) => (answer ? [`${JSON.stringify(answer[0])}:${answer[1]}`] : [])).join(',')}}`
}

/** The element of a page from which its first answers are read. JSON within HTML: no `<` stands in it. */
export const answersElement = (json: string): string =>
  `<script type="application/json" id="${FIRST_ANSWERS}">${json.replaceAll('<', '\\u003c')}</script>`
