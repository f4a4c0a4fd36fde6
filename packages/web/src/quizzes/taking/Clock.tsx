import { useEffect, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'

/** The time that is left is said aloud when so many minutes are. */
const SAID_AT = [10, 5, 1]
const two = (n: number) => String(n).padStart(2, '0')

/** The time that is left, by the server's clock: what the clock of this device says does not matter, only how it goes on.
 * @param now the server's clock when the attempt was fetched @param onOver is told when it is over, until the page goes */
export function Clock({ endsAt, now, onOver }: { endsAt: number; now: number; onOver: () => void }) {
  const { t } = useTexts()
  const [began] = useState(() => performance.now())
  const [passed, setPassed] = useState(0)
  const over = useRef(onOver)
  over.current = onOver
  const left = Math.max(0, endsAt - now - passed)
  const isOver = left === 0
  useEffect(() => {
    if (isOver) {
      // A breath later, so that the server finds it over, too; and until it could be asked.
      const timer = setTimeout(() => over.current(), 300)
      const again = setInterval(() => over.current(), 5_000)
      return () => {
        clearTimeout(timer)
        clearInterval(again)
      }
    }
    const timer = setInterval(() => setPassed(performance.now() - began), 500)
    return () => clearInterval(timer)
  }, [isOver, began])
  const seconds = Math.ceil(left / 1_000)
  const minutes = Math.floor(seconds / 60)
  const said = SAID_AT.find((each) => seconds <= each * 60 && seconds > each * 60 - 10)
  return (
    <p className={`tabular-nums ${seconds <= 60 ? 'text-brick font-bold' : seconds <= 300 ? 'text-ochre font-semibold' : ''}`}>
      <span aria-hidden>{t('{{time}} left', { time: `${minutes}:${two(seconds % 60)}` })}</span>
      <span role="timer" aria-live="polite" className="sr-only">
        {said === undefined ? '' : t('{{count}} minutes are left', { count: said })}
      </span>
    </p>
  )
}
