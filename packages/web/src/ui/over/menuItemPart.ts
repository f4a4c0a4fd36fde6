import { createContext, type ComponentType, type ReactNode } from 'react'

type ItemProps = { disabled: boolean; onSelect: () => void; className: string; children: ReactNode }
/** What an item of an open menu is drawn with; comes with the menu. */
export const MenuItemPart = createContext<ComponentType<ItemProps> | null>(null)
