import { describe, expect, it } from 'vitest'
import { applyAll, emptyDocument, richTextOf, type Annotation, type GuideDocument, type Step } from '../guides'
import { seededIds, type PictureId, type StepId } from '../shared'
import { isBroken, linksOf, writingFindings, type WritingReason } from './findings'
import { instructionsIn, lix, proseRulesFor, sentencesOf } from './proseRules'

const ids = seededIds(5)
const step = (words: string, more: Partial<Step> = {}): Step => ({
  kind: 'step',
  id: ids() as StepId,
  body: richTextOf(...words.split('\n')),
  pictures: [{ id: ids() as PictureId, alt: 'A valve' }],
  ...more,
})
const guide = (language: string, ...items: Step[]): GuideDocument => ({ ...emptyDocument('A guide', 'how-to'), language, items })
const reasons = (words: string, language = 'en', more: Partial<Step> = {}): WritingReason[] =>
  writingFindings(guide(language, step(words, more))).map((finding) => finding.reason)

describe('findings about a step', () => {
  it.each<[string, WritingReason[]]>([
    ['Open the valve.', []],
    ['Open the valve, close the drain, and then press Start. Wait.', ['several-actions']],
    ['Press Start. Wait ten seconds. Read the gauge.', ['several-actions']],
    ['The tray is cleaned with warm water.', ['passive']],
    ['The lamp is green.', []],
    ['Set the pH to 6.', []],
    ['Tell the SHF before you begin.', ['acronym']],
    ['Tell the SHF (safety officer) before you begin.', []],
    ['Save it as PDF.', []],
    ['It is wet. '.repeat(25), ['long-step']],
    [
      'Notwithstanding environmental considerations concerning irrigation infrastructure, maintenance personnel should comprehensively document extraordinary observations immediately afterwards, preferably electronically.',
      ['hard-to-read'],
    ],
  ])('%s', (words, expected) => {
    expect(reasons(words)).toEqual(expected)
  })
  it.each([
    ['de', 'Öffnen Sie das Ventil, schließen Sie den Ablauf und drücken Sie Start.', 'several-actions'],
    ['de', 'Der Filter wird vorsichtig gereinigt.', 'passive'],
    ['es', 'La bandeja es lavada con agua.', 'passive'],
    ['pl', 'Filtr jest czyszczony wodą.', 'passive'],
  ])('are found in %s, too: %s', (language, words, reason) => {
    expect(reasons(words, language)).toContain(reason)
  })
  it('are not made up in a language that nobody has written rules for', () => {
    expect(reasons('Le filtre est nettoyé. Ouvrez. Fermez. Lavez.', 'fr')).toEqual([])
  })
  it('miss a picture only where pictures are expected', () => {
    const bare = step('Open the valve.', { pictures: [] })
    expect(writingFindings(guide('en', bare)).map((each) => each.reason)).toEqual(['picture-missing'])
    expect(writingFindings({ ...guide('en', bare), kind: 'policy' })).toEqual([])
    const opening = { verb: 'open' as const, page: { address: 'https://book.example/', title: '', application: 'Order Book' } }
    expect(reasons('Open **Order Book**.', 'en', { pictures: [], action: opening })).toEqual([])
  })
  it.each([
    ['en', 'Thank the caller and say your name.', []],
    ['en', 'Wait until the lamp on the panel is green.', ['picture-missing']],
    ['de', 'Drehen Sie das Handrad nach rechts.', ['picture-missing']],
    ['es', 'Espere a que llegue el conductor.', []],
    ['pl', 'Zamknij zawór.', ['picture-missing']],
  ])('miss one only where there is something to be seen, in %s: %s', (language, words, expected) => {
    expect(reasons(words, language, { pictures: [] })).toEqual(expected)
  })
  it('miss what a picture shows in words', () => {
    expect(reasons('Open the valve.', 'en', { pictures: [{ id: ids() as PictureId, alt: ' ' }] })).toEqual(['no-description'])
  })
  it('ask for a frame around what is acted on, and tell of annotations that lost their element', () => {
    const id = ids() as PictureId
    const element = {
      pictureId: id,
      rect: { x: 0, y: 0, width: 9, height: 9 },
      of: { widthPx: 90, heightPx: 90 },
      role: '',
      name: '',
      frame: [],
      locators: [],
    }
    const label: Annotation = { id: 'label-one', kind: 'label', words: 'x', at: { to: 'element', at: 'top', gapPx: 0 } }
    expect(reasons('Open it.', 'en', { pictures: [{ id, alt: 'A valve', annotations: [label] }], element })).toEqual(['no-frame'])
    expect(reasons('Open it.', 'en', { pictures: [{ id, alt: 'A valve', annotations: [label] }] })).toEqual(['lost-annotation'])
  })
  it('count annotations in a style of their own', () => {
    const stray: Annotation = {
      id: 'label-one',
      kind: 'text',
      words: 'x',
      at: { to: 'picture', at: 'top', gapPx: 0 },
      style: { typePx: 20 },
    }
    const [finding] = writingFindings(
      guide('en', step('Open it.', { pictures: [{ id: ids() as PictureId, alt: 'A valve', annotations: [stray] }] })),
    )
    expect(finding).toMatchObject({ reason: 'stray-style', about: '1' })
  })
  it('leave codes and keys alone', () => {
    const coded = step('x')
    coded.body = {
      type: 'doc',
      content: [
        {
          type: 'paragraph',
          content: [
            { type: 'text', text: 'Press ' },
            { type: 'text', text: 'ESC', marks: [{ type: 'keyCap' }] },
          ],
        },
      ],
    }
    expect(writingFindings(guide('en', coded))).toEqual([])
  })
})

