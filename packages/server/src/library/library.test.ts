import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { aGuide, documentOf, smallCompany, startTestServer, type Client, type Company, type TestServer } from '../testing/testServer'

let server: TestServer
let company: Company
let lead: Client
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

type Row = { id: string; title: string; state: string; number: number }
const folder = (name: string, parentId: string | null = null): Promise<{ id: string }> =>
  lead.json('post', '/api/folders', { name, parentId })
const change = (id: string, body: object) => lead.send('patch', `/api/folders/${id}`, body)
const code = async (response: Response) => ((await response.json()) as { code: string }).code

describe('folders', () => {
  it('are made, renamed and moved, but never into themselves', async () => {
    const [top, inside] = [await folder('Packhouse'), await folder('spare')]
    expect((await change(inside.id, { name: 'Crates', parentId: top.id })).status).toBe(204)
    expect(await code(await change(top.id, { parentId: inside.id }))).toBe('folder-loop')
    expect(await code(await change(top.id, { parentId: top.id }))).toBe('folder-loop')
    expect(await lead.json('get', '/api/folders')).toContainEqual({ id: inside.id, parentId: top.id, name: 'Crates', guides: 0 })
    expect(await code(await change(nanoid(), { name: 'x' }))).toBe('not-found')
  })
  it('cannot be moved into each other by two people at once', async () => {
    for (let i = 0; i < 5; i++) {
      const [a, b] = [await folder(`A${i}`), await folder(`B${i}`)]
      const statuses = (await Promise.all([change(a.id, { parentId: b.id }), change(b.id, { parentId: a.id })]))
        .map((response) => response.status)
        .sort()
      expect(statuses).toEqual([204, 409])
    }
  })
  it('are archived only when they are empty', async () => {
    const top = await folder('Old')
    const child = await folder('Older', top.id)
    const { id } = await lead.json('post', '/api/guides', { title: 'In the way', kind: 'how-to', folderId: child.id })
    expect(await code(await change(child.id, { archived: true }))).toBe('folder-not-empty')
    expect(await code(await change(top.id, { archived: true }))).toBe('folder-not-empty')
    await lead.json('patch', `/api/guides/${id}`, { archived: true }, 204)
    expect((await change(child.id, { archived: true })).status).toBe(204)
    expect((await change(top.id, { archived: true })).status).toBe(204)
    expect((await lead.send('post', '/api/guides', { title: 'x', kind: 'how-to', folderId: child.id })).status).toBe(422)
  })
  it('show staff only those that lead to a guide of theirs', async () => {
    const [a, b] = [await folder('With'), await folder('Without')]
    const inner = await folder('Inner', a.id)
    const guide = await aGuide(server, company, 'lead')
    await lead.json('patch', `/api/guides/${guide.id}`, { folderId: inner.id }, 204)
    const seen = (await (await company.as('staff')).json('get', '/api/folders')).map((each: { id: string }) => each.id)
    expect(seen).toEqual(expect.arrayContaining([a.id, inner.id]))
    expect(seen).not.toContain(b.id)
    expect(await (await company.as('outsider')).json('get', '/api/folders')).toEqual([])
  })
})

describe('the list of guides', () => {
  it('finds by a part of the title in any case and with any accents, and by number', async () => {
    const guide = await aGuide(server, company, 'lead', { document: documentOf('Łodygi: cut the stems', 'x') })
    const { number } = (await lead.json('get', '/api/guides?find=stems')).rows[0]
    for (const find of ['lodygi', 'ŁODYGI', 'CUT', String(number), `%23${number}`])
      expect((await lead.json('get', `/api/guides?find=${find}`)).rows.map((row: Row) => row.id)).toContain(guide.id)
    expect((await lead.json('get', '/api/guides?find=stalks')).rows).toEqual([])
  })
  it('counts what is in a folder and under it, in every order, page by page', async () => {
    const top = await folder('Many')
    const under = await folder('Under', top.id)
    for (let i = 0; i < 60; i++)
      await lead.json('post', '/api/guides', {
        title: `Guide ${String(i).padStart(2, '0')}`,
        kind: i % 2 ? 'policy' : 'lesson',
        folderId: i % 3 ? top.id : under.id,
      })
    const page = (query: string) => lead.json('get', `/api/guides?folder=${top.id}&${query}`)
    expect(await page('page=1')).toMatchObject({ total: 60, pageSize: 50 })
    expect((await page('page=2')).rows).toHaveLength(10)
    expect((await page('kind=policy')).total).toBe(30)
    expect((await page('sort=title&direction=down')).rows[0].title).toBe('Guide 59')
    for (const sort of ['number', 'title', 'kind', 'owner', 'state', 'changed']) expect((await page(`sort=${sort}`)).rows).toHaveLength(50)
    expect((await lead.json('get', `/api/guides?folder=${under.id}`)).total).toBe(20)
  })
  it('says draft, published, changed and archived; staff see what was published, not what the draft is called now', async () => {
    const guide = await aGuide(server, company, 'author', { document: documentOf('Sweep the aisle', 'x'), published: true })
    const state = async (client: Client, archived = 'no') =>
      ((await client.json('get', `/api/guides?find=Sweep&archived=${archived}`)).rows as Row[]).find((row) => row.id === guide.id)
    expect((await state(lead))?.state).toBe('published')
    await lead.json('patch', `/api/guides/${guide.id}`, { title: 'Sweep the aisle twice' }, 204)
    expect(await state(lead)).toMatchObject({ state: 'changed', title: 'Sweep the aisle twice' })
    expect(await state(await company.as('staff'))).toMatchObject({ state: 'published', title: 'Sweep the aisle', changedBy: '' })
    await lead.json('patch', `/api/guides/${guide.id}`, { archived: true }, 204)
    expect((await state(lead, 'yes'))?.state).toBe('archived')
    expect(await state(await company.as('staff'), 'yes')).toBeUndefined()
    await lead.json('patch', `/api/guides/${guide.id}`, { archived: false }, 204)
    expect((await state(lead))?.state).toBe('changed')
  })
  it('takes many sharings of one guide at the same moment, one after the other', async () => {
    const { id } = await aGuide(server, company, 'author')
    const people = [company.people.otherAuthor, company.people.lead, company.people.admin]
    const answers = await Promise.all(
      Array.from({ length: 20 }, (_, n) => lead.send('patch', `/api/guides/${id}`, { sharedWith: people.slice(n % 3) })),
    )
    expect(new Set(answers.map((answer) => answer.status))).toEqual(new Set([204]))
  })
  it('does all of a change of a guide, or nothing of it', async () => {
    const { id } = await aGuide(server, company, 'author')
    await lead.json('patch', `/api/guides/${id}`, { archived: true, title: 'Into the archive' }, 204)
    const draft = () => lead.json('get', `/api/guides/${id}/draft`)
    expect(await draft()).toMatchObject({ archived: true, document: { title: 'Into the archive' } })
    expect((await lead.send('patch', `/api/guides/${id}`, { folderId: null, title: 'Still in there' })).status).toBe(409)
    expect((await draft()).document.title).toBe('Into the archive')
    await lead.json('patch', `/api/guides/${id}`, { archived: false, title: 'Out of it' }, 204)
    expect(await draft()).toMatchObject({ archived: false, document: { title: 'Out of it' } })
    const sent = await lead.send('patch', `/api/guides/${id}`, { archived: true, sharedWith: [company.people.staff] })
    expect([sent.status, (await draft()).archived]).toEqual([422, false])
  })
})

