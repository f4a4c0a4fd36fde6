import * as z from 'zod/mini'
import { Colour, TypeFace } from './annotation'
import { HEAD_FACTS } from './headFacts'

/** One of the {@link HEAD_FACTS}. */
export const HeadFact = z.enum(HEAD_FACTS)
/** Read by {@link HeadFact}. */
export type HeadFact = z.infer<typeof HeadFact>

const hex = z.string().check(z.regex(/^#[0-9a-f]{6}$/, 'A colour such as #095660'))

/** How guides look: the company's name, logo, colour and type, its frames and labels, and the facts in a guide's head.
 * Sizes in pixels at the width at which guides are read (760). */
export const Look = z.object({
  name: z.string().check(z.trim(), z.maxLength(120)),
  /** A picture as `data:image/png;base64,…`, at most 300,000 characters; empty for none. */
  logo: z.string().check(z.maxLength(300_000), z.regex(/^$|^data:image\/(png|webp);base64,[A-Za-z0-9+/=]+$/, 'Not a logo')),
  colour: hex,
  type: TypeFace,
  frameColour: Colour,
  framePx: z.number().check(z.minimum(1), z.maximum(12)),
  labelColour: Colour,
  labelPx: z.number().check(z.minimum(12), z.maximum(40)),
  labelFace: TypeFace,
  head: z.array(HeadFact).check(z.maxLength(5)),
})
/** Read by {@link Look}. */
export type Look = z.infer<typeof Look>

/** What a guide overrules of the company's look. */
export const GuideLook = z.partial(Look)
/** Read by {@link GuideLook}. */
export type GuideLook = z.infer<typeof GuideLook>
