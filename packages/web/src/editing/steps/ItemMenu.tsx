import type { GuideItem } from '@jackdaw/core/guides'
import { ArrowDown, ArrowUp, Construction, Copy, MoreHorizontal, Trash2 } from 'lucide-react'
import { useTexts } from '../../ui/words/texts'
import { IconButton } from '../../ui'
import { Menu, MenuItem } from '../../ui/over/Menu'
import type { ItemActions } from '../itemActions'

/** What can be done with a step or a heading as a whole. */
export function ItemMenu({
  name,
  itemId,
  notReady,
  actions,
  copies = false,
}: {
  name: string
  itemId: GuideItem['id']
  notReady: boolean
  actions: ItemActions
  copies?: boolean
}) {
  const { t } = useTexts()
  return (
    <Menu
      trigger={
        <IconButton name={t('More for {{name}}', { name })} className="shrink-0 w-7">
          <MoreHorizontal size={18} aria-hidden />
        </IconButton>
      }
    >
      <MenuItem onSelect={() => actions.move(itemId, -1)}>
        <ArrowUp size={16} aria-hidden />
        {t('Move up')}
      </MenuItem>
      <MenuItem onSelect={() => actions.move(itemId, 1)}>
        <ArrowDown size={16} aria-hidden />
        {t('Move down')}
      </MenuItem>
      {copies && (
        <MenuItem onSelect={() => actions.duplicate(itemId)}>
          <Copy size={16} aria-hidden />
          {t('Duplicate')}
        </MenuItem>
      )}
      <MenuItem onSelect={() => actions.setNotReady(itemId, !notReady)}>
        <Construction size={16} aria-hidden />
        {notReady ? t('It is ready') : t('Mark as not ready')}
      </MenuItem>
      {!copies && (
        <MenuItem danger onSelect={() => actions.remove(itemId)}>
          <Trash2 size={16} aria-hidden />
          {t('Delete')}
        </MenuItem>
      )}
    </Menu>
  )
}
