import { useEffect, useState } from 'react'

const SETTLED_MS = 160

/** What was typed, once nobody has typed for a moment. */
export function useSettled(typed: string): string {
  const [settled, setSettled] = useState(typed)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(typed), SETTLED_MS)
    return () => clearTimeout(timer)
  }, [typed])
  return settled
}
