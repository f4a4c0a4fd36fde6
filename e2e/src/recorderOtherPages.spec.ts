import { describe, it } from 'vitest'
import { FURTHER_PAGES } from './corpus/furtherPages'
import { OTHER_PAGES } from './corpus/otherPages'
import { expectWanted, recordingPages } from './recordedPage'

/** Pages that are not the Order Book: plain forms, no names at all, a drawing, right to left, frames, shadows, fields that are made anew.
 * `npm run test:deep` records all of them. */
const TRIED = [
  'leave-asked',
  'nameless-switch',
  'canvas-planted',
  'rtl-order',
  'frame-of-another-origin',
  'closed-shadow',
  'shift-opened-in-remade-fields',
]

const { draftOf } = recordingPages()

describe('a page that is not the Order Book', () => {
  it.each([...OTHER_PAGES, ...FURTHER_PAGES].filter((each) => TRIED.includes(each.name)))('becomes a guide: $name', async (scenario) => {
    expectWanted(await draftOf(scenario), scenario)
  })
})
