import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Flow, GuideDocument, Step, Target } from '../guides'
import type { GroupId } from '../shared'
import { checkFlow } from './checkFlow'
import { END, openPlaces, stepsLeft, waysOn } from '../flow'
import { actingScriptOf } from './actingScript'
import { acting, ANYBODY, guideOf, heading, says } from './testing'

const [a, b, c, d] = [acting(says('Type the customer'), 'type', { value: 'Copper Ladle' }), says('Known'), says('New'), says('Save')]
const flowing = (step: Step, flow: Flow): Step => ({ ...step, flow })
const driver = 'driver-driver-driver-' as GroupId
const way = (id: string, to: Target, words = 'x') => ({ id: `way-${id}`, words, to })

describe('a guide', () => {
  it('goes on by what was entered, by role, and offers the ways as long as nothing is known', () => {
    const rule = { id: 'rule-1', when: { of: 'value' as const, stepId: a.id, accept: { how: 'same' as const, value: 'New' } }, to: c.id }
    const script = actingScriptOf(guideOf(flowing(a, { rules: [rule] }), b, c, d))
    expect(waysOn(script, 0, ANYBODY, { [a.id]: 'new' })).toEqual({ kind: 'on', to: 2 })
    expect(waysOn(script, 0, ANYBODY, { [a.id]: 'known' })).toEqual({ kind: 'on', to: 1 })
    const open = waysOn(script, 0, ANYBODY, {})
    expect(open.kind === 'choose' && open.ways.map(({ id, to }) => [id, to])).toEqual([
      ['rule-1', 2],
      ['otherwise', 1],
    ])
    const byRole = actingScriptOf(guideOf(flowing(a, { rules: [{ ...rule, when: { of: 'role', ids: [driver] } }] }), b, c, d))
    expect(waysOn(byRole, 0, { ...ANYBODY, roles: [driver] }, {})).toEqual({ kind: 'on', to: 2 })
    expect(waysOn(byRole, 0, ANYBODY, {})).toEqual({ kind: 'on', to: 1 })
  })
  it('passes over steps by rule, several in a row and at the end', () => {
    const skip = { skipWhen: { of: 'role' as const, ids: [driver], not: true as const } }
    const script = actingScriptOf(guideOf(a, flowing(b, skip), flowing(c, skip), d))
    expect(waysOn(script, 0, ANYBODY, {})).toEqual({ kind: 'on', to: 3 })
    expect(waysOn(script, 0, { ...ANYBODY, roles: [driver] }, {})).toEqual({ kind: 'on', to: 1 })
    const last = actingScriptOf(guideOf(a, flowing(b, skip)))
    expect(waysOn(last, 0, ANYBODY, {})).toEqual({ kind: 'on', to: 2 })
  })
  it('takes a step that is gone for the one that follows', () => {
    const script = actingScriptOf(guideOf(flowing(a, { choices: [way('gone', 'gone-gone-gone-gone-g' as Step['id'])] }), b))
    const ways = waysOn(script, 0, ANYBODY, {})
    expect(ways.kind === 'choose' && ways.ways[0]!.to).toBe(1)
  })
})

describe('what is left', () => {
  it('is every step in order where nothing branches', () => {
    const script = actingScriptOf(guideOf(a, b, c, d))
    expect(stepsLeft(script, ANYBODY, {}, (id) => id === b.id)).toEqual([a.id, c.id, d.id])
  })
  it('is the way that needs the fewest further steps', () => {
    const script = actingScriptOf(
      guideOf(flowing(a, { choices: [way('known', b.id), way('new', c.id)] }), flowing(b, { choices: [way('on', d.id)] }), c, d),
    )
    expect(stepsLeft(script, ANYBODY, {}, (id) => id === a.id || id === c.id)).toEqual([d.id])
    expect(stepsLeft(script, ANYBODY, {}, (id) => id !== b.id)).toEqual([])
  })
  it('does not ask for an optional section', () => {
    const document: GuideDocument = guideOf(a, { ...heading('If you like'), optional: true }, b, c, heading('Then'), d)
    expect(stepsLeft(actingScriptOf(document), ANYBODY, {}, (id) => id === a.id)).toEqual([d.id])
    expect(openPlaces(actingScriptOf(document), ANYBODY, {}, (id) => id === b.id)).toEqual(new Set([a.id, b.id, d.id, END]))
  })
})

