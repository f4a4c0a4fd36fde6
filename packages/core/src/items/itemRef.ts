import * as z from 'zod/mini'
import { GuideId, QuizId, TaskId, entriesOf, idOf } from '../shared'
import { ITEM_KINDS, type ItemKind } from './itemKind'

/** Ids of each kind of item. */
const IDS = { guide: GuideId, task: TaskId, quiz: QuizId } as const satisfies Record<ItemKind, z.ZodMiniType<string>>
/** The id of an item of a kind. */
export type ItemId<K extends ItemKind = ItemKind> = z.infer<(typeof IDS)[K]>
/** The id of an item of whatever kind, where that is not said: an id is that of one item only. */
export const AnyItemId = idOf('item') as unknown as z.ZodMiniType<ItemId>
/** An item that can be given to people: of which kind it is, and which one. */
export type ItemRef = { [K in ItemKind]: { kind: K; id: ItemId<K> } }[ItemKind]
/** An item that can be given to people. */
export const ItemRef = z.union(entriesOf(IDS).map(([kind, id]) => z.object({ kind: z.literal(kind), id }))) as z.ZodMiniType<ItemRef>
/** An item that is used in some way, so that a browser can tell of it. */
export const UsedItemRef = z.union(
  entriesOf(IDS).flatMap(([kind, id]) => (ITEM_KINDS[kind].ways.length > 0 ? [z.object({ kind: z.literal(kind), id })] : [])),
) as unknown as z.ZodMiniType<ItemRef>
/** The item whose kind and id have been stored together. */
export const itemRefOf = (kind: ItemKind, id: ItemId): ItemRef => ({ kind, id }) as ItemRef
