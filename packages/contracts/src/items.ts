import { AnyItemId, ItemRef } from '@jackdaw/core/items'
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

/** What is to be known of an item that can be given. `usable`: whether it is published and not archived. */
export const ItemFacts = z.object({ item: ItemRef, number: z.int(), title: z.string(), minutes: z.int(), usable: z.boolean() })
/** Read by {@link ItemFacts}. */
export type ItemFacts = z.infer<typeof ItemFacts>
/** Published items that the asker may give to people, by a part of their title: the first thirty. */
export const findItems = endpoint({
  method: 'get',
  path: '/api/items',
  access: { may: 'assignment.list' },
  query: z.object({ find: z.optional(z.string().check(z.maxLength(100))) }),
  response: z.array(ItemFacts),
  problems: ['invalid'],
})
