import type { FoundQuiz } from '@jackdaw/contracts/library'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { asking, statements } from '../quizzes/testing'
import { aQuiz, smallCompany, startTestServer, type Company, type TestServer, type Who } from '../testing/testServer'

let server: TestServer
let company: Company
beforeAll(async () => {
  server = await startTestServer()
  company = await smallCompany(server)
})
afterAll(() => server.close())

const found = async (who: Who, query = '') => {
  const { rows } = await (await company.as(who)).json<{ rows: FoundQuiz[] }>('get', `/api/library/quizzes${query}`)
  return rows.map(({ title, edition, mayEdit }) => [title, edition, mayEdit])
}

it('the library shows each the quizzes that they are given or may write, under the title that they may see', async () => {
  const parts = asking(...statements(3))
  const given = await aQuiz(server, company, 'author', { parts, title: 'Água and pumps' })
  await aQuiz(server, company, 'author', { parts, title: 'Seeds' }, { given: false })
  await aQuiz(server, company, 'otherAuthor', { parts, title: 'Crates' }, { published: false })
  const author = await company.as('author')
  const { document, revision } = await author.json('get', `/api/quizzes/${given}/draft`)
  await author.json('put', `/api/quizzes/${given}/draft`, { revision, document: { ...document, title: 'Pumps' } })
  expect(await found('staff')).toEqual([['Água and pumps', 1, false]])
  expect(await found('outsider')).toEqual([])
  expect(await found('author')).toEqual([
    ['Pumps', 1, true],
    ['Seeds', 1, true],
  ])
  expect(await found('otherAuthor')).toEqual([['Crates', null, true]])
  expect(await found('lead')).toHaveLength(3)
  expect(await found('staff', '?find=agua')).toHaveLength(1)
  expect(await found('staff', '?find=pumps')).toHaveLength(1)
  expect(await found('staff', '?find=crates')).toEqual([])
  expect(await found('lead', '?find=2')).toEqual([['Seeds', 1, true]])
  expect(await found('lead', '?page=2')).toEqual([])
  await author.json('put', `/api/quizzes/${given}/archived`, { archived: true }, 204)
  expect(await found('staff')).toEqual([])
})
