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
export type PersonId = z.infer<typeof PersonId>
/** Id of a team. */
export const TeamId = idOf('team')
export type TeamId = z.infer<typeof TeamId>
/** Id of a role. */
export const RoleId = idOf('role')
export type RoleId = z.infer<typeof RoleId>
/** Id of a site. */
export const SiteId = idOf('site')
export type SiteId = z.infer<typeof SiteId>
/** Id of a department. */
export const DepartmentId = idOf('department')
export type DepartmentId = z.infer<typeof DepartmentId>
/** Id of a folder. */
export const FolderId = idOf('folder')
export type FolderId = z.infer<typeof FolderId>
/** Id of a guide. */
export const GuideId = idOf('guide')
export type GuideId = z.infer<typeof GuideId>
/** Id of a step. */
export const StepId = idOf('step')
export type StepId = z.infer<typeof StepId>
/** Id of a section. */
export const SectionId = idOf('section')
export type SectionId = z.infer<typeof SectionId>
/** Id of a picture. */
export const PictureId = idOf('picture')
export type PictureId = z.infer<typeof PictureId>

/** Makes a new id of 21 characters, of whatever thing; the core never makes one by chance itself. */
export type NewId = <I extends string>() => I
