import { describe, expect, it } from 'vitest'
import { LEVEL_PRESETS, type Level } from './permissions'
import { may, RIGHTS, type Action, type Relation } from './rights'

const allowed = (level: Level, action: Action, ...relations: Relation[]) => may(new Set(LEVEL_PRESETS[level]), action, new Set(relations))

describe('rights', () => {
  it.each<[Level, Action, Relation[], boolean]>([
    ['staff', 'guide.read', [], false],
    ['staff', 'guide.read', ['assigned'], true],
    ['staff', 'guide.read', ['open'], true],
    ['staff', 'guide.read', ['own'], false],
    ['staff', 'guide.edit', ['own', 'assigned'], false],
    ['staff', 'guide.create', [], false],
    ['author', 'guide.create', [], true],
    ['author', 'guide.edit', [], false],
    ['author', 'guide.edit', ['own'], true],
    ['author', 'guide.edit', ['shared'], true],
    ['author', 'guide.hand-over', ['shared'], false],
    ['author', 'guide.publish', ['own'], false],
    ['author', 'records.guide', ['own'], false],
    ['lead', 'guide.edit', [], true],
    ['lead', 'guide.publish', [], true],
    ['lead', 'records.guide', [], true],
    ['staff', 'records.person', [], false],
    ['staff', 'records.person', ['self'], true],
    ['staff', 'records.person', ['reports'], true],
    ['author', 'folder.change', [], false],
    ['lead', 'folder.change', [], true],
    ['staff', 'directory.read', [], true],
    ['staff', 'person.see', ['here'], true],
    ['staff', 'person.see', [], false],
    ['lead', 'person.see', [], true],
    ['author', 'person.add', [], false],
    ['author', 'person.change', ['reports'], false],
    ['lead', 'person.change', [], true],
    ['author', 'person.invite', ['reports'], false],
    ['staff', 'person.password', ['reports'], true],
    ['staff', 'person.password', ['here'], false],
    ['lead', 'person.invite', [], true],
    ['staff', 'person.absence', ['self'], true],
    ['staff', 'person.absence', ['here'], false],
    ['author', 'group.change', [], false],
    ['lead', 'group.change', [], true],
    ['lead', 'company.change', [], false],
    ['admin', 'company.change', [], true],
    ['author', 'audience.use', [], false],
    ['lead', 'audience.use', [], true],
    ['author', 'audience.change', [], false],
    ['lead', 'audience.change', [], true],
  ])('%s, %s, %j: %s', (level, action, relations, expected) => {
    expect(allowed(level, action, ...relations)).toBe(expected)
  })
  it('never lets a higher level do less than a lower one', () => {
    const order: Level[] = ['staff', 'author', 'lead', 'admin']
    const relations: Relation[] = ['own', 'shared', 'assigned', 'open', 'self', 'reports', 'here']
    for (const action of Object.keys(RIGHTS) as Action[])
      for (const relation of relations)
        for (let i = 1; i < order.length; i++)
          if (allowed(order[i - 1]!, action, relation))
            expect([order[i], action, relation, allowed(order[i]!, action, relation)]).toContain(true)
  })
  it('lets a single permission be given beside the level', () => {
    const permissions = new Set([...LEVEL_PRESETS.author, 'guides.publish' as const])
    expect(may(permissions, 'guide.publish', new Set(['own']))).toBe(true)
    expect(may(permissions, 'guide.publish', new Set([]))).toBe(false)
  })
})