describe('the check of branches', () => {
  it('finds what cannot be reached, what never ends and what leads nowhere', () => {
    expect(checkFlow(guideOf(a, b))).toEqual([])
    const document = guideOf(
      flowing(a, { choices: [way('known', c.id, '')] }),
      b,
      flowing(c, { choices: [way('again', c.id), way('gone', 'gone-gone-gone-gone-g' as Step['id'])] }),
      flowing(d, { choices: [way('back', d.id)] }),
    )
    expect(checkFlow(document)).toEqual([
      { reason: 'endless', stepId: a.id },
      { reason: 'no-words', stepId: a.id, onward: 'way-known' },
      { reason: 'unreachable', stepId: b.id },
      { reason: 'endless', stepId: c.id },
      { reason: 'leads-nowhere', stepId: c.id, onward: 'way-gone' },
      { reason: 'endless', stepId: d.id },
    ])
  })
  it('finds rules that ask for what is entered only later, or nowhere', () => {
    const when = { of: 'value' as const, stepId: a.id, accept: { how: 'anything' as const } }
    const later = guideOf(flowing(b, { rules: [{ id: 'rule-1', when, to: 'end' }] }), a)
    expect(checkFlow(later)).toEqual([{ reason: 'asks-later', stepId: b.id, onward: 'rule-1' }])
    const never = guideOf(a, b, flowing(c, { skipWhen: { ...when, stepId: b.id } }))
    expect(checkFlow(never)).toEqual([{ reason: 'asks-later', stepId: c.id, onward: 'skip' }])
    expect(checkFlow(guideOf(a, flowing(c, { skipWhen: when })))).toEqual([])
  })
  it('knows that an optional section can be left from its middle, also in a guide where every step may be passed over', () => {
    const again = flowing(b, { choices: [way('again', b.id)] })
    expect(checkFlow(guideOf(a, { ...heading('If you like'), optional: true }, again, heading('Then'), c))).toEqual([])
    const skip = { skipWhen: { of: 'role' as const, ids: [driver] } }
    const many = Array.from({ length: 40 }, (_, n) => [
      { ...heading(`If you like ${n}`), optional: true as const },
      ...Array.from({ length: 5 }, () => flowing(says('Known'), skip)),
    ]).flat()
    expect(checkFlow(guideOf(flowing(a, { choices: [way('on', 'next')] }), ...many))).toEqual([])
  })
  it('agrees with trying every way, whatever the branches', () => {
    const steps = [a, b, c, d]
    const target = fc.constantFrom<Target>('next', 'end', a.id, b.id, c.id, d.id)
    const choices = fc.array(target, { maxLength: 3 })
    fc.assert(
      fc.property(fc.tuple(choices, choices, choices, choices), (all) => {
        const document = guideOf(
          ...steps.map((step, n) =>
            all[n]!.length === 0 ? step : flowing(step, { choices: all[n]!.map((to, k) => way(`${n}-${k}`, to)) }),
          ),
        )
        const found = checkFlow(document)
        const place = (at: number, to: Target) => (to === 'next' ? at + 1 : to === 'end' ? 4 : steps.findIndex((step) => step.id === to))
        const next = (at: number) => (all[at]!.length === 0 ? [at + 1] : all[at]!.map((to) => place(at, to)))
        const from = (start: number) => {
          const seen = new Set([start])
          for (const at of seen) if (at < 4) for (const to of next(at)) seen.add(to)
          return seen
        }
        steps.forEach((step, at) => {
          const reasons = found.filter((each) => each.stepId === step.id).map((each) => each.reason)
          if (all.every((each) => each.length === 0)) return
          expect(reasons.includes('unreachable')).toBe(!from(0).has(at))
          expect(reasons.includes('endless')).toBe(from(0).has(at) && !from(at).has(4))
        })
      }),
    )
  })
})
