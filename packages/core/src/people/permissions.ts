import * as z from 'zod/mini'

/** One thing that a person may be allowed to do. Levels are presets over these; a person may hold more than the preset. */
export const Permission = z.enum([
  'guides.write', // create guides, edit own ones and those shared with one
  'guides.all', // read and edit every guide
  'guides.publish', // publish what one may edit, and choose who gets it
  'folders.change', // create, rename, move and archive folders
  'people.look-up', // find people and groups by name
  'records.all', // everybody's records
  'people.manage', // add and change people and groups, and their rights as far as one's own reach
  'people.invite', // bring people in; without people.manage only those who report to one
  'company.settings', // everything that concerns the whole company
])
/** Read by {@link Permission}. */
export type Permission = z.infer<typeof Permission>

/** A permission level: a name for a preset of permissions. */
export const Level = z.enum(['admin', 'lead', 'author', 'staff'])
/** Read by {@link Level}. */
export type Level = z.infer<typeof Level>

/** What levels are called, in English. */
export const LEVEL_NAMES: Record<Level, string> = { admin: 'admin', lead: 'lead', author: 'author', staff: 'staff' }

/** What each permission level brings with it. */
export const LEVEL_PRESETS: Record<Level, readonly Permission[]> = {
  admin: Permission.options,
  lead: [
    'guides.write',
    'guides.all',
    'guides.publish',
    'folders.change',
    'people.look-up',
    'records.all',
    'people.manage',
    'people.invite',
  ],
  author: ['guides.write', 'people.look-up'],
  staff: [],
}
