import type { ReactNode } from 'react'

/** A single sheet in the middle of the window, for pages outside of the frame: links from mails, a password to be chosen. */
export function Sheet({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="min-h-dvh flex flex-col items-center px-4 py-10 sm:py-16">
      <title>{`${title} – Jackdaw`}</title>
      <div className="bg-sheet w-full max-w-xl p-6 sm:p-10 space-y-5">
        <p className="flex items-center gap-2">
          <img src="/jackdaw.svg" alt="" width={28} height={28} />
          <span className="font-serif text-lg font-semibold">Jackdaw</span>
        </p>
        <h1 className="font-serif text-2xl">{title}</h1>
        {children}
      </div>
    </main>
  )
}
