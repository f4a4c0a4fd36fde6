import type { ReactNode } from 'react'

/** How a quiz and a bank are laid out while they are written: the ruler, what is selected on it, and what is to be known of that. */
export const Bench = ({ ruler, sheet, facts }: { ruler: ReactNode; sheet: ReactNode; facts: ReactNode }) => (
  <div className="bg-sheet grow grid md:grid-cols-[264px_minmax(0,1fr)] xl:grid-cols-[264px_minmax(0,1fr)_320px] border-t border-hair">
    <div className="px-4 py-4 border-r border-hair space-y-3">{ruler}</div>
    <div className="px-4 md:px-6 py-4 min-w-0 space-y-4">{sheet}</div>
    <aside className="px-4 py-4 border-l border-hair space-y-7 min-w-0 max-xl:col-span-full">{facts}</aside>
  </div>
)
