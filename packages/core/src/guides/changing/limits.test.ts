import { describe, expect, it } from 'vitest'
import { GuideQuizId, PictureId, SectionId, seededIds, seededRandom, StepId } from '../../shared'
import { oneOf, sitesOf, valueOf, type Making, type Schema } from '../../testing'
import { AnnotationId } from '../annotation'
import { apply, applyAll } from './apply'
import { Change } from './changes'
import { GuideDocument, type Step } from '../document'
import { GUIDE_LIMITS, type Limit } from '../limits'
import { pictureRefsIn } from './changeKinds'
import { readDocument } from '../readDocument'
import { richTextOf } from '../text/richTextOf'
import { textLevels } from '../text/textLevels'
import { type Block, type RichText } from '../text/richText'
import { aDocument, aGuideQuiz, aSection, aStep } from '../testing'
import { tooMuchIn } from '../tooMuch'

const ids = seededIds(21)
const random = seededRandom(22)
const options = (Change._zod.def as unknown as { options: Schema[] }).options
const typeOf = (schema: Schema) => (schema._zod.def as unknown as { shape: { type: { _zod: { def: { values: string[] } } } } }).shape.type

const picture = (annotations: number) => ({
  id: ids() as PictureId,
  alt: '',
  annotations: Array.from({ length: annotations }, (_, n) => ({
    id: `frame-${n}-x`,
    kind: 'frame' as const,
    area: { to: 'element' as const, gapPx: 3 },
  })),
})
const full: Step = { ...aStep('Full'), pictures: Array.from({ length: 40 }, (_, n) => picture(n === 0 ? 200 : 1)) }
const sheet = { widthPx: 400, heightPx: 300, pictures: [] }
const nearly: Step = {
  ...aStep('Nearly full'),
  pictures: Array.from({ length: 39 }, (_, n) => ({ ...picture(1), ...(n === 0 ? { sheet } : {}) })),
}
const heading = aSection('Heading')
const quiz = aGuideQuiz()
const start: GuideDocument = {
  ...aDocument(heading, full, nearly, aStep('Plain'), quiz),
  silenced: Array.from({ length: 5_000 }, (_, n) => `acronym:${n}`).sort(),
}
/** Ids that stand in the document, most of the time. */
const hint: Making['hint'] = (schema) => {
  const among = (list: readonly string[]) => (random() < 0.9 ? { value: oneOf(random, list) } : undefined)
  const wanted = schema as unknown
  if (wanted === StepId) return among(start.items.slice(1, -1).map((item) => item.id))
  if (wanted === SectionId) return among([heading.id])
  if (wanted === GuideQuizId) return among([quiz.id])
  if (wanted === PictureId) return among([...full.pictures.slice(0, 3), ...nearly.pictures.slice(0, 3)].map((each) => each.id))
  if (wanted === AnnotationId) return among(['frame-0-x', 'frame-199-x'])
  return undefined
}

describe('every kind of change', () => {
  it.each(options.map((schema) => [typeOf(schema)._zod.def.values[0]!, schema] as const))(
    '%s gives a document that its own schema accepts and can be undone, or is refused',
    (type, schema) => {
      let done = 0
      for (let i = 0; i < 400 && done < 20; i++) {
        const change = valueOf(schema, { random, hint }) as Change
        const result = apply(change, start)
        if (!result.ok) continue
        done++
        expect([change, GuideDocument.safeParse(result.document).error]).toEqual([change, undefined])
        expect(apply(result.inverse, result.document)).toMatchObject({ ok: true, document: start })
      }
      // Findings are as many as there may be: only taking away works here.
      expect([type, done > 4]).toEqual([type, true])
    },
  )
  it('names every picture that it brings into a guide, wherever it stands', () => {
    for (let i = 0; i < 400; i++) {
      const change = valueOf(Change, { random, hint }) as Change
      const { stored, elements } = pictureRefsIn(change)
      const bySchema = new Set(
        sitesOf(Change, change)
          .filter((site) => (site.schema as unknown) === PictureId)
          // What a change speaks of in the step itself is not brought in by it; an anchor neither.
          .filter((site) => !(site.path.length === 1 && ['pictureId', 'after'].includes(String(site.path[0]))))
          .map((site) => site.value),
      )
      expect(new Set([...stored, ...elements])).toEqual(bySchema)
    }
  })
})

