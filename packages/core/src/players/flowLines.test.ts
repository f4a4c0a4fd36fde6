import { describe, expect, it } from 'vitest'
import type { Condition, Flow, Step } from '../guides'
import { flowLines } from '../flow'
import { guideOf, heading, says } from './testing'

const withFlow = (step: Step, flow: Flow): Step => ({ ...step, flow })
const [one, two, three] = [says('One'), says('Two'), says('Three')]
const byRole: Condition = { of: 'role', ids: [] }

describe('the lines of a guide', () => {
  it('are none where each step leads to the next', () => {
    expect(flowLines(guideOf(one, heading('Then'), two))).toEqual([])
    expect(flowLines(guideOf(withFlow(one, { choices: [{ id: 'choice-1', words: 'On', to: 'next' }] }), two))).toEqual([])
  })
  it('lead from a choice to its step or to the end, forwards and back', () => {
    const choices = [
      { id: 'choice-1', words: 'Done', to: 'end' as const },
      { id: 'choice-2', words: 'Again', to: one.id },
    ]
    expect(flowLines(guideOf(one, withFlow(two, { choices }), three)).map(({ from, to, byRule }) => [from, to, byRule])).toEqual([
      [two.id, 'end', false],
      [two.id, one.id, false],
    ])
  })
  it('are those of rules only where there are no choices', () => {
    const rules = [{ id: 'rule-1', when: byRole, to: three.id }]
    expect(flowLines(guideOf(withFlow(one, { rules }), two, three))).toMatchObject([{ to: three.id, byRule: true }])
    const choices = [{ id: 'choice-1', words: 'On', to: 'next' as const }]
    expect(flowLines(guideOf(withFlow(one, { rules, choices }), two, three))).toEqual([])
  })
  it('go around a step that may be passed over, and to nowhere that is gone', () => {
    expect(flowLines(guideOf(one, withFlow(two, { skipWhen: byRole }), three))).toMatchObject([{ from: one.id, to: three.id }])
    expect(flowLines(guideOf(one, withFlow(two, { skipWhen: byRole })))).toMatchObject([{ from: one.id, to: 'end' }])
    expect(flowLines(guideOf(withFlow(one, { skipWhen: byRole }), two))).toEqual([])
    expect(flowLines(guideOf(withFlow(one, { choices: [{ id: 'choice-1', words: 'On', to: says('Gone').id }] }), two))).toEqual([])
  })
})
