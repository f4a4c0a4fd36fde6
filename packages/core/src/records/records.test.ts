import { describe, expect, it } from 'vitest'
import { csv } from './csv'
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
