import * as z from 'zod/mini'

const KINDS = new WeakMap<object, string>()
const ID = /^[A-Za-z0-9_-]{21}$/

/** Schema of a branded id: 21 characters of the URL-safe alphabet, made at random by whoever creates the thing.
 * @param brand the name of the thing, so that two kinds of id cannot be mixed up */
export const idOf = <B extends string>(brand: B) => {
  const schema = z
    .string()
    .check(z.regex(ID, `Not an id of a ${brand}`))
    .brand<B>()
  KINDS.set(schema, brand)
  return schema
}

/** What kind of thing a schema is the id of; `undefined` when it is none. */
export const kindOfId = (schema: object): string | undefined => KINDS.get(schema)

/** Id of a person. */
export const PersonId = idOf('person')
/** Read by {@link PersonId}. */
export type PersonId = z.infer<typeof PersonId>
/** Id of a team. */
export const TeamId = idOf('team')
/** Read by {@link TeamId}. */
export type TeamId = z.infer<typeof TeamId>
/** Id of a role. */
export const RoleId = idOf('role')
/** Read by {@link RoleId}. */
export type RoleId = z.infer<typeof RoleId>
/** Id of a site. */
export const SiteId = idOf('site')
/** Read by {@link SiteId}. */
export type SiteId = z.infer<typeof SiteId>
/** Id of a department. */
export const DepartmentId = idOf('department')
/** Read by {@link DepartmentId}. */
export type DepartmentId = z.infer<typeof DepartmentId>
/** Id of a folder. */
export const FolderId = idOf('folder')
/** Read by {@link FolderId}. */
export type FolderId = z.infer<typeof FolderId>
/** Id of a guide. */
export const GuideId = idOf('guide')
/** Read by {@link GuideId}. */
export type GuideId = z.infer<typeof GuideId>
/** Id of a step. */
export const StepId = idOf('step')
/** Read by {@link StepId}. */
export type StepId = z.infer<typeof StepId>
/** Id of a section. */
export const SectionId = idOf('section')
/** Read by {@link SectionId}. */
export type SectionId = z.infer<typeof SectionId>
/** Id of a picture. */
export const PictureId = idOf('picture')
/** Read by {@link PictureId}. */
export type PictureId = z.infer<typeof PictureId>
/** Id of an entry in an inbox. */
export const EntryId = idOf('entry')
/** Read by {@link EntryId}. */
export type EntryId = z.infer<typeof EntryId>

/** Makes a new id of 21 characters, of whatever thing; the core never makes one by chance itself. */
export type NewId = <I extends string>() => I
