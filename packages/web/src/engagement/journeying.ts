import type { Journey, JourneyPart } from '@jackdaw/contracts/engagement'
import { wilsonInterval } from '@jackdaw/core/engagement'
import { GroupId, LocalDate, StepId, type GuideId } from '@jackdaw/core/shared'
import { Way, WAYS } from '@jackdaw/core/ways'
import * as z from 'zod/mini'
import { percentOf } from '../ui'
import { Words } from '../ui/search/searchParts'
import type { Texts } from '../ui/words/texts'
import { daysIn, LOOKING, pageAt } from './looking'

const Edition = z.string().check(z.regex(/^[1-9]\d{0,5}$/))
/** What visits can differ in, in the order in which it is offered. */
export const DIFFER_IN = ['way', 'edition', 'device', 'browser', 'language'] as const
export type DiffersIn = (typeof DIFFER_IN)[number]
/** What the page of a journey looks at, as it stands in the address. `beside`: what others are put beside it, such as `edition 1`. */
export const JOURNEY = {
  days: LOOKING.days,
  from: LocalDate,
  to: LocalDate,
  way: Way,
  edition: Edition,
  device: Words,
  browser: Words,
  language: Words,
  department: GroupId,
  site: GroupId,
  team: GroupId,
  beside: Words,
  part: z.enum(['came', 'on', 'back', 'left', 'visits', 'finished', 'elsewhere']),
  step: StepId,
}
export type Journeying = { [K in keyof typeof JOURNEY]: z.output<(typeof JOURNEY)[K]> | undefined }

/** The visits that are looked at, as the server is asked. */
export const visitsIn = (search: Journeying) => {
  const { way, edition, device, browser, language, department, site, team } = search
  return {
    ...daysIn(search),
    way,
    ...(edition === undefined ? {} : { edition: Number(edition) }),
    device: device || undefined,
    browser: browser || undefined,
    language: language || undefined,
    department,
    site,
    team,
  }
}

/** The same, but for what is put beside it; `null` where nothing is. */
export function besideIn(search: Journeying): Journeying | null {
  const [what = '', ...value] = (search.beside ?? '').split(' ')
  const which = [...DIFFER_IN, 'department' as const, 'site' as const, 'team' as const].find((each) => each === what)
  return which && value.length > 0 ? { ...search, [which]: value.join(' ') } : null
}

/** The visits that a figure counts. */
export const visitsAt = (id: GuideId, search: Journeying, part: JourneyPart, step?: StepId): string => {
  const { edition: _number, ...visits } = visitsIn(search)
  return pageAt(`/engagement/guides/${id}/visits`, { ...visits, edition: search.edition, days: 'own', part, step })
}

/** What a value is called in which visits differ. */
export const valueName = (t: Texts['t'], which: DiffersIn, value: string): string => {
  if (which === 'way') return t(WAYS[value as Way].name)
  if (which === 'edition') return t('Edition {{n}}', { n: value })
  return which === 'device' ? ({ computer: t('Computer'), phone: t('Phone'), tablet: t('Tablet') }[value] ?? value) : value
}

/** A share with where it may well lie: “15 % (9 to 23)”. */
export function shareOf(t: Texts['t'], hits: number, of: number): string {
  if (of === 0) return '–'
  const { low, high } = wilsonInterval(hits, of)
  return t('{{share}} ({{low}} to {{high}})', { share: percentOf(hits / of), low: Math.round(low * 100), high: Math.round(high * 100) })
}

/** How much longer than its words are read a step must take to be told. */
const LONGER = 2
/** The step that takes longest for its words, of those that enough visits came to; `null` where none takes twice as long. */
export function takesLongest({ steps }: Journey): Journey['steps'][number] | null {
  const longer = ({ meanMs, readingMs }: Journey['steps'][number]) => (meanMs ?? 0) / readingMs
  const [most] = steps.filter(({ came }) => came >= LEAST_VISITS).sort((a, b) => longer(b) - longer(a))
  return most && longer(most) >= LONGER ? most : null
}

/** Fewer visits, or fewer that left, tell nothing of a step. */
const LEAST_VISITS = 5
const LEAST_LEFT = 2
/** The step at which most leave, as far as can be said: of those with enough visits the one whose share is surely the largest. */
export function mostLeave({ steps }: Journey): Journey['steps'][number] | null {
  const sure = steps
    .filter(({ came, left }) => came >= LEAST_VISITS && left >= LEAST_LEFT)
    .map((step) => ({ step, low: wilsonInterval(step.left, step.came).low }))
  return sure.sort((a, b) => b.low - a.low)[0]?.step ?? null
}
