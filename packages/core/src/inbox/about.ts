import * as z from 'zod/mini'
import { ItemRef, pathOfItem } from '../items'
import { CheckInId } from '../shared'

/** What an entry is about: an item, or a check-in. */
export type AboutRef = ItemRef | { kind: 'check-in'; id: CheckInId }
/** What an entry is about: an item, or a check-in. */
export const AboutRef = z.union([ItemRef, z.object({ kind: z.literal('check-in'), id: CheckInId })]) as z.ZodMiniType<AboutRef>
/** What an entry is about whose kind and id have been stored together. */
export const aboutRefOf = (kind: AboutRef['kind'], id: AboutRef['id']): AboutRef => ({ kind, id }) as AboutRef
/** A check-in as what an entry is about. */
export const aboutCheckIn = (id: CheckInId) => ({ kind: 'check-in', id }) as const satisfies AboutRef

/** Where what an entry is about is opened. */
export const pathOfAbout = (about: AboutRef): string => (about.kind === 'check-in' ? `/check-ins/${about.id}` : pathOfItem(about))
