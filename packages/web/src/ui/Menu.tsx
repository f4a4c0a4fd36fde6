import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'

/** What can be done besides the one main thing. */
export function Menu({ trigger, children, align = 'end' }: { trigger: ReactNode; children: ReactNode; align?: 'start' | 'end' }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align={align}
          sideOffset={4}
          className="z-40 min-w-48 bg-sheet border border-edge py-1 shadow-[0_4px_14px_rgb(23_33_43/0.14)]"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
export function MenuItem({
  onSelect,
  children,
  danger = false,
  disabled = false,
}: {
  onSelect: () => void
  children: ReactNode
  danger?: boolean
  disabled?: boolean
}) {
  return (
    <DropdownMenu.Item
      disabled={disabled}
      onSelect={onSelect}
      className={`flex items-center gap-2 px-3 min-h-9 cursor-pointer outline-none data-highlighted:bg-wash data-disabled:opacity-45 ${danger ? 'text-brick' : ''}`}
    >
      {children}
    </DropdownMenu.Item>
  )
}
