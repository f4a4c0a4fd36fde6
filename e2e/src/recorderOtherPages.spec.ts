import { describe, expect, it } from 'vitest'
import { FURTHER_PAGES } from './corpus/furtherPages'
import { OTHER_PAGES } from './corpus/otherPages'
import { expectWanted, recordingPages } from './recordedPage'

/** Pages that are not the Order Book: plain forms, no names at all, a drawing, right to left, more than 5,000 elements, frames, shadows,
 * fields that are made anew, lists by keyboard, sorting, sliders. `npm run test:deep` records all of them. */
const TRIED = [
  'leave-asked',
  'nameless-switch',
  'canvas-planted',
  'rtl-order',
  'table-row-edited',
  'frame-of-another-origin',
  'closed-shadow',
  'polish-page',
  'shift-opened-in-remade-fields',
  'room-booked-by-keyboard',
  'wash-plan-sorted',
  'climate-set-by-sliders',
]

const { draftOf } = recordingPages()

describe('a page that is not the Order Book', () => {
  it.each([...OTHER_PAGES, ...FURTHER_PAGES].filter((each) => TRIED.includes(each.name)))('becomes a guide: $name', async (scenario) => {
    const document = await draftOf(scenario)
    expectWanted(document, scenario)
    // What the rules were not sure of is marked, and nothing else.
    const doubts = document.items.flatMap((item: any) => item.check?.doubts ?? [])
    if (scenario.name === 'canvas-planted') expect(doubts.filter((doubt: string) => doubt === 'drawn-area')).toHaveLength(2)
    if (scenario.name === 'nameless-switch') expect(doubts).toContain('no-name')
    if (['leave-asked', 'climate-set-by-sliders'].includes(scenario.name)) expect(doubts).toEqual([])
  })
})
