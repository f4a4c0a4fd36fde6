import { describe, expect, it } from 'vitest'
import { emptyDocument, PLAIN_LOOK } from '../guides'
import { seededIds, type GuideId } from '../shared'
import type { HandoutGuide } from './handout'
import { headFacts } from './headFacts'

const guide: HandoutGuide = {
  ...{ guideId: seededIds(1)<GuideId>(), number: 7, edition: 3, published: '3 May 2026', owner: 'Ada Finch', minutes: 4, section: null },
  ...{ sizes: {}, quizzes: {}, groups: {}, address: '', qr: { d: '', size: 0 } },
  look: { ...PLAIN_LOOK, head: ['owner'] },
  document: { ...emptyDocument('Rinse', 'how-to'), system: { name: 'Order Book', addresses: [], versions: ['4', '5'] } },
}
const namesOf = (given: HandoutGuide) => headFacts(given, (key) => key).map(([name]) => name)

describe('the facts of a guide that leaves the application', () => {
  it('are those that the company wants, with number, edition, day and the application it is for in any case', () => {
    expect(headFacts(guide, (key) => key)).toEqual([
      ['Guide', '7'],
      ['Edition', '3'],
      ['Published', '3 May 2026'],
      ['Owner', 'Ada Finch'],
      ['For', 'Order Book 4, 5'],
    ])
    expect(namesOf({ ...guide, look: { ...PLAIN_LOOK, head: [] } })).not.toContain('Owner')
  })
  it('leave out what a draft does not have', () => {
    const { system: _, ...document } = guide.document
    const draft = { ...guide, edition: null, published: '', document }
    expect(namesOf(draft)).toEqual(['Guide', 'Edition', 'Owner'])
  })
})
