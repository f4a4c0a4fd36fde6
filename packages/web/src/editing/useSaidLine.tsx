import { useCallback, useEffect, useState, type ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'

const SHOWN_MS = 6_000

/** A line above the tools that says what a key has just done, or why it did nothing; for a while to the eye, at once to screen readers. */
export function useSaidLine(): { said: (words: string, into?: Record<string, unknown>) => void; line: ReactNode } {
  const { t } = useTexts()
  const [now, setNow] = useState<{ words: string } | null>(null)
  const said = useCallback((words: string, into?: Record<string, unknown>) => setNow({ words: t(words, into) }), [t])
  useEffect(() => {
    if (!now) return
    const timer = setTimeout(() => setNow(null), SHOWN_MS)
    return () => clearTimeout(timer)
  }, [now])
  return {
    said,
    line: (
      <p
        role="status"
        data-said-line
        className={
          now
            ? 'fixed z-20 bottom-[104px] md:bottom-12 left-3 lg:left-[280px] max-w-[min(560px,90vw)] bg-ink text-white text-sm px-3 py-2'
            : 'sr-only'
        }
      >
        {now?.words}
      </p>
    ),
  }
}
