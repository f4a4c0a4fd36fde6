import type { ReactNode } from 'react'

const LOOK = {
  note: 'border-edge text-ink',
  good: 'border-moss text-moss',
  warn: 'border-ochre text-ochre',
  bad: 'border-brick text-brick',
}

/** A sentence about what happened, with a bar at its side; the words carry the meaning, the colour repeats it. */
export function Message({
  tone = 'note',
  title,
  children,
  role = 'status',
}: {
  tone?: keyof typeof LOOK
  title?: string
  children?: ReactNode
  role?: 'status' | 'alert'
}) {
  return (
    <div role={role} className={`border-l-4 bg-sheet px-4 py-2.5 ${LOOK[tone]}`}>
      {title && <p className="font-semibold">{title}</p>}
      {children && <div className="text-ink">{children}</div>}
    </div>
  )
}
