import { nth } from '@jackdaw/core/shared'
import { middleOf } from '@jackdaw/core/annotations'
import { shownEntry } from '@jackdaw/core/flow'
import { spotsOf, type Doing, type Timing } from '@jackdaw/core/players'
import { MousePointer2 } from 'lucide-react'
import { Brackets, spotStyle } from '../picture/OnPicture'

/** Whether, and what, is typed at a step. */
export const typedAt = (doing: Doing): string => (doing.kind === 'enter' ? (shownEntry(doing.accept) ?? '') : '')

const START = { x: 0.5, y: 0.94 }

/** The pointer on its way to the element, what is typed there, the pop-up of the application. */
export function Motion({
  doing,
  ms,
  timing,
  typed,
  less,
  shown,
}: {
  doing: Doing
  ms: number
  timing: Timing
  typed: string
  less: boolean
  shown: { x: number; y: number; width: number; height: number }
}) {
  if (doing.kind === 'pop-up')
    return (
      <div className="absolute inset-0 bg-ink/35 flex items-center justify-center p-3" aria-hidden>
        <div className="bg-sheet border border-ink p-4 max-w-md w-full">
          <p className="font-semibold text-lg mb-1">{doing.title}</p>
          <p className="mb-3">{doing.words}</p>
          <div className="flex justify-end gap-2">
            {doing.buttons.map((button) => (
              <span
                key={button.id}
                className={`border border-edge px-3 py-1.5 font-semibold ${button.right ? 'outline-3 outline-kingfisher outline-offset-2' : ''}`}
              >
                {button.words}
              </span>
            ))}
          </div>
        </div>
      </div>
    )
  const spots = spotsOf(doing)
  if (spots.length === 0) return null
  const gone = Math.min(1, Math.max(0, (ms - timing.readMs) / Math.max(1, timing.travelMs)))
  const eased = less ? (ms >= timing.readMs ? 1 : 0) : gone * gone * (3 - 2 * gone)
  const share = (n: number) => {
    const middle = middleOf(nth(spots, n).rect)
    return { x: (middle.x - shown.x) / shown.width, y: (middle.y - shown.y) / shown.height }
  }
  const after = Math.min(1, Math.max(0, (ms - timing.readMs - timing.travelMs) / Math.max(1, timing.holdMs)))
  const [a, b] = doing.kind === 'drag' && gone >= 1 ? [share(0), share(1)] : [START, share(0)]
  const along = doing.kind === 'drag' && gone >= 1 ? (less ? 1 : after) : eased
  const at = { x: a.x + (b.x - a.x) * along, y: a.y + (b.y - a.y) * along }
  const letters = Math.round(typed.length * Math.min(1, Math.max(0, (ms - timing.readMs - timing.travelMs) / Math.max(1, timing.typeMs))))
  const pressed = gone >= 1 && after > 0 && after < 0.5
  return (
    <>
      {doing.kind === 'several' && spots.map((spot, n) => <Brackets key={n} rect={spot.rect} shown={shown} />)}
      {doing.kind === 'enter' && (less ? gone >= 1 : letters > 0) && (
        <span
          className="absolute bg-sheet border border-edge px-2 flex items-center overflow-hidden whitespace-nowrap text-[16px]"
          style={spotStyle(doing.on.rect, shown)}
          data-typed
        >
          {less ? typed : typed.slice(0, letters)}
          <span className="border-l-2 border-ink h-[1.1em] ml-px" aria-hidden />
        </span>
      )}
      <MousePointer2
        aria-hidden
        data-pointer
        size={30}
        strokeWidth={1.6}
        className={`absolute text-white fill-ink drop-shadow ${pressed ? 'scale-90' : ''}`}
        style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%` }}
      />
    </>
  )
}
