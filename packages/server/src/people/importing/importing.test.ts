import type { PeoplePreview } from '@jackdaw/contracts/peopleFiles'
import { nanoid } from 'nanoid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Client, smallCompany, startTestServer, type Company, type TestServer } from '../../testing/testServer'

let server: TestServer
let company: Company
let lead: Client

beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
  lead = await company.as('lead')
})
afterAll(() => server.close())

type More = Record<string, string>
const send = (path: string, text: string | Uint8Array, more: More = {}, by = lead) => {
  const query = new URLSearchParams({ site: company.site, ...more })
  const bytes = typeof text === 'string' ? new TextEncoder().encode(text) : text
  return by.send('post', `/api/people-files${path}?${query}`, bytes, { 'content-type': 'application/octet-stream' })
}
const look = async (text: string | Uint8Array, more: More = {}, by = lead) =>
  (await (await send('/preview', text, more, by)).json()) as PeoplePreview
/** Looks and takes in what was seen. */
const take = async (text: string, more: More = {}, by = lead) => {
  const { seen } = await look(text, more, by)
  return send('', text, { ...more, seen, invite: 'not-yet' }, by)
}
const find = async (words: string) =>
  (
    await lead.json<{ rows: { id: string; name: string; groups: { name: string }[]; manager: { name: string } | null }[] }>(
      'get',
      `/api/directory?find=${encodeURIComponent(words)}`,
    )
  ).rows

const HEADS = 'No,Name,E-mail,Reports to,Team,Job title\n'

