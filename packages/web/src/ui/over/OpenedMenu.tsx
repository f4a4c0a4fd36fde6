import { DropdownMenu } from 'radix-ui'
import type { ReactElement, ReactNode } from 'react'
import { MenuItemPart } from './menuItemPart'

/** A menu that somebody has opened: it stands open when it comes. */
export function OpenedMenu({ trigger, children, align }: { trigger: ReactElement; children: ReactNode; align: 'start' | 'end' }) {
  return (
    <DropdownMenu.Root defaultOpen>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          className="z-40 min-w-48 bg-sheet border border-edge py-1 shadow-[0_4px_14px_rgb(23_33_43/0.14)]"
        >
          <MenuItemPart value={DropdownMenu.Item}>{children}</MenuItemPart>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
