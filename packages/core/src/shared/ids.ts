import * as z from 'zod/mini'

const ID = /^[A-Za-z0-9_-]{21}$/

/** Schema of a branded id: 21 characters of the URL-safe alphabet, made at random by whoever creates the thing.
 * @param brand the name of the thing, so that two kinds of id cannot be mixed up */
export const idOf = <B extends string>(brand: B) =>
  z.string().check(z.regex(ID, `Not an id of a ${brand}`)).brand<B>()

export const PersonId = idOf('person')
export type PersonId = z.infer<typeof PersonId>
export const TeamId = idOf('team')
export type TeamId = z.infer<typeof TeamId>
export const RoleId = idOf('role')
export type RoleId = z.infer<typeof RoleId>
export const SiteId = idOf('site')
export type SiteId = z.infer<typeof SiteId>
export const DepartmentId = idOf('department')
export type DepartmentId = z.infer<typeof DepartmentId>
export const FolderId = idOf('folder')
export type FolderId = z.infer<typeof FolderId>
export const GuideId = idOf('guide')
export type GuideId = z.infer<typeof GuideId>
export const StepId = idOf('step')
export type StepId = z.infer<typeof StepId>
export const SectionId = idOf('section')
export type SectionId = z.infer<typeof SectionId>
export const PictureId = idOf('picture')
export type PictureId = z.infer<typeof PictureId>

/** Makes a new id of 21 characters; the core never makes one by chance itself. */
export type NewId = () => string
