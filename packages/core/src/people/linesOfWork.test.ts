import { expect, it } from 'vitest'
import { LINES_OF_WORK, LineOfWorkId, PERSON_LIMITS } from './index'

it('knows ten lines of work, each with eight duties or more that can be stored as they are', () => {
  expect(LINES_OF_WORK.map(({ id }) => id)).toEqual(LineOfWorkId.options)
  for (const { roles, name } of LINES_OF_WORK) {
    const duties = roles.flatMap((role) => role.duties)
    expect([name, duties.length >= 8]).toEqual([name, true])
    expect(new Set(duties.map(({ title }) => title)).size).toBe(duties.length)
    expect(new Set(roles.map((role) => role.name)).size).toBe(roles.length)
    for (const role of roles) expect(role.name.length).toBeLessThanOrEqual(PERSON_LIMITS.groupName)
    for (const { title, about } of duties) expect([title.length <= 120, about.length > 10]).toEqual([true, true])
  }
})
