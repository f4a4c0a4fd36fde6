import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { csvHead, csvLines, type CsvRow } from '../shared'
import { biggestLoss, dropOff } from './dropOff'

describe('drop-off', () => {
  const steps = [
    { stepId: 'a', reached: 10, stoppedHere: 2 },
    { stepId: 'b', reached: 8, stoppedHere: 4 },
    { stepId: 'c', reached: 4, stoppedHere: 0 },
  ]
  it('tells the share that got there and the share lost there', () => {
    expect(dropOff(steps, 10).map(({ share, lost }) => [share, lost])).toEqual([
      [1, 0.2],
      [0.8, 0.5],
      [0.4, 0],
    ])
    expect(dropOff(steps, 0)[0]).toMatchObject({ share: 0 })
  })
  it('finds the step where most stopped', () => {
    expect(biggestLoss(steps)?.stepId).toBe('b')
    expect(biggestLoss([{ stepId: 'a', reached: 3, stoppedHere: 0 }])).toBeNull()
  })
})

const csv = (header: string[], rows: readonly CsvRow[]): string => csvHead(header) + csvLines(rows)

describe('a CSV file', () => {
  it('quotes what needs it and takes the sting out of formulas', () => {
    expect(
      csv(
        ['Name', 'Minutes'],
        [
          ['Ágata "Aga" Łuk, Brookside', 3.5],
          ['=HYPERLINK("x")', -4],
          ['@SUM', null],
          ['-2+3', 0],
        ],
      ),
    ).toBe('\uFEFFName,Minutes\r\n"Ágata ""Aga"" Łuk, Brookside",3.5\r\n"\'=HYPERLINK(""x"")",-4\r\n\'@SUM,\r\n\'-2+3,0\r\n')
  })
})

describe('drop-off of any guide', () => {
  const steps = fc
    .array(fc.nat(50), { minLength: 1, maxLength: 12 })
    .map((stops) =>
      stops.map((stoppedHere, index) => ({ stepId: `${index}`, stoppedHere, reached: stops.slice(index).reduce((sum, n) => sum + n, 0) })),
    )
  it('has shares between none and all that only fall, and loses at each step no more than got there', () => {
    fc.assert(
      fc.property(steps, fc.nat(20), (reach, more) => {
        const started = reach[0]!.reached + more
        const drop = dropOff(reach, started)
        drop.forEach((step, index) => {
          expect(step.share).toBeGreaterThanOrEqual(0)
          expect(step.share).toBeLessThanOrEqual(1)
          expect(step.lost).toBeLessThanOrEqual(1)
          if (index > 0) expect(step.share).toBeLessThanOrEqual(drop[index - 1]!.share)
        })
        const worst = biggestLoss(reach)
        expect(worst?.stoppedHere ?? 0).toBe(Math.max(0, ...reach.map((step) => step.stoppedHere)))
      }),
    )
  })
})

describe('any table as CSV', () => {
  it('is read back cell by cell, and no cell begins as a formula would', () => {
    const cells = fc.array(
      fc.array(fc.string({ unit: fc.constantFrom('a', ',', '"', '\n', '=', '+', '-', '@', 'Ł', ' ') }), { minLength: 2, maxLength: 2 }),
      { maxLength: 5 },
    )
    fc.assert(
      fc.property(cells, (rows) => {
        const read = readCsv(csv(['One', 'Two'], rows).slice(1))
        expect(read.slice(1).map((row) => row.map((cell) => cell.replace(/^'/, '')))).toEqual(rows)
        for (const cell of read.flat()) expect(cell).not.toMatch(/^[=+@]|^-(?!\d+(\.\d+)?$)/)
      }),
    )
  })
})

/** A reader of RFC 4180 of its own, so that the writer is not its own judge. */
function readCsv(text: string): string[][] {
  const rows: string[][] = []
  let [row, cell, quoted] = [[] as string[], '', false]
  for (let i = 0; i < text.length; i++) {
    const sign = text[i]!
    if (quoted) {
      if (sign !== '"') cell += sign
      else if (text[i + 1] === '"') cell += text[++i]
      else quoted = false
    } else if (sign === '"') quoted = true
    else if (sign === ',') [row, cell] = [[...row, cell], '']
    else if (sign === '\r' && text[i + 1] === '\n') {
      rows.push([...row, cell])
      ;[row, cell] = [[], '']
      i++
    } else cell += sign
  }
  return rows
}
