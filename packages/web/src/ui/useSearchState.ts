import { useSearchParams } from 'react-router'

/** An id in the address. Whether it is the id of anything the server says, when it is asked for it. */
export const idIn = <I extends string>(search: URLSearchParams, name: string): I | undefined =>
  (search.get(name) ?? undefined) as I | undefined

/** What a list shows, kept in the address: filters, order and page, so that a link or the back button brings the same view. */
export function useSearchState(): {
  search: URLSearchParams
  page: number
  set: (more: Record<string, string | undefined>) => void
  clear: () => void
} {
  const [search, setSearch] = useSearchParams()
  const page = Math.max(1, Math.floor(Number(search.get('page') ?? 1)) || 1)
  const set = (more: Record<string, string | undefined>) => {
    const next = new URLSearchParams(search)
    next.delete('page')
    for (const [key, value] of Object.entries(more)) {
      if (value) next.set(key, value)
      else next.delete(key)
    }
    setSearch(next, { preventScrollReset: true })
  }
  return { search, page, set, clear: () => setSearch({}) }
}
