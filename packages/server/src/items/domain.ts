import type { Domain } from '../domain'
import { itemRollUps } from './rollUps'

/** What can be given to people, and how far they are with it. */
export const items = { rollUps: itemRollUps } satisfies Domain
