import * as z from 'zod/mini'
import { QUIZ_LIMITS } from '../limits'
import { ContentPicture } from './content'
import { PLAIN, type KindOfQuestion } from './kindOfQuestion'
import { allDiffer, contentsOf, copiedOptions, OptionId, Options, optionsLack } from './options'

const By = z.enum(['all', 'parts'])
const OrderAsk = z.object({ entries: Options })
const Ids = z.array(OptionId).check(z.maxLength(QUIZ_LIMITS.options), z.refine(allDiffer, 'Something stands there twice'))
const OrderKey = z.object({ order: Ids, by: By })
const OrderAnswer = z.object({ order: Ids })

/** Kendall's rank correlation of an order with the right one (M. Kendall, A new measure of rank correlation, 1938): 1 for the same, 0 for what
 * chance brings, below for the reverse. Both hold the same ids. */
function tau(order: readonly string[], right: readonly string[]): number {
  const at = new Map(right.map((id, n) => [id, n]))
  let [same, pairs] = [0, 0]
  for (let a = 0; a < order.length; a++)
    for (let b = a + 1; b < order.length; b++) {
      pairs++
      if (at.get(order[a]!)! < at.get(order[b]!)!) same++
    }
  return pairs === 0 ? 1 : (2 * same) / pairs - 1
}
const sameIds = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && new Set([...a, ...b]).size === a.length

/** Entries are put into order. They are always shown shuffled. By parts, the points are Kendall's rank correlation, nothing below 0. */
export const order: KindOfQuestion<z.infer<typeof OrderAsk>, z.infer<typeof OrderKey>, z.infer<typeof OrderAnswer>> = {
  ...PLAIN,
  name: 'Order',
  ask: OrderAsk,
  key: OrderKey,
  answer: OrderAnswer,
  judgedBy: 'rules',
  mark: (_, key, answer) => {
    if (!sameIds(answer.order, key.order)) return 0
    const share = tau(answer.order, key.order)
    return key.by === 'parts' ? Math.max(0, share) : share === 1 ? 1 : 0
  },
  isAnswered: (answer) => answer.order.length > 0,
  shown: ({ entries }, shuffle) => ({ entries: shuffle(entries, 'entries') }),
  contents: ({ entries }) => contentsOf(entries),
  lacks: ({ entries }, key) =>
    optionsLack(entries, 2, 'entries') ??
    (sameIds(
      key.order,
      entries.map(({ id }) => id),
    )
      ? null
      : 'Say in which order they belong.'),
  copied: ({ entries }, key, idOf) => ({
    ask: { entries: copiedOptions(entries, idOf) },
    key: { ...key, order: key.order.map(idOf) },
  }),
  counted: (answer) => [answer.order.join(' ')],
}

const MatchAsk = z.object({ left: Options, right: Options })
const Pair = z.tuple([OptionId, OptionId])
const Pairs = z.array(Pair).check(
  z.maxLength(QUIZ_LIMITS.options),
  z.refine((pairs) => allDiffer(pairs.map(([left]) => left)), 'Something is matched twice'),
)
const MatchKey = z.object({ pairs: Pairs, by: By })
const MatchAnswer = z.object({ pairs: Pairs })

/** To each on the left belongs one on the right; some on the right may belong to none, or to several. What is on the right is always shown shuffled. */
export const match: KindOfQuestion<z.infer<typeof MatchAsk>, z.infer<typeof MatchKey>, z.infer<typeof MatchAnswer>> = {
  ...PLAIN,
  name: 'Match',
  ask: MatchAsk,
  key: MatchKey,
  answer: MatchAnswer,
  judgedBy: 'rules',
  mark: (_, { pairs, by }, answer) => {
    const right = new Map(pairs)
    const hits = answer.pairs.filter(([left, to]) => right.get(left) === to).length
    return by === 'parts' ? (pairs.length === 0 ? 0 : hits / pairs.length) : hits === pairs.length ? 1 : 0
  },
  isAnswered: (answer) => answer.pairs.length > 0,
  shown: ({ left, right }, shuffle, answers) => ({
    left: answers ? shuffle(left, 'left') : left,
    right: shuffle(right, 'right'),
  }),
  contents: ({ left, right }) => contentsOf([...left, ...right]),
  lacks: ({ left, right }, { pairs }) => {
    const lack = optionsLack(left, 2, 'things on the left') ?? optionsLack(right, 2, 'things on the right')
    if (lack !== null) return lack
    const to = new Map(pairs)
    return left.every(({ id }) => right.some((each) => each.id === to.get(id))) ? null : 'Say what belongs to each on the left.'
  },
  copied: ({ left, right }, key, idOf) => ({
    ask: { left: copiedOptions(left, idOf), right: copiedOptions(right, idOf) },
    key: { ...key, pairs: key.pairs.map(([a, b]): [string, string] => [idOf(a), idOf(b)]) },
  }),
  counted: (answer) => answer.pairs.map((pair) => pair.join(' ')).sort(),
}

const share = z.number().check(z.minimum(0), z.maximum(1))
/** A rectangle on a picture, in shares of its width and height. */
const PlaceArea = z.object({ id: OptionId, x: share, y: share, width: share, height: share })
const PlaceAsk = z.object({ picture: z.nullable(ContentPicture) })
const PlaceKey = z.object({ areas: z.array(PlaceArea).check(z.maxLength(QUIZ_LIMITS.areas)) })
const PlaceAnswer = z.object({ x: share, y: share })

/** A place on a picture is pointed at; any of the areas is right. */
export const place: KindOfQuestion<z.infer<typeof PlaceAsk>, z.infer<typeof PlaceKey>, z.infer<typeof PlaceAnswer>> = {
  ...PLAIN,
  name: 'Place on a picture',
  ask: PlaceAsk,
  key: PlaceKey,
  answer: PlaceAnswer,
  judgedBy: 'rules',
  mark: (_, { areas }, { x, y }) =>
    areas.some((area) => x >= area.x && x <= area.x + area.width && y >= area.y && y <= area.y + area.height) ? 1 : 0,
  isAnswered: () => true,
  lacks: ({ picture }, { areas }) =>
    picture === null ? 'Choose a picture.' : areas.length === 0 ? 'Draw at least one area that is right.' : null,
  copied: (ask, { areas }, idOf) => ({ ask, key: { areas: areas.map((area) => ({ ...area, id: idOf(area.id) })) } }),
  // A tenth of the picture is as near as figures need it.
  counted: ({ x, y }) => [`${Math.min(9, Math.floor(x * 10))} ${Math.min(9, Math.floor(y * 10))}`],
}
