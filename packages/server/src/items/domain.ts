import type { ItemRef } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import type { Domain } from '../domain'
import { FAVOURITE } from './model'
import { itemRollUps } from './rollUps'
import { itemRoutes } from './routes'

/** What can be given to people, and how far they are with it. */
export const items = {
  routes: itemRoutes,
  rollUps: itemRollUps,
  demo: ({ database }) => ({
    favour: (personId: PersonId, items: readonly ItemRef[], at: number) =>
      database.in(FAVOURITE).insertAll(items.map(({ kind, id }, n) => ({ personId, itemKind: kind, itemId: id, at: at - n }))),
  }),
} satisfies Domain