describe('a file of people', () => {
  it('is looked at, put right, taken in, and changes nothing the second time', async () => {
    const file = `${HEADS}500,Ines Falk,ines.falk@example.org,502,Night shift,Packer\n501,Pavel Zima,,Ines Falk,Night shift,Packer\n502,Vera Holm,,,,Head of nights\n`
    const without = await look(file)
    expect(without).toMatchObject({
      columns: ['number', 'name', 'mail', 'manager', 'groups:team', 'jobTitle'],
      counts: { added: 1, wrong: 2 },
    })
    expect(without.wrong[0]!.faults).toEqual([{ words: 'There is no group “{{name}}” of this kind.', put: { name: 'Night shift' } }])
    const seen = await look(file, { newGroups: 'yes' })
    expect(seen).toMatchObject({
      counts: { added: 3, wrong: 0 },
      newGroups: [{ kind: 'Team', name: 'Night shift' }],
      withMail: 1,
      encoding: 'utf-8',
    })
    expect(await find('Falk')).toEqual([])
    const taken = await take(file, { newGroups: 'yes' })
    expect(await taken.json()).toEqual({ counts: { added: 3, changed: 0, returned: 0, same: 0, wrong: 0 }, newGroups: 1, invited: 1 })
    expect(await find('Zima')).toMatchObject([{ groups: [{ name: 'Night shift' }], manager: { name: 'Ines Falk' } }])
    expect(await find('Falk')).toMatchObject([{ manager: { name: 'Vera Holm' } }])
    const again = await look(file, { newGroups: 'yes' })
    expect(again.counts).toEqual({ added: 0, changed: 0, returned: 0, same: 3, wrong: 0 })
    const [ines] = await find('Falk')
    expect(await lead.json('get', `/api/directory/${ines!.id}/invitation`)).toMatchObject({ invitation: { sendAt: null, sentAt: null } })
  })
  it('is taken in without its wrong lines, which can be had as a file; or not at all', async () => {
    const file = `${HEADS}510,Right One,,,,Packer\n511,Wrong One,nowhere,,,\n512,"=2+3",,,,\n513,Below,,511,,\n`
    expect((await look(file)).counts).toMatchObject({ added: 1, wrong: 3 })
    const refused = await take(file)
    expect([refused.status, await refused.json()]).toMatchObject([
      409,
      { code: 'lines-wrong', detail: expect.stringContaining('3 lines are wrong') },
    ])
    expect(await find('Right One')).toEqual([])
    const faults = await (await send('/faults.csv', file)).text()
    expect(faults.split('\r\n').slice(0, 3)).toEqual([
      'No,Name,E-mail,Reports to,Team,Job title,What is wrong,Line',
      '511,Wrong One,nowhere,,,,“nowhere” is no mail address.,3',
      "512,'=2+3,,,,,A cell holds a formula instead of a value: =2+3,4",
    ])
    expect(faults).toContain('They report to Wrong One, whose own line 3 is wrong.')
    expect((await take(file, { withoutWrong: 'yes' })).status).toBe(200)
    expect(await find('Right One')).toHaveLength(1)
    expect(await find('Wrong One')).toEqual([])
  })
  it('does what was seen, or nothing', async () => {
    const file = `${HEADS}520,Late Comer,,,,Packer\n`
    const { seen } = await look(file)
    await take(file)
    const late = await send('', file, { seen, invite: 'now' })
    expect([late.status, await late.json()]).toMatchObject([409, { code: 'seen-otherwise' }])
    const other = `${HEADS}520,Late Comer,,,,Cook\n`
    const twice = { seen: (await look(other)).seen, invite: 'now' }
    const [a, b] = await Promise.all([send('', other, twice), send('', other, twice)])
    expect([a.status, b.status].sort()).toEqual([200, 409])
  })
  it('has its columns put right by hand, and its letters', async () => {
    const bytes = Buffer.from('A;B\n530;\u00a3ucja\n', 'latin1')
    const guessed = await look(bytes)
    expect(guessed).toMatchObject({
      encoding: 'windows-1250',
      columns: [null, null],
      fault: expect.stringContaining('known again'),
      counts: { added: 0 },
    })
    expect(await look(bytes, { columns: 'number,name' })).toMatchObject({ fault: null, counts: { added: 1 }, others: [{ name: 'Łucja' }] })
    expect(await look(bytes, { columns: 'number,name', encoding: 'utf-8' })).toMatchObject({
      wrong: [{ faults: [{ words: expect.stringContaining('encoding') }] }],
    })
    expect(await look(bytes, { columns: 'number,number' })).toMatchObject({ fault: expect.stringContaining('Two columns') })
    expect((await send('/preview', bytes, { columns: 'number,shoe' })).status).toBe(422)
    expect(await look(bytes, { columns: `number,groups:${nanoid()}` })).toMatchObject({
      fault: expect.stringContaining('does not exist any more'),
    })
  })
  it('is refused with words when it is no list, or the site is none', async () => {
    for (const text of ['', 'No,Name\n', '%PDF-1.7', `${'a,'.repeat(101)}a\n${'1,'.repeat(101)}1\n`, 'PK\u0003\u0004'])
      expect(await (await send('/preview', text)).json()).toMatchObject({ code: 'not-a-table', detail: expect.any(String) })
    expect(await (await send('/preview', 'No\n1\n', { site: company.team })).json()).toMatchObject({ code: 'invalid' })
  })
  it('gives nobody more than whoever takes it in holds, and says so in the line', async () => {
    const file = 'No,Name,Level\n540,New Admin,admin\n541,New Author,author\n'
    expect(await look(file)).toMatchObject({ counts: { added: 1, wrong: 1 }, wrong: [{ line: 2 }] })
    expect((await look(file, {}, await company.as('admin'))).counts).toMatchObject({ added: 2, wrong: 0 })
  })
  it('takes names in letters that are written from right to left, of one letter, and of 300', async () => {
    const long = 'ab '.repeat(100).trim().padEnd(300, 'c')
    const file = `No,Name\n550,עדה לוין\n551,Q\n552,${long}\n553,${long}d\n`
    expect(await (await take(file, { withoutWrong: 'yes' })).json()).toMatchObject({ counts: { added: 3, wrong: 1 } })
    expect(await find('עדה')).toMatchObject([{ name: 'עדה לוין' }])
  })
})
