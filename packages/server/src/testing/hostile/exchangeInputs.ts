import type { PersonId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { START, type TestServer } from '../testServer'
import type { Special } from './special'

/** A file that somebody has asked for and that is still to be written.
 * @returns its id */
export async function anExport({ parts }: TestServer, personId: string, title = 'Trays'): Promise<string> {
  const id = nanoid()
  await parts.database.rows(
    `insert into export_file (id, person_id, title, what, told_as, draft, language, guides, state, asked_at, missing)
     values ($1, $2, $3, '{"of":"guides","guides":[]}', '{"format":"pdf","paper":"a4"}', false, 'en', 1, 'waiting', $4, '[]')`,
    [id, personId as PersonId, title, new Date(START)],
  )
  return id
}

const ofTheirs: Special = async (world, _things, input, caller) => {
  input.params['id'] = await anExport(world.server, world.personOf(caller))
}

/** One that is written. */
const written: Special = async (world, things, input, caller, random) => {
  await ofTheirs(world, things, input, caller, random)
  const { database, content } = world.server.parts
  const hash = await content.put(Buffer.from('%PDF-1.7'))
  await database.rows(`update export_file set state = 'ready', hash = $2, bytes = 8 where id = $1`, [input.params['id'], hash])
}

/** What no schema can say of files that are made of guides. */
export const EXCHANGE_INPUTS: Record<string, Special> = {
  'post /api/exports': async (world, things, input) => {
    Object.assign(input.body as object, { what: { of: 'guides', guides: [things.guide] }, draft: false })
    // How many wait at once has a test of its own.
    await world.server.parts.database.rows('delete from export_file')
  },
  'get /api/exports/:id': ofTheirs,
  'delete /api/exports/:id': ofTheirs,
  'get /exports/:id/file': written,
}
