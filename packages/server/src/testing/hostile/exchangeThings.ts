import { nanoid } from 'nanoid'
import { START, type TestServer } from '../testServer'

/** A file that somebody has asked for and that is still to be written.
 * @returns its id */
export async function anExport({ parts }: TestServer, personId: string, title = 'Trays'): Promise<string> {
  const id = nanoid()
  await parts.database.rows(
    `insert into export_file (id, person_id, title, what, told_as, draft, language, guides, state, asked_at, missing)
     values ($1, $2, $3, '{"of":"guides","guides":[]}', '{"format":"pdf","paper":"a4"}', false, 'en', 1, 'waiting', $4, '[]')`,
    [id, personId, title, new Date(START)],
  )
  return id
}
