import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { stepsOf, type Step } from '@jackdaw/core/guides'
import { aboutExport } from '@jackdaw/core/inbox'
import { localDateAt, type ExportId, type PictureId } from '@jackdaw/core/shared'
import type { Db } from '../../db'
import { noteRemoval } from '../../files'
import { Refused, type Parts } from '../../http'
import { notify } from '../../inbox'
import type { Running } from '../../jobs'
import { findCaller } from '../../people'
import type { PictureFiles } from '../../writing'
import { choose } from './choose'
import { gather, type UsedPicture } from './gather'
import { missingScripts } from './missingScripts'
import { EXPORT_FILE, EXPORT_PICTURE, type ExportFile } from './model'

const DAY_MS = 86_400_000
/** How long a file is kept. */
const KEPT_MS = 7 * DAY_MS
/** How often it is written down how far it is, at the most. */
const TOLD_EVERY = 5

/** Puts the pictures where the writing process finds them. */
async function layOutPictures(
  { content }: Pick<Parts, 'content'>,
  pictures: readonly UsedPicture[],
  folder: string,
): Promise<PictureFiles> {
  const files: Record<PictureId, { path: string; mediaType: string }> = {}
  for (const { id, hash, mediaType } of pictures) {
    const bytes = await content.get(hash)
    // Blacked out meanwhile: seen once more at the end.
    if (!bytes) continue
    const path = join(folder, id)
    await writeFile(path, bytes)
    files[id] = { path, mediaType }
  }
  return files
}

/** Whether the pictures are still those that went into the file; a blackout waits for the end of the transaction, or is through. */
async function areAsTheyWere(tx: Db, pictures: readonly UsedPicture[]): Promise<boolean> {
  const ids = pictures.map((picture) => picture.id)
  await tx.rows('select id from picture where id = any ($1) order by id for share', [ids])
  const now = await tx.rows<{ id: PictureId; version: number }>(
    'select picture_id as id, max(version) as version from picture_version where picture_id = any ($1) group by 1',
    [ids],
  )
  const newest = new Map(now.map((row) => [row.id, row.version]))
  return pictures.every(({ id, version }) => newest.get(id) === version)
}

const waitsToBeBlackedOut = (step: Step): boolean =>
  step.pictures.some((picture) => picture.annotations?.some((each) => each.kind === 'blackout'))

type Written = { hash: string; bytes: number; pages: number | null; missing: string[]; pictures: UsedPicture[] }

async function write(parts: Parts, row: ExportFile, now: number): Promise<Written> {
  const { database: db, content, writer } = parts
  const caller = await findCaller(db, row.personId)
  if (!caller) throw new Refused('not-allowed', 'Who asked for it is not here any more.')
  // Asked anew: what they may see may have changed since.
  const chosen = await choose(db, caller, { what: row.what, as: row.toldAs, draft: row.draft })
  const whole = row.toldAs.format === 'guide-file'
  const { handout, pictures } = await gather(parts, chosen, row.title, { draft: row.draft, language: row.language, now, whole })
  if (whole && stepsOf(handout.guides[0]!.document).some(waitsToBeBlackedOut))
    throw new Refused(
      'invalid',
      'A blackout in this guide waits to be applied. Apply it, or take it away: the file would hold what it hides.',
    )
  const folder = await mkdtemp(join(tmpdir(), 'jackdaw-export-'))
  try {
    const file = join(folder, 'file')
    const files = await layOutPictures(parts, pictures, folder)
    let told = 0
    const onProgress = (done: number, of: number) => {
      if (done < of && done - told < TOLD_EVERY) return
      told = done
      db.in(EXPORT_FILE)
        .update({ done, ofAll: of }, { id: row.id, state: 'writing' })
        .catch((error: unknown) => parts.log.warn({ error }, 'how far a file is could not be written down'))
    }
    const source = { handout, pictures: files, language: row.language, file, now }
    const { toldAs } = row
    const outcome =
      toldAs.format === 'pdf'
        ? await writer.write('pdf', { ...source, paper: toldAs.paper }, onProgress)
        : await writer.write(toldAs.format, source, onProgress)
    if (!outcome.ok) {
      if (outcome.fault) parts.log.error({ exportId: row.id, fault: outcome.fault }, 'a file could not be written')
      throw new Refused('invalid', outcome.words)
    }
    const bytes = await readFile(file)
    return { hash: await content.put(bytes), bytes: bytes.length, pages: outcome.pages, missing: outcome.missing, pictures }
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** Writes a file that somebody has asked for, and tells them. */
export async function writeExport(parts: Parts, exportId: ExportId, running: Running): Promise<void> {
  const { database: db } = parts
  const row = await db.in(EXPORT_FILE).one({ id: exportId })
  // Deleted meanwhile, or written by somebody else.
  if (!row || !['waiting', 'writing'].includes(row.state)) return
  await db.in(EXPORT_FILE).update({ state: 'writing', done: null, ofAll: null }, { id: exportId })
  const about = aboutExport(exportId)
  let written: Written
  try {
    written = await write(parts, row, running.now)
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    const reason = error.message
    await running.finish(async (tx) => {
      await tx.in(EXPORT_FILE).update({ state: 'failed', reason }, { id: exportId })
      await notify(tx, parts, 'export-failed', about, [{ personId: row.personId, data: { title: row.title, reason } }], running.now)
    })
    return
  }
  const { hash, bytes, pages, missing, pictures } = written
  const keptUntil = running.now + KEPT_MS
  await running.finish(async (tx) => {
    if (!(await areAsTheyWere(tx, pictures))) throw new Error('a picture was changed while the file was written')
    const [still] = await tx.rows('select 1 from export_file where id = $1 for update', [exportId])
    if (!still) return noteRemoval(tx, [hash])
    await tx
      .in(EXPORT_FILE)
      .update(
        { state: 'ready', keptUntil, hash, bytes, pages, missing: missingScripts(missing), done: null, ofAll: null },
        { id: exportId },
      )
    await tx.in(EXPORT_PICTURE).insertAll(pictures.map(({ id: pictureId, version }) => ({ exportId, pictureId, version })))
    const until = localDateAt(keptUntil, 'UTC')
    await notify(tx, parts, 'export-ready', about, [{ personId: row.personId, data: { title: row.title, until } }], running.now)
  })
}
