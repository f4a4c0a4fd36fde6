import { Tickbox } from '../../ui'
import { useRef } from 'react'

/** The box by which a step is chosen among many; with Shift, all from the last one on. */
export function Tick({ ticked, name, onTick }: { ticked: boolean; name: string; onTick: (range: boolean) => void }) {
  const shift = useRef(false)
  return (
    <Tickbox
      checked={ticked}
      aria-label={name}
      title={name}
      onPointerDown={(event) => (shift.current = event.shiftKey)}
      onKeyDown={(event) => (shift.current = event.shiftKey)}
      onChange={() => onTick(shift.current)}
    />
  )
}
