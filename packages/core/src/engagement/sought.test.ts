import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nearTogether, soughtKey, type Sought } from './sought'

const sought = (typed: string, times = 1, opened: Sought['opened'] = []): Sought => ({ key: soughtKey(typed), times, opened })
const together = (...all: Sought[]) => nearTogether(all).map((group) => group.map(({ key }) => key))

describe('what is sought', () => {
  it('is the same however it is typed', () => {
    for (const typed of ['Label printer', '  label   PRINTER? ', 'the printer for a label', 'lábel, printer'])
      expect(soughtKey(typed)).toBe('label printer')
    expect(soughtKey('how to')).toBe('how to')
    expect(soughtKey('…')).toBe('')
    expect(soughtKey('Wie wird der Tank gespült?')).toBe('gespult tank wird')
  })
  it('is put together with the same in other words', () => {
    expect(together(sought('label printer', 5), sought('labels printer'), sought('lable printer stuck'), sought('label pritner'))).toEqual([
      ['label printer', 'labels printer'],
      ['label pritner'],
      ['lable printer stuck'],
    ])
    expect(together(sought('forklift charging', 3), sought('forklift chargng'), sought('charging forklifts'))).toHaveLength(1)
    expect(together(sought('battery', 3), sought('batteries'), sought('batter'))).toHaveLength(1)
    expect(together(sought('packing', 3), sought('packhouse'))).toHaveLength(2)
    expect(together(sought('pump', 3), sought('pump filter'), sought('pump seal'))).toHaveLength(3)
    expect(together(sought('wage slip', 2), sought('holiday'))).toHaveLength(2)
  })
  it('is put together where it led to the same, and not where it led to this and that', () => {
    const printer = (times: number) => [{ item: 'printer', times }]
    expect(together(sought('label stuck', 4, printer(3)), sought('amber lamp', 2, printer(2)), sought('holiday', 1))).toEqual([
      ['label stuck', 'amber lamp'].map(soughtKey),
      ['holiday'],
    ])
    const both = [...printer(1), { item: 'scale', times: 1 }]
    expect(together(sought('label stuck', 4, printer(3)), sought('crate', 2, both))).toHaveLength(2)
  })
  it('is put together the same in whatever order it comes, and loses nothing', () => {
    const word = fc.constantFrom('label', 'labels', 'printer', 'tank', 'tanks', 'frost', 'forst', 'pump', 'x')
    const one = fc.record({
      typed: fc.array(word, { minLength: 1, maxLength: 3 }),
      times: fc.integer({ min: 1, max: 9 }),
      item: fc.option(fc.constantFrom('a', 'b')),
    })
    fc.assert(
      fc.property(fc.uniqueArray(one, { selector: ({ typed }) => soughtKey(typed.join(' ')), maxLength: 14 }), (all) => {
        const list = all.map(({ typed, times, item }) => sought(typed.join(' '), times, item ? [{ item, times }] : []))
        const found = nearTogether(list)
        expect(nearTogether(list.toReversed())).toEqual(found)
        expect(
          found
            .flat()
            .map(({ key }) => key)
            .sort(),
        ).toEqual(list.map(({ key }) => key).sort())
      }),
    )
  })
})
