import { anExport } from './exchangeThings'
import type { Special } from './special'

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
