import type { FigurePage, FigurePart } from '@jackdaw/contracts/figurePages'
import { OwnerSort, ReaderSort, StepSort, UsedSort } from '@jackdaw/contracts/engagement'
import { daysBack, daysLooked, earlier, isMailDue, type MailedEvery } from '@jackdaw/core/engagement'
import { aboutFigurePage } from '@jackdaw/core/inbox'
import { localDateAt, type FigurePageId, type LocalDate, type PersonId } from '@jackdaw/core/shared'
import { may } from '@jackdaw/core/people'
import type { Caller, Parts } from '../../http'
import { Refused } from '../../http'
import { notify } from '../../inbox'
import { amongFor, findCaller } from '../../people'
import { figuresOf } from '../figures'
import { goalOf, goalResult } from '../goals'
import { namesIn } from '../namesIn'
import { owners, readers } from '../people'
import { usesKeptSince } from '../keptUse'
import type { Scope } from '../scope'
import { soughtThings } from '../searches'
import { spanOf } from '../spanOf'
import { timedSteps } from '../timedSteps'
import { usedItems } from '../usedItems'
import { pagesFor } from './store'

const FIRST_OF_LIST = 3
const firstOf = (names: readonly string[]): string => (names.length === 0 ? '–' : names.slice(0, FIRST_OF_LIST).join(', '))
const BY = { sort: 'views', down: true, page: 1 } as const

/** What a part says in a line, with the figures that somebody may see. */
async function lineOf(
  { database: db, events }: Parts,
  caller: Caller,
  { shows, name, goal, looking }: FigurePart,
  now: number,
): Promise<string> {
  const { department, site, team, kind, item, owner, folder, person, sort, direction, shown = 'views', compare = 'before', which } = looking
  const among = amongFor(caller, { department, site, team })
  const scope: Scope = { kind, item, owner, folder, person, among, keptSince: await usesKeptSince(db) }
  const span = spanOf(daysLooked(looking, localDateAt(now, caller.zone)), caller, now)
  const down = direction !== 'up'
  if (shows === 'goal' && goal !== null) {
    const { began, steps } = await goalResult(db, events.verbs, { goal: await goalOf(db, goal), among, span, now })
    return `${name}: ${steps.at(-1)?.reached ?? 0} / ${began}`
  }
  await namesIn(db, scope)
  switch (shows) {
    case 'used': {
      const { rows } = await usedItems(db, scope, span, { ...BY, sort: UsedSort.safeParse(sort).data ?? 'views', down })
      return `${name}: ${firstOf(rows.map((row) => row.title))}`
    }
    case 'steps': {
      const { rows } = await timedSteps(db, { ...scope, person: undefined, kind: undefined }, span, {
        ...BY,
        sort: StepSort.safeParse(sort).data ?? 'ratio',
        down,
      })
      return `${name}: ${firstOf(rows.map((row) => row.name))}`
    }
    case 'readers': {
      const { rows } = await readers(db, scope, span, { ...BY, sort: ReaderSort.safeParse(sort).data ?? 'views', down })
      return `${name}: ${firstOf(rows.map((row) => row.person.name))}`
    }
    case 'owners': {
      const { rows } = await owners(db, scope, span, { ...BY, sort: OwnerSort.safeParse(sort).data ?? 'views', down })
      return `${name}: ${firstOf(rows.map((row) => row.person.name))}`
    }
    case 'sought': {
      const { rows } = await soughtThings(db, { among, span }, { unanswered: which === 'unanswered', page: 1 })
      return `${name}: ${firstOf(rows.map(({ words }) => words))}`
    }
    default: {
      const { whole } = await figuresOf(db, scope, [span])
      if (compare === 'none') return `${name}: ${whole[shown]}`
      const before = await figuresOf(db, scope, [earlier(span, daysBack(span, compare))])
      return `${name}: ${whole[shown]} (${before.whole[shown]})`
    }
  }
}
/** A part of which somebody may see nothing, that is gone, or whose days cannot be looked at, says nothing: the others are mailed all the same. */
async function lineIfSeen(parts: Parts, caller: Caller, part: FigurePart, now: number): Promise<string[]> {
  try {
    return [await lineOf(parts, caller, part, now)]
  } catch (error) {
    if (error instanceof Refused && (error.code === 'not-found' || error.code === 'invalid')) return []
    throw error
  }
}
/** What a page says, a line for each part. */
const linesOf = async (parts: Parts, caller: Caller, page: FigurePage, now: number): Promise<string[]> => {
  const lines: string[] = []
  for (const part of page.parts) lines.push(...(await lineIfSeen(parts, caller, part, now)))
  return lines
}

type Due = { page_id: FigurePageId; person_id: PersonId; every: MailedEvery; mailed_on: LocalDate; zone: string }
/** Tells everybody of the pages that are to be mailed to them today, with the figures that they may see. Whoever does not find a page any more is not told of it. */
export async function mailFigures(parts: Parts, now: number): Promise<number> {
  const { database: db } = parts
  const asked = await db.rows<Due>(
    `select m.page_id, m.person_id, m.every, to_char(m.mailed_on, 'YYYY-MM-DD') as mailed_on, s.zone
     from figure_page_mail m join person p on p.id = m.person_id and p.active join people_group s on s.id = p.site_id order by m.page_id, m.person_id`,
  )
  let told = 0
  for (const { page_id, person_id, every, mailed_on, zone } of asked) {
    const today = localDateAt(now, zone)
    if (!isMailDue(every, mailed_on, today)) continue
    const caller = await findCaller(db, person_id)
    const page = caller && (await pagesFor(db, person_id, page_id))[0]
    if (!caller || !page || !may(caller.permissions, 'records.list', new Set(caller.hasReports ? ['reports'] : []))) continue
    const figures = (await linesOf(parts, caller, page, now)).join(' · ')
    await db.transaction(async (tx) => {
      // Two servers at once tell it once.
      const first = await tx.rows(
        'update figure_page_mail set mailed_on = $3::date where page_id = $1 and person_id = $2 and mailed_on < $3::date returning 1',
        [page_id, person_id, today],
      )
      if (first.length === 0) return
      told++
      await notify(
        tx,
        parts,
        'figures',
        aboutFigurePage(page_id),
        [{ personId: person_id, data: { title: page.name, figures: figures.slice(0, 2_000) } }],
        now,
      )
    })
  }
  return told
}
