import { expect, it } from 'vitest'
import { Way } from './way'
import { ALL_WAYS, WAYS, waysWhere, type WayOfUse } from './wayOfUse'

const { policy: _policy, ...withoutPolicy } = WAYS.read
// @ts-expect-error a way of use that does not say how it is played
export const vague: WayOfUse = withoutPolicy
const { solo: _solo, ...withoutSolo } = WAYS
// @ts-expect-error a way of use of which nothing is said
export const fewer: Record<Way, WayOfUse> = withoutSolo

it('ways are offered in one order, and found by what is said of them', () => {
  expect(ALL_WAYS).toEqual(Way.options)
  expect(waysWhere('toldBy', 'browser')).toEqual(['read', 'watch', 'practise'])
  expect(waysWhere('keptAs', 'play')).toEqual(['watch', 'practise'])
  expect(waysWhere('counts', 'reading', 'steps')).toEqual(['read', 'practise', 'solo'])
})
it('only where tries run out is a step left out by “show me”, and only what the server judges hides what would tell', () => {
  for (const way of ALL_WAYS) {
    const { policy, judged, toldBy } = WAYS[way]
    expect([way, policy.triesRunOut]).toEqual([way, policy.showMe === 'leaves-out'])
    expect([way, judged]).toEqual([way, toldBy === 'server'])
  }
})
