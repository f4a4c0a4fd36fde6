import { describe, expect, it } from 'vitest'
import { seededRandom, type GroupId, type PersonId } from '../shared'
import { circlesAmong, LEVEL_PRESETS, managersAbove, mayChangeAccount, newcomer, rightsBetween } from './index'

const id = (name: string) => name as PersonId

describe('who reports to whom', () => {
  const managers: Record<string, string> = { ola: 'gareth', gareth: 'helena', kim: 'lee', lee: 'max', max: 'kim', sam: 'kim' }
  const managerOf = (person: PersonId) => (managers[person] ? id(managers[person]) : null)
  it('names the managers of somebody from the nearest on, and ends where a circle does', () => {
    expect(managersAbove(id('ola'), managerOf)).toEqual(['gareth', 'helena'])
    expect(managersAbove(id('kim'), managerOf)).toEqual(['lee', 'max'])
    expect(managersAbove(id('sam'), managerOf)).toEqual(['kim', 'lee', 'max'])
  })
  it('finds a circle with everybody in it, from wherever it is looked for', () => {
    expect(circlesAmong([id('ola'), id('gareth')], managerOf)).toEqual([])
    expect(circlesAmong([id('sam')], managerOf)).toEqual([['kim', 'lee', 'max']])
    expect(circlesAmong([id('own')], () => id('own'))).toEqual([['own']])
  })
  it('finds a circle exactly where going up from somebody leads back to them', () => {
    const random = seededRandom(8)
    for (let round = 0; round < 200; round++) {
      const to = Array.from({ length: 8 }, () => Math.floor(random() * 10))
      const next = (person: PersonId) => (to[Number(person)]! < 8 ? id(String(to[Number(person)])) : null)
      const inCircle = to.some((_, start) => {
        let at: PersonId | null = next(id(String(start)))
        for (let step = 0; step < 8 && at; step++) {
          if (at === String(start)) return true
          at = next(at)
        }
        return false
      })
      const found = circlesAmong(
        to.map((_, start) => id(String(start))),
        next,
      )
      expect(found.length > 0).toBe(inCircle)
      for (const circle of found) circle.forEach((person, n) => expect(next(person)).toBe(circle[(n + 1) % circle.length]))
    }
  })
})

it('lets nobody touch the account of somebody who holds what they lack', () => {
  const lead = new Set(LEVEL_PRESETS.lead)
  expect(mayChangeAccount(lead, LEVEL_PRESETS.author)).toBe(true)
  expect(mayChangeAccount(lead, LEVEL_PRESETS.lead)).toBe(true)
  expect(mayChangeAccount(lead, LEVEL_PRESETS.admin)).toBe(false)
  expect(mayChangeAccount(new Set(), [])).toBe(true)
})
it('tells what is granted and what withdrawn', () => {
  expect(rightsBetween(LEVEL_PRESETS.author, ['people.look-up', 'people.invite'])).toEqual({
    granted: ['people.invite'],
    withdrawn: ['guides.write'],
  })
})
it('begins with the least', () => {
  const site = 'brookside-brookside-b' as GroupId
  expect(newcomer(id('ola'), 'Ola', site)).toMatchObject({ groups: [site], permissions: [], level: 'staff', active: true, managerId: null })
})
