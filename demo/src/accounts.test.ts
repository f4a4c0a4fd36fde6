import { expect, it } from 'vitest'
import { ACCOUNTS, DEMO_PASSWORD, demoCompany } from './company'

it('prints at the start the accounts that the demo has', async () => {
  const printed = (await import(new URL('../../scripts/accounts.mjs', import.meta.url).href)) as { PASSWORD: string; ACCOUNTS: string[][] }
  expect(printed.PASSWORD).toBe(DEMO_PASSWORD)
  expect(printed.ACCOUNTS).toEqual(ACCOUNTS.map(({ who, name, mail }) => [who, name, mail]))
})
it('has 64 people with names and mail addresses of their own, managers first', () => {
  const { people } = demoCompany()
  expect(people).toHaveLength(64)
  expect(new Set(people.map((person) => person.name)).size).toBe(64)
  expect(new Set(people.map((person) => person.mail)).size).toBe(64)
  for (const { name, mail } of ACCOUNTS) expect(people.find((person) => person.mail === mail)?.name).toBe(name)
  people.forEach(
    (person, index) => person.manager !== null && expect(people.slice(0, index).some((other) => other.name === person.manager)).toBe(true),
  )
  expect(people).toEqual(demoCompany().people)
})
it('grows in scale without changing its groups', () => {
  expect(demoCompany(3).teams).toEqual(demoCompany().teams)
  expect(demoCompany(3).people.length).toBeGreaterThanOrEqual(192)
})
