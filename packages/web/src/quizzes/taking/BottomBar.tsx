import type { ReactNode } from 'react'

/** The bar at the bottom, always in the same place. @param inGuide beside the ruler of a guide, and as wide as its text */
export const BottomBar = ({ inGuide = false, children }: { inGuide?: boolean; children: ReactNode }) => (
  <footer data-bottom-bar className={`fixed bottom-0 inset-x-0 ${inGuide ? 'lg:left-[264px]' : ''} bg-sheet border-t border-hair z-20`}>
    <div className={`py-2 flex items-center gap-2 px-4 ${inGuide ? 'max-w-[860px] mx-auto md:px-8' : 'md:px-6'}`}>{children}</div>
  </footer>
)
