import { describe, expect, it } from 'vitest'
import { LEVEL_PRESETS, type Level } from './permissions'
import { may, RIGHTS, type Action, type Relation } from './rights'

const allowed = (level: Level, action: Action, ...relations: Relation[]) => may(new Set(LEVEL_PRESETS[level]), action, new Set(relations))

describe('rights', () => {
  it.each<[Level, Action, Relation[], boolean]>([
    ['staff', 'item.read', [], false],
    ['staff', 'item.read', ['assigned'], true],
    ['staff', 'item.read', ['open'], true],
    ['staff', 'item.read', ['own'], false],
    ['staff', 'item.edit', ['own', 'assigned'], false],
    ['staff', 'item.create', [], false],
    ['author', 'item.create', [], true],
    ['author', 'item.edit', [], false],
    ['author', 'item.edit', ['own'], true],
    ['author', 'item.edit', ['shared'], true],
    ['author', 'item.hand-over', ['shared'], false],
    ['author', 'item.publish', ['own'], false],
    ['author', 'records.item', ['own'], false],
    ['lead', 'item.edit', [], true],
    ['lead', 'item.publish', [], true],
    ['lead', 'records.item', [], true],
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
    expect(may(permissions, 'item.publish', new Set(['own']))).toBe(true)
    expect(may(permissions, 'item.publish', new Set([]))).toBe(false)
  })
})
