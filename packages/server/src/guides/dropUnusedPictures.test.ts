import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { removeStrayFiles } from '../files'
import { documentOf, aGuide, smallCompany, START, startTestServer, type Company, type TestServer } from '../testing/testServer'
import { dropUnusedPictures, KEPT_UNUSED_MS } from './dropUnusedPictures'

let server: TestServer
let company: Company
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
})
afterAll(() => server.close())

const picture = async (guideId: string, shade: number): Promise<string> => {
  const id = nanoid()
  const bytes = await sharp({ create: { width: 8, height: 8, channels: 3, background: { r: shade, g: 0, b: 0 } } })
    .png()
    .toBuffer()
  await server.services.addPicture({ id: id as never, guideId: guideId as never, bytes, by: company.people.author, now: START })
  return id
}
const filesOf = async (id: string): Promise<boolean> =>
  (await server.parts.database.rows('select 1 from picture_version where picture_id = $1', [id])).length > 0

it('drops pictures that were mentioned nowhere for thirty days, and no others', async () => {
  const { database, content } = server.parts
  const document = documentOf('Trays', 'Fill')
  const { id: guideId } = await aGuide(server, company, 'author', { published: false, document })
  const [unused, used, lately, edited] = [
    await picture(guideId, 1),
    await picture(guideId, 2),
    await picture(guideId, 3),
    await picture(guideId, 4),
  ]
  await database.rows(`update draft set document = jsonb_set(document, '{summary}', to_jsonb($2::text)) where guide_id = $1`, [
    guideId,
    `shows ${used}`,
  ])
  const later = START + KEPT_UNUSED_MS + 1_000
  await database.rows(
    `insert into draft_change (guide_id, revision, change_set_id, changes, conflicts, person_id, saved_at) values ($1, 9, 'x', to_jsonb($2::text), '[]', $3, $4)`,
    [guideId, `took ${edited} away`, company.people.author, new Date(later - 1_000)],
  )
  await database.rows('update picture set created_at = $2 where id = $1', [lately, new Date(later)])
  expect(await dropUnusedPictures(database, later - 2_000)).toBe(0)
  expect(await dropUnusedPictures(database, later)).toBe(1)
  expect(await Promise.all([unused, used, lately, edited].map(filesOf))).toEqual([false, true, true, true])
  await server.runner.drain()
  // What no row refers to any more goes too, once it has lain long enough.
  const stray = await content.put(Buffer.from('left by an upload that was broken off'))
  expect(await removeStrayFiles(database, content, Date.now())).toBe(0)
  expect(await removeStrayFiles(database, content, Date.now() + 2 * 86_400_000)).toBe(1)
  expect(await content.get(stray)).toBeUndefined()
  const rows = await database.rows<{ hash: string }>('select full_hash as hash from picture_version')
  for (const { hash } of rows) expect(await content.get(hash)).toBeDefined()
})
