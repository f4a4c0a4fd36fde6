import { posix } from 'node:path'
import type { ImportReport } from '@jackdaw/contracts/exchange'
import type { FolderId, GroupId } from '@jackdaw/core/shared'
import { takableQuizzes } from '../../guides'
import { fail, type Caller, type Parts } from '../../http'
import { readPictures, storeDraft } from './drafting'

/** What of a zip was not used, as far as it is listed. */
export const otherFiles = (files: ReadonlyMap<string, Buffer>, used: ReadonlySet<string>): string[] =>
  [...files.keys()].filter((path) => !used.has(path)).slice(0, 500)

/** Makes a draft of the file of a whole guide. Quizzes that are not here, or not for whoever takes it in, are left out and listed, as are pictures that are
 * missing; groups that are not here are listed: rules that ask for them never hold. */
export async function importGuideFile(
  parts: Parts,
  caller: Caller,
  source: { path: string; text: string; files: ReadonlyMap<string, Buffer> },
  folderId: FolderId | null,
  now: number,
): Promise<ImportReport> {
  const { database: db, decoder } = parts
  const read = await decoder.guideFile(source.text)
  if (!read.ok) return fail('bad-zip', read.words)
  const folder = posix.dirname(source.path)
  const files = read.pictures.map(({ id, file }) => ({ id, path: file, at: posix.join(folder, file) }))
  const { ready, missing } = await readPictures(
    decoder,
    files.map(({ id, path, at }) => {
      const bytes = source.files.get(at)
      return { id, path, ...(bytes ? { bytes } : { bytes: null, why: 'not in the zip' }) }
    }),
  )
  const asked = read.quizzes.map((quiz) => quiz.id)
  const takable = await takableQuizzes(db, asked, caller.id)
  const groups = await db.rows<{ id: GroupId }>('select id from people_group where id = any ($1)', [read.groups.map((group) => group.id)])
  const here = new Set(groups.map((group) => group.id))
  const done = await decoder.settleFile({ documentText: read.documentText, pictures: ready.map(({ id }) => id), quizzes: [...takable] })
  if (!done.ok) return fail('bad-zip', done.words)
  const { settled } = done
  const { id, number } = await storeDraft(parts, caller, { settled, ready, missing, folderId }, now)
  return {
    ...{ id, number, title: settled.title, steps: settled.steps, sections: settled.sections, pictures: ready.length },
    missingPictures: missing,
    notPlaced: [],
    rough: false,
    otherFiles: otherFiles(source.files, new Set([source.path, ...files.map(({ at }) => at)])),
    notHere: [
      ...read.quizzes.filter((quiz) => !takable.has(quiz.id)).map((quiz) => `Quiz: ${quiz.name}`),
      ...read.groups.filter((group) => !here.has(group.id)).map((group) => `Group: ${group.name}`),
    ],
  }
}
