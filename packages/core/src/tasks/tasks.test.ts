import { describe, expect, it } from 'vitest'
import type { GroupId, PersonId } from '../shared'
import { askedToConfirm, paragraphsOf, type AskingFacts, type Confirmer } from './index'

const person = (id: string) => id as PersonId
const [north, south] = ['north' as GroupId, 'south' as GroupId]
const manager: Confirmer = { by: 'manager' }
const mentor: Confirmer = { by: 'mentor' }
const role: Confirmer = { by: 'role', roleId: 'fitters' as GroupId }
const facts = (more: Partial<AskingFacts>): AskingFacts => ({
  personId: person('ola'),
  siteId: north,
  line: [],
  mentors: [],
  holders: [],
  leads: [person('marta'), person('ola')],
  ...more,
})
const one = (id: string, away = false) => ({ id: person(id), away })

describe('who is asked to confirm a task', () => {
  it.each<[string, Confirmer, Partial<AskingFacts>, string[]]>([
    ['whoever they report to', manager, { line: [one('gareth'), one('ada')] }, ['gareth']],
    ['the next one above while that one is away', manager, { line: [one('gareth', true), one('ada')] }, ['ada']],
    ['the nearest when all are away', manager, { line: [one('gareth', true), one('ada', true)] }, ['gareth']],
    ['who looks after them in the plan', mentor, { line: [one('gareth')], mentors: [one('lin')] }, ['lin']],
    ['whoever they report to while their mentor is away', mentor, { line: [one('gareth')], mentors: [one('lin', true)] }, ['gareth']],
    ['whoever they report to when they have no mentor', mentor, { line: [one('gareth')] }, ['gareth']],
    ['the leads when they report to nobody, never themselves', manager, {}, ['marta']],
    [
      'who has the role where they work',
      role,
      {
        holders: [
          { ...one('ben'), siteId: north },
          { ...one('cal'), siteId: south },
          { ...one('dee'), siteId: north },
        ],
      },
      ['ben', 'dee'],
    ],
    ['who has the role elsewhere when nobody has it there', role, { holders: [{ ...one('cal'), siteId: south }] }, ['cal']],
    [
      'only those who are here',
      role,
      {
        holders: [
          { ...one('ben', true), siteId: north },
          { ...one('dee'), siteId: north },
        ],
      },
      ['dee'],
    ],
    ['the leads when they alone have the role', role, { holders: [{ ...one('ola'), siteId: north }] }, ['marta']],
  ])('is %s', (_, confirmer, more, asked) => expect(askedToConfirm(confirmer, facts(more))).toEqual(asked))
})

it('a text falls into paragraphs at its empty lines', () => {
  expect(paragraphsOf('One\nand more.\n \n\nTwo.\n')).toEqual(['One\nand more.', 'Two.'])
  expect(paragraphsOf(' \n ')).toEqual([])
})