describe('what is suggested while somebody types', () => {
  const suggested = (client: Client, find: string) => client.json('get', `/api/suggestions?find=${encodeURIComponent(find)}`)
  it('puts the guide of that number first, then titles that begin so, and finds steps of published guides', async () => {
    const first = await aGuide(server, company, 'lead', {
      document: documentOf('Prune the basil', 'Cut above the second leaf'),
      published: true,
    })
    const second = await aGuide(server, company, 'lead', { document: documentOf('Basil: prune it', 'Look at it'), published: false })
    const found = await suggested(lead, 'prune')
    expect(found.guides.map((guide: { id: string }) => guide.id)).toEqual([first.id, second.id])
    expect(found.guides.map((guide: { edition: number | null }) => guide.edition)).toEqual([1, null])
    expect((await suggested(lead, 'second leaf')).steps).toMatchObject([{ guideId: first.id, stepId: first.steps[0], position: 1 }])
    expect((await suggested(lead, `#${found.guides[1].number}`)).guides[0].id).toBe(second.id)
  })
  it('shows nobody what is not theirs, nor what the draft of a published guide has become', async () => {
    const guide = await aGuide(server, company, 'author', {
      document: documentOf('Thin the seedlings', 'Pull every second one'),
      published: true,
    })
    await lead.json('patch', `/api/guides/${guide.id}`, { title: 'Thin out early' }, 204)
    const [staff, outsider] = [await company.as('staff'), await company.as('outsider')]
    expect((await suggested(staff, 'thin')).guides).toMatchObject([{ title: 'Thin the seedlings' }])
    expect((await suggested(staff, 'early')).guides).toEqual([])
    expect(await suggested(outsider, 'thin')).toEqual({ guides: [], steps: [] })
    expect(await suggested(outsider, 'every second')).toEqual({ guides: [], steps: [] })
  })
})

describe('a duplicate', () => {
  it('has steps of its own that lead where those of the first lead, and belongs to who asked for it', async () => {
    const document = documentOf('Wash the crates', 'Look at them', 'Wash them', 'Stack them')
    const [look, , stack] = document.items as unknown as { id: string; flow?: object }[]
    look!.flow = { choices: [{ id: 'clean-already', words: 'They are clean', to: stack!.id }] }
    const guide = await aGuide(server, company, 'author', { document })
    const copy = await lead.json('post', `/api/guides/${guide.id}/copies`, { title: 'Wash the lids', folderId: null })
    const { document: made, owner, edition } = await lead.json('get', `/api/guides/${copy.id}/draft`)
    const own = made.items.map((item: { id: string }) => item.id)
    expect(new Set([...own, ...document.items.map((item) => item.id)]).size).toBe(6)
    expect(made).toMatchObject({ title: 'Wash the lids', items: [{ copiedFrom: look!.id, flow: { choices: [{ to: own[2] }] } }, {}, {}] })
    expect([owner.id, edition]).toEqual([company.people.lead, null])
  })
  it('is made by who may edit the guide, of no others', async () => {
    const guide = await aGuide(server, company, 'author')
    const ask = async (who: 'staff' | 'otherAuthor') =>
      (await (await company.as(who)).send('post', `/api/guides/${guide.id}/copies`, { title: 'Mine', folderId: null })).status
    expect([await ask('staff'), await ask('otherAuthor')]).toEqual([403, 404])
    expect((await lead.send('post', `/api/guides/${guide.id}/copies`, { title: ' ', folderId: null })).status).toBe(422)
  })
})
