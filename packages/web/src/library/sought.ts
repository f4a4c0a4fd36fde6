import { tellSearch, type SearchTold } from '@jackdaw/contracts/searches'
import type { ItemRef } from '@jackdaw/core/items'
import type { SearchId } from '@jackdaw/core/shared'
import { useMutation } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useEffect, useRef } from 'react'
import { call } from '../api'

const LEAST_LETTERS = 3
/** How long words stand before they count as sought: whoever goes on typing has not finished. */
const STANDS_MS = 1_500

/** Tells what somebody sought, how much was found, and what they opened of it; of the same search first the one, then the other. That it is told is nothing that anybody waits
 * for: it is tried a few times, and let go. */
export function useTellSearch() {
  const { mutate } = useMutation({
    mutationFn: ({ id, ...body }: SearchTold & { id: SearchId }) => call(tellSearch, { params: { searchId: id }, body }),
    retry: 3,
  })
  const last = useRef<{ id: SearchId; words: string } | null>(null)
  const tell = (typed: string, found: number, opened: ItemRef | null) => {
    const words = typed.trim()
    if (words.length < LEAST_LETTERS && !opened) return
    if (words === '' || (last.current?.words === words && !opened)) return
    const id = last.current?.words === words ? last.current.id : nanoid<SearchId>()
    last.current = { id, words }
    mutate({ id, words: words.slice(0, 200), found, opened })
  }
  return tell
}

/** Tells what a list was searched for, once it has been answered and stands. @returns to be told what was opened of it */
export function useSoughtInList(words: string, found: number | undefined): (opened: ItemRef) => void {
  const tell = useTellSearch()
  const telling = useRef(tell)
  telling.current = tell
  useEffect(() => {
    if (words.trim() === '' || found === undefined) return
    const wait = setTimeout(() => telling.current(words, found, null), STANDS_MS)
    return () => clearTimeout(wait)
  }, [words, found])
  return (opened) => words.trim() !== '' && tell(words, found ?? 0, opened)
}
