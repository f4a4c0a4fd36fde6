import { createHash } from 'node:crypto'
import { setImmediate } from 'node:timers/promises'
import { LINES_SHOWN, type Counts, type PeoplePreview } from '@jackdaw/contracts/peopleFiles'
import type { InvitationTime } from '@jackdaw/contracts/account'
import { csvHead, csvLines, known, type CsvRow, type PersonId } from '@jackdaw/core/shared'
import type { Fault, ImportPlan } from '@jackdaw/core/people'
import type { Response } from 'express'
import type { Db } from '../../db'
import { fail, said, type Caller, type Parts } from '../../http'
import { changePeople, holdAll } from '../changing/changePeople'
import { GROUP, GROUP_KIND, INVITATION } from '../model'
import { AT_ONCE, planOf, readPeopleFile, rowsOf, type HowRead } from './peopleFile'

const countsOf = (plan: ImportPlan): Counts => {
  const counts: Counts = { added: 0, changed: 0, returned: 0, same: 0, wrong: 0 }
  for (const { outcome } of plan.lines) counts[outcome]++
  return counts
}
/** Names what a plan does, without the ids that are made anew each time. */
async function seenAs(plan: ImportPlan): Promise<string> {
  const hash = createHash('sha256')
  for (const [n, { line, outcome, changes }] of plan.lines.entries()) {
    hash.update(JSON.stringify([line, outcome, changes]))
    if (n % AT_ONCE === 0) await setImmediate()
  }
  return hash.digest('base64url')
}

/** What a file would do. */
export async function preview(parts: Parts, bytes: Buffer, how: HowRead, caller: Caller): Promise<PeoplePreview> {
  const { database } = parts
  const file = await readPeopleFile(parts, bytes, how)
  const plan: ImportPlan = file.fault ? { lines: [], states: [], newGroups: [] } : await planOf(database, parts, file, how, caller)
  const kinds = new Map((await database.in(GROUP_KIND).find({})).map(({ id, name }) => [id, name]))
  const sample: string[][] = []
  for await (const [, ...cells] of rowsOf(file.table, 3)) sample.push(file.table.heads.map((_, at) => (cells[at] ?? '').slice(0, 80)))
  const added = new Set(plan.lines.flatMap(({ outcome, id }) => (outcome === 'added' && id ? [id] : [])))
  return {
    heads: file.table.heads,
    columns: [...file.columns],
    sample,
    encoding: file.table.encoding,
    fault: file.fault,
    counts: countsOf(plan),
    newGroups: plan.newGroups.map(({ kind, name }) => ({ kind: kinds.get(kind) ?? '', name })),
    wrong: plan.lines.filter(({ outcome }) => outcome === 'wrong').slice(0, LINES_SHOWN),
    others: plan.lines.filter(({ outcome }) => outcome !== 'wrong' && outcome !== 'same').slice(0, LINES_SHOWN),
    withMail: plan.states.filter(({ id, mail }) => added.has(id) && mail !== null).length,
    seen: await seenAs(plan),
  }
}

/** A fault in English, for a file. */
const inWords = ({ words, put = {} }: Fault): string => words.replace(/\{\{(\w+)\}\}/g, (_, name: string) => String(put[name] ?? ''))

/** Sends the lines that are wrong, each with what is wrong with it. */
export async function sendFaults(parts: Parts, bytes: Buffer, how: HowRead, caller: Caller, res: Response): Promise<void> {
  const file = await readPeopleFile(parts, bytes, how)
  if (file.fault) return fail('not-a-table', file.fault)
  const plan = await planOf(parts.database, parts, file, how, caller)
  const faults = new Map(plan.lines.flatMap((line) => (line.faults.length > 0 ? [[line.line, line.faults]] : [])))
  res.setHeader('Cache-Control', 'no-store')
  res.setHeader('Content-Disposition', 'attachment; filename="lines-to-mend.csv"')
  res.type('text/csv; charset=utf-8')
  res.write(csvHead([...file.table.heads, 'What is wrong', 'Line']))
  for await (const [line, ...cells] of rowsOf(file.table)) {
    const wrong = faults.get(line)
    const row: CsvRow = [...file.table.heads.map((_, at) => cells[at] ?? ''), (wrong ?? []).map(inWords).join(' '), line]
    if (wrong) res.write(csvLines([row]))
  }
  res.end()
}

/** Takes a file in, all at once. */
export async function takeIn(
  parts: Parts,
  bytes: Buffer,
  how: HowRead & { withoutWrong?: 'yes' | undefined; seen: string; invite: InvitationTime },
  caller: Caller,
  now: number,
): Promise<{ counts: Counts; newGroups: number; invited: number }> {
  const file = await readPeopleFile(parts, bytes, how)
  if (file.fault) return fail('not-a-table', file.fault)
  return parts.database.transaction(async (tx) => {
    await holdAll(tx)
    const plan = await planOf(tx, parts, file, how, caller)
    const counts = countsOf(plan)
    if ((await seenAs(plan)) !== how.seen)
      fail('seen-otherwise', 'People have changed since you looked what the file does. Look again; nothing was taken in.')
    if (counts.wrong > 0 && how.withoutWrong !== 'yes')
      fail('lines-wrong', said('{{count}} lines are wrong. Mend them, or take in all but these.', { count: counts.wrong }))
    const zone = known(new Map((await tx.in(GROUP).find({ id: how.site })).map((site) => [site.id, site.zone])), how.site)
    await tx.in(GROUP).insertAll(
      plan.newGroups.map(({ id, kind, name }) => ({
        ...{ id, kindId: kind, name, about: '', zone: kind === 'site' ? zone : null },
        ...{ leaderId: null, createdAt: now, closedAt: null },
      })),
    )
    const changed = await changePeople(tx, parts, {
      ids: plan.lines.flatMap(({ id, outcome }) => (id && (outcome === 'changed' || outcome === 'returned') ? [id] : [])),
      by: caller,
      now,
      into: () => plan.states,
    })
    const added = changed.flatMap(({ before, after }) => (before === null && after.mail !== null ? [after.id] : []))
    await prepareInvitations(tx, added, caller.id, how.invite, now)
    return { counts, newGroups: plan.newGroups.length, invited: added.length }
  })
}

/** Notes when those who were added are to be invited; those whose time has come are mailed within the minute. */
const prepareInvitations = (tx: Db, ids: readonly PersonId[], byId: PersonId, invite: InvitationTime, now: number): Promise<unknown> =>
  tx.in(INVITATION).insertAll(
    ids.map((personId) => ({
      ...{ personId, byId, createdAt: now, sentAt: null, withdrawnAt: null },
      sendAt: invite === 'now' ? now : invite === 'not-yet' ? null : invite,
    })),
  )
