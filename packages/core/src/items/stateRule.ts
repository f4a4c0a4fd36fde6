/** The states of a person's item in the order in which they ask for something to be done. */
export const STATE_ORDER = ['late', 'due-soon', 'out-of-date', 'in-progress', 'not-started', 'waiting', 'done', 'waived'] as const
/** How far a person is with an item. */
type State = (typeof STATE_ORDER)[number]

/** This long before its end an assignment counts as due soon. */
export const DUE_SOON_MS = 3 * 86_400_000

/** What is known about a person and an item. Editions count from 1; instants are epoch milliseconds, UTC. */
export type ItemFacts = {
  /** Newest edition that the person finished, or `null`. */
  finishedEdition: number | null
  /** Newest edition that they finished and that the server vouches for, or `null`. */
  attestedEdition: number | null
  /** Oldest edition whose completion still counts. */
  requiredEdition: number
  /** Whether what is only claimed closes the item. */
  claimSuffices: boolean
  /** When they began, or `null`. */
  startedAt: number | null
  dueAt: number | null
  /** Since when they need not do it, or `null`. */
  waivedAt: number | null
  /** When the present round began, of what is to be done again and again; `null` in the first one. */
  roundFrom: number | null
  /** When they finished {@link finishedEdition} last, {@link attestedEdition} last, and when they used it last; `null` for never. */
  lastFinishedAt: number | null
  lastAttestedAt: number | null
  lastAt: number | null
  /** When they last handed in what somebody else has to judge, and when that was last answered or taken back; `null` for never. */
  handedInAt: number | null
  answeredAt: number | null
}
/** What a condition may speak of: the facts, and two instants. `soon` is {@link DUE_SOON_MS} after `now`. */
export type StateTerm = keyof ItemFacts | 'now' | 'soon'
/** A condition of the rule, as data: it is asked of values here, and made into SQL by the server. What is not known is never reached. */
export type StateCondition =
  | { known: StateTerm }
  | { unset: StateTerm }
  | { holds: StateTerm }
  | { from: StateTerm; to: StateTerm }
  | { all: readonly StateCondition[] }
  | { any: readonly StateCondition[] }

/** Whether something was so in the present round. */
const inThisRound = (at: StateTerm): StateCondition => ({ any: [{ unset: 'roundFrom' }, { from: 'roundFrom', to: at }] })

/** The rule for the state of an item: the first line whose condition holds; where none does, it is not started. */
export const STATE_RULE: readonly { state: Exclude<State, 'not-started'>; when: StateCondition }[] = [
  {
    state: 'done',
    when: {
      any: [
        { all: [{ from: 'requiredEdition', to: 'attestedEdition' }, inThisRound('lastAttestedAt')] },
        { all: [{ holds: 'claimSuffices' }, { from: 'requiredEdition', to: 'finishedEdition' }, inThisRound('lastFinishedAt')] },
      ],
    },
  },
  { state: 'waived', when: { known: 'waivedAt' } },
  {
    state: 'waiting',
    when: {
      all: [
        { known: 'handedInAt' },
        inThisRound('handedInAt'),
        { any: [{ unset: 'answeredAt' }, { from: 'answeredAt', to: 'handedInAt' }] },
      ],
    },
  },
  { state: 'late', when: { from: 'dueAt', to: 'now' } },
  { state: 'due-soon', when: { from: 'dueAt', to: 'soon' } },
  { state: 'out-of-date', when: { all: [{ known: 'finishedEdition' }, { unset: 'roundFrom' }] } },
  { state: 'in-progress', when: { all: [{ known: 'startedAt' }, inThisRound('lastAt')] } },
]

type Known = ItemFacts & { now: number; soon: number }
function asks(condition: StateCondition, known: Known): boolean {
  if ('all' in condition) return condition.all.every((each) => asks(each, known))
  if ('any' in condition) return condition.any.some((each) => asks(each, known))
  if ('known' in condition) return known[condition.known] !== null
  if ('unset' in condition) return known[condition.unset] === null
  if ('holds' in condition) return known[condition.holds] === true
  const [from, to] = [known[condition.from], known[condition.to]]
  return typeof from === 'number' && typeof to === 'number' && from <= to
}

/** The state of a person's item.
 * @param now epoch milliseconds, UTC */
export function stateOf(facts: ItemFacts, now: number): State {
  const known = { ...facts, now, soon: now + DUE_SOON_MS }
  return STATE_RULE.find(({ when }) => asks(when, known))?.state ?? 'not-started'
}
