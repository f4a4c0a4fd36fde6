import * as z from 'zod/mini'

/** A line of work that we know something of. */
export const LineOfWorkId = z.enum([
  'growing',
  'food',
  'warehouse',
  'workshop',
  'kitchen',
  'shop',
  'care',
  'building',
  'office',
  'cleaning',
])
/** Read by {@link LineOfWorkId}. */
export type LineOfWorkId = z.infer<typeof LineOfWorkId>
