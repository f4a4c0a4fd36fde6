import type { ReactNode } from 'react'

/** A part of the interface with its states, one beside the other. */
export function Part({ name, children }: { name: string; children: ReactNode }) {
  return (
    <section aria-label={name} className="border-t border-hair py-5 grid md:grid-cols-[180px_minmax(0,1fr)] gap-x-6 gap-y-3">
      <h2 className="font-serif text-lg">{name}</h2>
      <div className="space-y-4 min-w-0">{children}</div>
    </section>
  )
}
