import { AnyItemId } from '@jackdaw/core/items'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** Marks an item as a favourite of the asker, to find it again on Today; or takes the mark away. */
export const setFavourite = endpoint({
  method: 'put',
  path: '/api/items/:id/favourite',
  access: { may: 'item.read', over: 'item' },
  params: z.object({ id: AnyItemId }),
  body: z.object({ favourite: z.boolean() }),
  problems: ['invalid'],
})
