import { useSearchParams } from 'react-router'
import type * as z from 'zod/mini'

/** What may stand in the address of a page: for each name the schema of its text. */
type SearchShape = Record<string, z.ZodMiniType<string>>
type SearchOf<S extends SearchShape> = { [K in keyof S]: z.output<S[K]> | undefined }

/** What an address says, part by part: what is not there, or is not what its schema takes, is `undefined`. */
export const searchIn = <S extends SearchShape>(shape: S, params: URLSearchParams): SearchOf<S> =>
  Object.fromEntries(
    Object.entries(shape).map(([name, schema]) => {
      const text = params.get(name)
      return [name, text === null ? undefined : schema.safeParse(text).data]
    }),
  ) as SearchOf<S>

/** What a list shows, kept in the address: filters, order and page, so that a link or the back button brings the same view.
 * @param shape what the page understands; `set` knows only these names, and leads back to the first page unless it names one */
export function useSearch<S extends SearchShape>(
  shape: S,
): {
  search: SearchOf<S>
  page: number
  /** @param replace in place of the entry of the history, as while somebody types */
  set: (more: { [K in keyof S]?: string | undefined } & { page?: string }, replace?: boolean) => void
  clear: () => void
} {
  const [params, setParams] = useSearchParams()
  const page = Math.max(1, Math.floor(Number(params.get('page') ?? 1)) || 1)
  const set = (more: Record<string, string | undefined>, replace = false) => {
    const next = new URLSearchParams(params)
    next.delete('page')
    for (const [key, value] of Object.entries(more)) {
      if (value) next.set(key, value)
      else next.delete(key)
    }
    setParams(next, { preventScrollReset: true, replace })
  }
  return { search: searchIn(shape, params), page, set, clear: () => setParams({}) }
}
