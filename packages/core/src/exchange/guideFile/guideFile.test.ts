import { describe, expect, it } from 'vitest'
import { GuideDocument, pictureRefsOf, stepsOf, tooMuchIn } from '../../guides'
import { kindOfId, seededIds, seededRandom } from '../../shared'
import { valueOf, type Making } from '../../testing'
import { aDocument, aGuideQuiz, aHandoutGuide, aStep } from '../paper/testing'
import { readGuideFile, withoutMissing, writeGuideFile } from './guideFile'

const WRITTEN = '2026-11-30T10:00:00.000Z'
const typesOf = (document: GuideDocument) => Object.fromEntries(pictureRefsOf(document.items).stored.map((id) => [id, 'image/png']))
const read = (text: string) => readGuideFile(text, seededIds(9))

/** Ids that tell of what they are the id, so that none stands for two things. */
const idsBy =
  (random: () => number): Making['hint'] =>
  (schema) => {
    const kind = kindOfId(schema)
    return kind === undefined ? undefined : { value: `${kind}-${String(Math.floor(random() * 90) + 10)}`.padEnd(21, '0').slice(-21) }
  }

/** A document with every id by the place at which it first stands, so that two can be compared. */
function shape(document: GuideDocument): unknown {
  const items = document.items.map((item) => {
    if (item.kind !== 'step') return item
    const { copiedFrom: _, combinedFrom: __, splitFrom: ___, check: ____, ...step } = item
    return step
  })
  const places = new Map<string, string>()
  const known = new Set([
    ...document.items.map((item) => item.id as string),
    ...pictureRefsOf(document.items).stored,
    ...pictureRefsOf(document.items).elements,
  ])
  const text = JSON.stringify({ ...document, silenced: [], items }).replace(/"([A-Za-z0-9_-]{21})"/g, (whole, id: string) => {
    if (!known.has(id)) return whole
    if (!places.has(id)) places.set(id, `place ${places.size}`)
    return `"${places.get(id)!}"`
  })
  return JSON.parse(text, (key, value: unknown) => {
    // Blocks of text have ids of their own, or none yet.
    if (key !== 'attrs' || typeof value !== 'object' || value === null) return value
    const { id: _, ...rest } = value as { id?: string }
    return Object.keys(rest).length > 0 ? rest : undefined
  })
}

describe('a whole guide as a file', () => {
  it('comes back equal, with ids of its own, whatever is in it', () => {
    const random = seededRandom(182)
    for (let n = 0; n < 120; n++) {
      const document = valueOf(GuideDocument, { random, hint: idsBy(random) }) as GuideDocument
      if (tooMuchIn(document).length > 0 || new Set(document.items.map((item) => item.id)).size < document.items.length) continue
      const back = read(writeGuideFile(aHandoutGuide(document), typesOf(document), WRITTEN).text)
      if (!back.ok) throw new Error(back.words)
      expect(shape(back.guide.document)).toEqual(shape(document))
      const own = new Set(document.items.map((item) => item.id as string))
      for (const item of back.guide.document.items) expect(own.has(item.id)).toBe(false)
    }
  })
  it('says which pictures lie where, and what it refers to elsewhere', () => {
    const quiz = aGuideQuiz()
    const step = { ...aStep('Look'), pictures: [{ id: 'picture-0000000000001' as never, alt: '' }] }
    const guide = aHandoutGuide(aDocument(step, quiz), { quizzes: { [quiz.quizId]: 'Trays' } })
    const { text, pictures } = writeGuideFile(guide, typesOf(guide.document), WRITTEN)
    expect(pictures).toEqual([{ id: 'picture-0000000000001', file: 'pictures/picture-0000000000001.png' }])
    const back = read(text)
    if (!back.ok) throw new Error(back.words)
    expect(back.guide.quizzes).toEqual([{ id: quiz.quizId, name: 'Trays' }])
    expect(back.guide.pictures).toEqual([
      { id: stepsOf(back.guide.document)[0]!.pictures[0]!.id, file: 'pictures/picture-0000000000001.png' },
    ])
    const settled = withoutMissing(back.guide.document, new Set(), new Set())
    expect(settled.items.map((item) => item.kind)).toEqual(['step'])
    expect(stepsOf(settled)[0]!.pictures).toEqual([])
  })
  it.each([
    ['no JSON', '{', 'not JSON'],
    ['another JSON', '{"a":1}', 'not the file of a guide'],
    [
      'a picture outside of the file',
      JSON.stringify({
        ...JSON.parse(writeGuideFile(aHandoutGuide(aDocument(aStep('a'))), {}, WRITTEN).text),
        pictures: [{ id: 'p'.repeat(21), file: '../x.png' }],
      }),
      'pictures',
    ],
    [
      'a newer document',
      JSON.stringify({ ...JSON.parse(writeGuideFile(aHandoutGuide(aDocument(aStep('a'))), {}, WRITTEN).text), document: { version: 99 } }),
      'newer',
    ],
    [
      'a damaged document',
      JSON.stringify({
        ...JSON.parse(writeGuideFile(aHandoutGuide(aDocument(aStep('a'))), {}, WRITTEN).text),
        document: { version: 4, items: [] },
      }),
      'damaged',
    ],
  ])('is refused in words: %s', (_, text, words) => {
    expect(read(text)).toEqual({ ok: false, words: expect.stringMatching(new RegExp(`${words}.* Nothing was imported\\.$`, 's')) })
  })
})
