import type { Look } from '@jackdaw/core/guides'
import type { CSSProperties, ReactNode } from 'react'

/** Shown on a page of another site, which has a head of its own. */
const isFramed = typeof window !== 'undefined' && window.self !== window.top

/** What stands around the guide of a guest: whose it is, and nothing that leads elsewhere. */
export function GuestFrame({ look, children }: { look: Look | null; children: ReactNode }) {
  return (
    <div className="min-h-dvh flex flex-col" style={isFramed ? ({ '--preview-bar': '0px' } as CSSProperties) : undefined}>
      {!isFramed && (
        <header className="h-14 bg-sheet border-b border-hair flex items-center gap-3 px-4 md:px-6 sticky top-0 z-30 print:hidden">
          {look?.logo ? (
            <img src={look.logo} alt="" className="h-7 max-w-32 object-contain" />
          ) : (
            <img src="/jackdaw.svg" alt="" width={28} height={28} />
          )}
          <span className="font-semibold">{look?.name || 'Jackdaw'}</span>
        </header>
      )}
      <main className="grow flex flex-col">{children}</main>
    </div>
  )
}
