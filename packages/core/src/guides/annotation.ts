import * as z from 'zod/mini'
import type { TextVisit } from './visits'

/** Id of an annotation, unique within its step. */
export const AnnotationId = z.string().check(z.regex(/^[A-Za-z0-9_-]{6,24}$/, 'Not an id of an annotation'))
/** Read by {@link AnnotationId}. */
export type AnnotationId = z.infer<typeof AnnotationId>

/** The nine named points of an area. */
export const NamedPoint = z.enum(['top-left', 'top', 'top-right', 'left', 'middle', 'right', 'bottom-left', 'bottom', 'bottom-right'])
/** Read by {@link NamedPoint}. */
export type NamedPoint = z.infer<typeof NamedPoint>

const share = z.number().check(z.minimum(-20), z.maximum(21))
/** Pixels at the width at which guides are read (760); a larger picture counts them as many more. */
const px = (min: number, max: number) => z.number().check(z.minimum(min), z.maximum(max))

/** A point of the element (or of the picture): one of the nine, or a free one as shares of width and height, 0 to 1 inside. */
export const AttachedPoint = z.union([NamedPoint, z.object({ x: share, y: share })])
/** Read by {@link AttachedPoint}. */
export type AttachedPoint = z.infer<typeof AttachedPoint>

/** What something is attached to: the step's element, the one that something is dragged onto, or the picture. */
export const AttachedTo = z.enum(['element', 'onto', 'picture'])
/** Read by {@link AttachedTo}. */
export type AttachedTo = z.infer<typeof AttachedTo>

/** Where an annotation is attached. The gap leads away from the middle of an element, and towards the middle of a picture; the shift is added
 * to it, to the right and down. */
export const Anchor = z.object({
  to: AttachedTo,
  at: AttachedPoint,
  gapPx: px(0, 1_000),
  shift: z.optional(z.object({ dx: px(-1_000, 1_000), dy: px(-1_000, 1_000) })),
})
/** Read by {@link Anchor}. */
export type Anchor = z.infer<typeof Anchor>

const unit = z.number().check(z.minimum(0), z.maximum(1))
/** An area: around an element with a gap, or a part of the picture in shares of its width and height. */
export const Area = z.union([
  z.object({ to: z.enum(['element', 'onto']), gapPx: px(0, 1_000) }),
  z.object({ to: z.literal('picture'), rect: z.object({ x: unit, y: unit, width: unit, height: unit }) }),
])
/** Read by {@link Area}. */
export type Area = z.infer<typeof Area>

/** From the dot to the middle of a label, in pixels at the reading width. */
export const Offset = z.object({ dx: px(-4_000, 4_000), dy: px(-4_000, 4_000) })
/** Read by {@link Offset}. */
export type Offset = z.infer<typeof Offset>

const HexColour = z.string().check(z.regex(/^#[0-9a-f]{6}$/, 'A colour such as #0fb5c9'))
/** A colour as `#rrggbb`, or the company's own. */
export const Colour = z.union([HexColour, z.literal('company')])
/** Read by {@link Colour}. */
export type Colour = z.infer<typeof Colour>
/** Type in which labels are set. */
export const TypeFace = z.enum(['sans', 'serif'])
/** Read by {@link TypeFace}. */
export type TypeFace = z.infer<typeof TypeFace>

/** How annotations look: colour and stroke of frames, arrows and shapes, size and type of words. Sizes in pixels at the reading width. */
export const AnnotationStyle = z.object({
  colour: Colour,
  strokePx: px(1, 12),
  typePx: px(12, 40),
  face: TypeFace,
})
/** Read by {@link AnnotationStyle}. */
export type AnnotationStyle = z.infer<typeof AnnotationStyle>

const words = (max: number) => z.string().check(z.maxLength(max))
const base = { id: AnnotationId, style: z.optional(z.partial(AnnotationStyle)) }
const size = z.optional(z.object({ widthPx: px(0, 2_000), heightPx: px(0, 2_000) }))

/** What a number tag stands for. */
export const TagMeaning = z.enum(['sequence', 'key-point', 'measure', 'note'])
/** Read by {@link TagMeaning}. */
export type TagMeaning = z.infer<typeof TagMeaning>
/** At which ends an arrow has a head. */
export const ArrowHeads = z.enum(['end', 'start', 'both', 'none'])
/** Read by {@link ArrowHeads}. */
export type ArrowHeads = z.infer<typeof ArrowHeads>

/** Anything drawn over a picture. */
export const Annotation = z.discriminatedUnion('kind', [
  z.object({ ...base, kind: z.literal('frame'), area: Area }),
  z.object({
    ...base,
    kind: z.literal('label'),
    at: Anchor,
    words: words(600),
    /** What it says in Practise, where that is something else. */
    practiseWords: z.optional(words(600)),
    /** Where the author put it; absent: it places itself. */
    place: z.optional(Offset),
    /** Where it stands in Practise, where the author has parted the two. */
    practisePlace: z.optional(Offset),
    /** At least this large; never smaller than its words. */
    size,
  }),
  z.object({ ...base, kind: z.literal('tag'), at: Anchor, number: z.int().check(z.minimum(0), z.maximum(999)), meaning: TagMeaning }),
  z.object({
    ...base,
    kind: z.literal('arrow'),
    from: Anchor,
    to: Anchor,
    /** How far the middle bulges, in per cent of half the length: above 0 it turns clockwise, below counter-clockwise, 0 is straight. */
    bend: z.number().check(z.minimum(-150), z.maximum(150)),
    heads: ArrowHeads,
  }),
  z.object({ ...base, kind: z.literal('rectangle'), area: Area }),
  z.object({ ...base, kind: z.literal('ellipse'), area: Area }),
  z.object({ ...base, kind: z.literal('text'), at: Anchor, words: words(600), size }),
  z.object({ ...base, kind: z.literal('inset'), detail: Area, at: Anchor, zoom: z.number().check(z.minimum(1), z.maximum(8)) }),
  /** To be destroyed; when it is applied it is gone from here and the picture holds a flat fill. */
  z.object({ ...base, kind: z.literal('blackout'), area: Area }),
])
/** Read by {@link Annotation}. */
export type Annotation = z.infer<typeof Annotation>
/** The kinds of annotation. */
export type AnnotationKind = Annotation['kind']

const asItIs = <A>(annotation: A): A => annotation
/** The texts in an annotation, for every kind. */
const TEXTS: { [K in AnnotationKind]: (annotation: Extract<Annotation, { kind: K }>, visit: TextVisit, at: string) => Annotation } = {
  frame: asItIs,
  label: (label, visit, at) => ({
    ...label,
    words: visit.plain(label.words, { at, where: 'label', most: 600 }),
    ...(label.practiseWords === undefined
      ? {}
      : { practiseWords: visit.plain(label.practiseWords, { at: `${at}:practise`, where: 'practise-label', most: 600 }) }),
  }),
  tag: asItIs,
  arrow: asItIs,
  rectangle: asItIs,
  ellipse: asItIs,
  text: (text, visit, at) => ({ ...text, words: visit.plain(text.words, { at, where: 'label', most: 600 }) }),
  inset: asItIs,
  blackout: asItIs,
}
/** An annotation with what is made of its texts. @param at where it stands */
export const annotationTexts = (annotation: Annotation, visit: TextVisit, at: string): Annotation =>
  (TEXTS[annotation.kind] as (annotation: Annotation, visit: TextVisit, at: string) => Annotation)(annotation, visit, at)
