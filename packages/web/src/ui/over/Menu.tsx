import { cloneElement, Suspense, use, useEffect, useState, type KeyboardEvent, type ReactElement, type ReactNode } from 'react'
import { lazyPart } from '../lazyPart'
import { MenuItemPart } from './menuItemPart'

const OpenedMenu = lazyPart(async () => (await import('./OpenedMenu')).OpenedMenu)
const preload = () => void OpenedMenu.preload()

type TriggerProps = {
  'aria-haspopup'?: 'menu'
  'aria-expanded'?: boolean
  onPointerEnter?: () => void
  onFocus?: () => void
  onClick?: () => void
  onKeyDown?: (event: KeyboardEvent) => void
}

/** What can be done besides the one main thing. Until somebody opens it there is its button only: a list has one in each of its rows. */
export function Menu({
  trigger,
  children,
  align = 'end',
}: {
  trigger: ReactElement<TriggerProps>
  children: ReactNode
  align?: 'start' | 'end'
}) {
  const [opened, setOpened] = useState(false)
  useEffect(() => void OpenedMenu.preloadAtRest(), [])
  const button = cloneElement(trigger, {
    'aria-haspopup': 'menu',
    'aria-expanded': opened,
    onPointerEnter: preload,
    onFocus: preload,
    onClick: () => setOpened(true),
    onKeyDown: (event) => {
      if (event.key !== 'ArrowDown') return
      event.preventDefault()
      setOpened(true)
    },
  })
  if (!opened) return button
  return (
    <Suspense fallback={button}>
      <OpenedMenu trigger={trigger} align={align}>
        {children}
      </OpenedMenu>
    </Suspense>
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
  const Item = use(MenuItemPart)
  if (!Item) throw new Error('an item stands in a menu')
  return (
    <Item
      disabled={disabled}
      onSelect={onSelect}
      className={`flex items-center gap-2 px-3 min-h-9 cursor-pointer outline-none data-highlighted:bg-wash data-disabled:opacity-45 ${danger ? 'text-brick' : ''}`}
    >
      {children}
    </Item>
  )
}