const nestedLists = (levels: number): RichText => {
  let block: Block = { type: 'paragraph', content: [{ type: 'text', text: 'deep' }] }
  for (let i = 0; i < levels; i++) block = { type: 'bulletList', content: [{ type: 'listItem', content: [block] }] }
  return { type: 'doc', content: [block] }
}

describe('limits', () => {
  const refusedAt = (change: Change, document = start): Limit | null => {
    const result = apply(change, document)
    return !result.ok && result.reason === 'over-limit' ? result.limit : null
  }
  it('are named where one more would be too much', () => {
    const after = null
    expect(refusedAt({ type: 'insert-picture', stepId: full.id, picture: picture(0), after })).toBe('pictures')
    expect(refusedAt({ type: 'insert-picture', stepId: nearly.id, picture: picture(0), after })).toBe(null)
    const annotation = { ...picture(1).annotations[0]!, id: 'one-more' }
    const pictureId = full.pictures[0]!.id
    expect(refusedAt({ type: 'put-annotation', stepId: full.id, pictureId, annotation, after })).toBe('annotations')
    expect(refusedAt({ type: 'silence', finding: 'new', silenced: true })).toBe('silenced')
    expect(refusedAt({ type: 'silence', finding: start.silenced[0]!, silenced: true })).toBe(null)
    const many = aDocument(...Array.from({ length: 5_000 }, (_, n) => aSection(String(n))))
    expect(refusedAt({ type: 'insert-item', item: aSection('x'), after }, many)).toBe('items')
    expect(refusedAt({ type: 'set-step', stepId: full.id, fields: { body: nestedLists(41) } })).toBe('levels')
    expect(refusedAt({ type: 'set-step', stepId: full.id, fields: { body: nestedLists(39) } })).toBe(null)
  })
  it('count levels of nesting as the schema does', () => {
    expect([textLevels(richTextOf()), textLevels(richTextOf('a')), textLevels(nestedLists(2))]).toEqual([0, 1, 5])
    expect(textLevels(nestedLists(20_000))).toBe(40_001)
    const body = (levels: number) => Change.safeParse({ type: 'set-step', stepId: full.id, fields: { body: nestedLists(levels) } }).success
    expect([body(39), body(40), body(200)]).toEqual([true, false, false])
  })
  it('let a document that is too large already be opened, told of, changed elsewhere and made smaller, but not grow', () => {
    const large: Step = { ...aStep('Large'), pictures: Array.from({ length: 44 }, () => picture(0)) }
    const document = readDocument(aDocument(large, aStep('Other')))
    expect(tooMuchIn(document)).toEqual([{ limit: 'pictures', amount: 44, itemId: large.id }])
    expect(refusedAt({ type: 'insert-picture', stepId: large.id, picture: picture(0), after: null }, document)).toBe('pictures')
    const changes: Change[] = [
      { type: 'set-step', stepId: large.id, fields: { body: richTextOf('Still large') } },
      ...large.pictures.slice(0, 4).map((each): Change => ({ type: 'remove-picture', stepId: large.id, pictureId: each.id })),
    ]
    const { document: mended, refused } = applyAll(changes, document)
    expect([refused, tooMuchIn(mended)]).toEqual([[], []])
  })
  it('have words that say how much is too much', () => {
    for (const { most, words } of Object.values(GUIDE_LIMITS))
      expect([words, words.replace(/,/g, '').includes(String(words.includes('deep') ? most / 2 : most))]).toEqual([words, true])
  })
})