describe('a finding', () => {
  it('is silenced for its step, and heard of again', () => {
    const document = guide('en', step('The tray is cleaned.'))
    const [finding] = writingFindings(document)
    const { document: quiet } = applyAll([{ type: 'silence', finding: finding!.key, silenced: true }], document)
    expect(writingFindings(quiet)).toEqual([{ ...finding, silenced: true }])
    const { document: loud } = applyAll([{ type: 'silence', finding: finding!.key, silenced: false }], quiet)
    expect(writingFindings(loud)).toEqual([finding])
  })
  it('about an acronym is told once, where it comes first', () => {
    const found = writingFindings(guide('en', step('Ask the SHF.'), step('The SHF signs.')))
    expect(found.filter((each) => each.reason === 'acronym')).toHaveLength(1)
  })
})

describe('links', () => {
  const linked = (href: string): Step => ({
    ...step('x'),
    body: {
      type: 'doc',
      content: [{ type: 'paragraph', content: [{ type: 'text', text: 'here', marks: [{ type: 'link', attrs: { href } }] }] }],
    },
  })
  it.each([
    ['https://example.org/a', false],
    ['http://localhost:4410/orders', false],
    ['https://example', true],
    ['http://', true],
    ['https://ex..org', true],
    ['mailto:orders@greenway.example', false],
    ['mailto:orders', true],
    ['tel:+44 1632 960127', false],
    ['tel:12', true],
  ])('%s: broken %s', (href, broken) => {
    expect(isBroken(href)).toBe(broken)
  })
  it('that the server says lead to nothing are told', () => {
    const document = guide('en', linked('https://jackdaw.example/guides/abcdefghijklmnopqrstu'))
    expect(linksOf(document)).toHaveLength(1)
    expect(writingFindings(document)).toEqual([])
    expect(writingFindings(document, new Set(linksOf(document))).map((each) => each.reason)).toEqual(['dead-link'])
  })
})

describe('prose', () => {
  it('is cut into sentences, not at numbers and abbreviations', () => {
    expect(sentencesOf('Set it to 0.5 bar, e.g. by hand. Wait!\nThen read on')).toHaveLength(3)
    expect(lix('')).toBe(0)
    expect(lix('A cat sat.')).toBe(3)
    expect(instructionsIn('Press Start and then wait', proseRulesFor('en-GB')!)).toBe(2)
  })
})
