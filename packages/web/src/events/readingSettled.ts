import { addressOf, type Endpoint, type ParamsOf, type QueryOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import { call, firstAnswer, forgetAhead, type CallInput } from '../api'
import { settled } from './outbox'
import { eventsMayWait } from './waitMark'

/** How a query reads what follows from events: once those of this browser have reached the server. Where some may not have, what came along
 * with the page is old. */
export const readingSettled = <E extends Endpoint>(endpoint: E, input: Omit<CallInput<E>, 'signal' | 'body'>) => ({
  initialData: () => (eventsMayWait() ? undefined : firstAnswer(endpoint, input as { params?: ParamsOf<E>; query?: QueryOf<E> })),
  queryFn: async ({ signal }: { signal: AbortSignal }): Promise<ResponseOf<E>> => {
    if (eventsMayWait()) forgetAhead(addressOf(endpoint, input.params as Record<string, unknown>, input.query as Record<string, unknown>))
    await settled()
    return call(endpoint, { ...input, signal } as CallInput<E>)
  },
})
