import { keysOf } from '../shared'
import * as z from 'zod/mini'
import { SoloRules, PLAIN_SOLO } from './exercise'
import type { TextVisit } from './visits'
import { GUIDE_LIMITS } from './limits'
import { GuideLook } from './look'
import { SignId } from './signId'

/** Kind of a guide; it sets defaults only. */
export const GuideKind = z.enum(['how-to', 'work-instruction', 'policy', 'lesson', 'background'])
/** Read by {@link GuideKind}. */
export type GuideKind = z.infer<typeof GuideKind>

/** Title of a guide, at most 300 characters. */
export const GuideTitle = z.string().check(z.trim(), z.maxLength(300))
/** What a guide is for, at most 2,000 characters of plain text. */
export const GuideSummary = z.string().check(z.maxLength(2_000))
/** What is said once somebody is through, at most 2,000 characters of plain text. */
export const GuideClosing = z.string().check(z.maxLength(2_000))

const words = z.string().check(z.trim(), z.maxLength(120))
/** The system that a guide is about: what people call it, the addresses at which it is opened, and the versions for which the guide holds. */
export const GuideSystem = z.object({
  name: words,
  addresses: z
    .array(z.string().check(z.trim(), z.maxLength(2_000), z.regex(/^https?:\/\/\S+$/, 'An address begins with http:// or https://')))
    .check(z.maxLength(10)),
  versions: z.array(words.check(z.minLength(1))).check(z.maxLength(20)),
})
/** Read by {@link GuideSystem}. */
export type GuideSystem = z.infer<typeof GuideSystem>

/** The facts about a guide that its authors change, by their schemas. What else is to be known of each stands in {@link GUIDE_FACTS}. */
export const factShape = {
  title: GuideTitle,
  summary: GuideSummary,
  kind: GuideKind,
  /** Whether each step must be confirmed before the next one opens. */
  confirmSteps: z.boolean(),
  /** What the guide overrules of the company's look. */
  look: GuideLook,
  /** Protective equipment and other signs for the guide as a whole. */
  signs: z.array(SignId).check(z.maxLength(GUIDE_LIMITS.signs.most)),
  /** How it is tested. */
  solo: SoloRules,
  closing: GuideClosing,
  system: GuideSystem,
}
/** The values of a guide's facts. */
export type GuideFacts = z.infer<z.ZodMiniObject<typeof factShape>>
/** Name of a fact. */
export type FactName = keyof GuideFacts

/** What is to be known of a fact beside its schema. `empty`: what a document that lacks it says. */
type Fact<V> = { empty: V; texts: (value: V, visit: TextVisit) => V }
const same = <V>(value: V): V => value

/** What is to be known of every fact: one that is added to {@link factShape} has to say all of it here. */
export const GUIDE_FACTS: { readonly [F in FactName]: Fact<GuideFacts[F]> } = {
  title: { empty: '', texts: (value, visit) => visit.plain(value, { at: '', where: 'title', most: 300 }) },
  summary: { empty: '', texts: (value, visit) => visit.plain(value, { at: '', where: 'summary', most: 2_000 }) },
  kind: { empty: 'how-to', texts: same },
  confirmSteps: { empty: false, texts: same },
  look: { empty: {}, texts: same },
  signs: { empty: [], texts: same },
  solo: {
    empty: PLAIN_SOLO,
    texts: (value, visit) => ({ ...value, task: visit.plain(value.task, { at: '', where: 'task', most: 2_000 }) }),
  },
  closing: { empty: '', texts: (value, visit) => visit.plain(value, { at: '', where: 'closing', most: 2_000 }) },
  system: {
    empty: { name: '', addresses: [], versions: [] },
    texts: (value, visit) => ({ ...value, name: visit.plain(value.name, { at: '', where: 'system', most: 120 }) }),
  },
}
/** Names of all facts. */
export const FACT_NAMES = keysOf(GUIDE_FACTS)

/** What a document says of a fact. */
export const factOf = <F extends FactName>(document: { readonly [F in FactName]?: GuideFacts[F] | undefined }, fact: F): GuideFacts[F] =>
  document[fact] ?? GUIDE_FACTS[fact].empty
