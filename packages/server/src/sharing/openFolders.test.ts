import type { FolderId, GuideId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest'
import { aGuide, Client, smallCompany, startTestServer, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
let admin: Client
let guest: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
  admin = await company.as('admin')
  guest = new Client(server.address)
})
afterAll(() => server.close())
beforeEach(() => admin.json('put', '/api/sharing', { anyone: true, frames: [] }))

const aFolder = async (name: string, parentId: FolderId | null = null): Promise<FolderId> =>
  (await lead.json('post', '/api/folders', { name, parentId })).id
async function guideIn(folder: FolderId, options: Parameters<typeof aGuide>[3] = {}): Promise<GuideId> {
  const { id } = await aGuide(server, company, 'author', options)
  await move(id, folder)
  return id
}
const move = (id: GuideId, folderId: FolderId | null) =>
  server.parts.database.rows('update guide set folder_id = $2 where id = $1', [id, folderId])
const open = (folder: FolderId, isOpen = true) => lead.json('put', `/api/folders/${folder}/open`, { open: isOpen })
const page = (folder: string) => guest.send('get', `/api/open-folders/${folder}`)
const addresses = async (folder: FolderId): Promise<string[]> =>
  ((await (await page(folder)).json()) as any).guides.map((each: any) => each.address)
const behind = (address: string) => guest.send('get', `/api/shared/${address.slice('/l/'.length)}`)

describe('an open folder', () => {
  it('shows the published guides in it and below it by title, each behind an address that stays the same', async () => {
    const [top, other] = [await aFolder('Deliveries'), await aFolder('Elsewhere')]
    const below = await aFolder('Cold chain', top)
    const [first, second] = [await guideIn(top), await guideIn(below)]
    await guideIn(top, { published: false })
    await guideIn(other)
    expect((await page(top)).status).toBe(404)
    const { address } = await open(top)
    expect(address).toMatch(new RegExp(`/open/${top}$`))
    expect(await lead.json('get', `/api/folders/${top}/open`)).toEqual({ anyone: true, address })
    const text = await (await page(top)).text()
    expect(JSON.parse(text)).toMatchObject({ name: 'Deliveries', guides: [{ title: 'Rinse the trays' }, { title: 'Rinse the trays' }] })
    expect(text).not.toContain('Name of')
    const list = await addresses(top)
    expect(await addresses(top)).toEqual(list)
    const guides = await Promise.all(list.map(async (each) => ((await (await behind(each)).json()) as any).guide.guideId))
    expect(new Set(guides)).toEqual(new Set([first, second]))
    expect((await lead.json('get', `/api/guides/${first}/links`)).links).toMatchObject([{ folder: 'Deliveries', visits: 0 }])
  })
  it('closes what it has opened: with the folder, for a guide that leaves it, and for all where the company says so', async () => {
    const folder = await aFolder('Yard')
    await guideIn(folder)
    const leaves = await guideIn(folder)
    await open(folder)
    const list = await addresses(folder)
    const status = async () => (await Promise.all(list.map(behind))).map((each) => each.status).sort()
    expect(await status()).toEqual([200, 200])
    await move(leaves, null)
    expect(await status()).toEqual([200, 404])
    await open(folder, false)
    expect(await status()).toEqual([404, 404])
    expect((await page(folder)).status).toBe(404)
    // Opened again, the addresses hold again.
    await open(folder)
    expect(list).toEqual(expect.arrayContaining(await addresses(folder)))
    expect(await addresses(folder)).toHaveLength(1)
    await admin.json('put', '/api/sharing', { anyone: false, frames: [] })
    expect([(await page(folder)).status, ...(await status())]).toEqual([404, 404, 404])
    expect((await lead.send('put', `/api/folders/${folder}/open`, { open: true })).status).toBe(409)
  })
  it('is opened by those who lead, and its links are not taken back one by one', async () => {
    const folder = await aFolder('Gate')
    const id = await guideIn(folder)
    for (const who of ['staff', 'author'] as const)
      expect((await (await company.as(who)).send('put', `/api/folders/${folder}/open`, { open: true })).status).toBe(403)
    expect((await lead.send('put', `/api/folders/${nanoid()}/open`, { open: true })).status).toBe(404)
    await open(folder)
    await addresses(folder)
    const [link] = (await lead.json('get', `/api/guides/${id}/links`)).links
    expect((await lead.send('post', `/api/guides/${id}/links/${link.id}/revoke`)).status).toBe(404)
  })
})
