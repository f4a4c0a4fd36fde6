import type { ReactNode } from 'react'

/** A part of a long form under a heading. */
export const FormPart = ({ title, children }: { title: string; children: ReactNode }) => (
  <section className="space-y-3">
    <h2 className="text-lg border-b-2 border-ink">{title}</h2>
    {children}
  </section>
)
