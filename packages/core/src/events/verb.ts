import * as z from 'zod/mini'
import { UsedItemRef, type ItemRef } from '../items'
import { Instant, Whole } from '../shared'
import { WAYS, type Way } from '../ways'

/** What a verb declares: all that taking, vouching and counting have to know of the events in which something of this kind happens. */
export type Verb = {
  /** What it is about: a part of an edition, an edition as a whole, or nothing of the kind. */
  about: 'part' | 'edition' | 'nothing'
  /** The ways of use in which it happens; none for what happens outside of all of them. */
  ways: readonly Way[]
  /** Who may tell it: a browser that tells of its way of use, or the server itself only. */
  toldBy: 'browser' | 'server'
  /** What the server can vouch for when a browser tells it: nothing, or that there was time for it, see `isVouchedFor`. */
  vouching: 'nothing' | 'time'
  /** What it says of how far somebody is with an item, where its way is one that counts for that; see `ITEM_KINDS`. */
  marks: 'seen' | 'acknowledged' | 'confirmed' | 'handed-in' | 'answered' | 'finished' | 'nothing'
  /** Whether somebody begins to use something with it, which is counted as a view. */
  begins: boolean
  /** The ways in which, of old events of somebody with the same part and edition, the first and the last and the time of all of them say enough: nothing but
   * earliest, latest and sums of time is counted of them for the records. Without it every one of them stays. */
  thins?: readonly Way[]
  /** What it carries besides the envelope, by name. Numbers that are counted are among {@link EVENT_FIGURES}. */
  fields: Record<string, z.ZodMiniType>
}
/** Verbs by name. */
export type Verbs = Readonly<Record<string, Verb>>

/** Figures of events that are counted: each has a column of its own. What else an event carries is kept beside them as it is. */
export const EVENT_FIGURES = ['activeMs', 'tries', 'help', 'done', 'percent', 'passed'] as const

/** The id of a part of an item: a step, a question. 21 characters. */
export const PartId = z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/))

/** What every event says, whatever happened. */
const envelope = {
  /** UUID version 7, made by the sender; sending the same id again changes nothing. */
  id: z.uuid(),
  /** Epoch milliseconds by the sender's clock; the server puts it right by the batch's `sentAt`. */
  occurredAt: Instant,
  /** One time of using something, from its beginning to its end. */
  visit: z.optional(PartId),
}
const ofEdition = { item: UsedItemRef, edition: Whole.check(z.positive()) }

type FieldsOf<V extends Verb> = keyof V['fields'] extends never ? unknown : z.input<z.ZodMiniObject<V['fields']>>
type About<V extends Verb> = V['about'] extends 'nothing'
  ? unknown
  : { item: ItemRef; edition: number } & (V['about'] extends 'part' ? { part: string } : unknown)
type BrowserWay = { [W in Way]: (typeof WAYS)[W]['toldBy'] extends 'browser' ? W : never }[Way]
type Envelope = { id: string; occurredAt: number; visit?: string | undefined }
/** An event of one of some verbs, as a browser tells it. */
export type EventOf<V extends Verbs> = {
  [N in keyof V]: V[N]['toldBy'] extends 'browser'
    ? Envelope & { verb: N; way: Extract<V[N]['ways'][number], BrowserWay> } & About<V[N]> & FieldsOf<V[N]>
    : never
}[keyof V]

/** The schema of an event of a verb, as a browser tells it. */
function schemaOf(name: string, { about, ways, fields }: Verb): z.ZodMiniType {
  const way = z.enum(ways.filter((each) => WAYS[each].toldBy === 'browser'))
  const what = about === 'nothing' ? {} : about === 'part' ? { ...ofEdition, part: PartId } : ofEdition
  return z.object({ ...envelope, ...what, verb: z.literal(name), way, ...fields })
}
/** The schema of events of some verbs, as browsers tell them. What only the server tells is not among them. */
export function eventSchema<V extends Verbs>(verbs: V): z.ZodMiniType<EventOf<V>> {
  const told = Object.entries(verbs).filter(([, verb]) => verb.toldBy === 'browser')
  const [first, ...others] = told.map(([name, verb]) => schemaOf(name, verb) as never)
  return z.discriminatedUnion('verb', [first!, ...others])
}
