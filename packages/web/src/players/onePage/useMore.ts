import { useEffect } from 'react'
import { usePieces } from '../usePieces'
import { showsAllBy } from './scrollToPlace'

/** What fits on a large screen, and so many more each time. */
const PIECES = { first: 6, more: 6 }

/** How much of a long page is there. @param of how much there is; `atOnce` says that all of it is needed now */
export function useMore(of: number, atOnce: boolean): number {
  const { there, all } = usePieces(of, PIECES)
  useEffect(() => showsAllBy(all), [all])
  return atOnce ? of : there
}
