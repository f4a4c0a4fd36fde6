import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { richTextOf } from '../../../guides'
import { cutTo, seededIds, type ClipId, type NewId, type PictureId } from '../../../shared'
import { clipsIn, contentOf, wordsOf, type Content, type ContentClip } from '../../questions/content'
import type { Question } from '../../questions/question'
import { clipsOf, picturesOf, withPictures } from '../../shownFiles'
import { optionsOf, questionOf } from '../../testing'
import { readQti, type ReadQti } from './readQti'
import { writeQti, type QtiClip, type QtiPicture } from './writeQti'
import { faultsOf } from './testing'

const ids = (): NewId => seededIds(5)
const shown = seededIds(6)() as PictureId
const PICTURES = new Map<PictureId, QtiPicture>([[shown, { widthPx: 1_000, heightPx: 500, file: 'pictures/one.png', type: 'image/png' }]])
const [played, watched] = [seededIds(11)() as ClipId, seededIds(12)() as ClipId]
const CLIPS = new Map<ClipId, QtiClip>([
  [played, { file: 'media/alarm.wav', type: 'audio/wav' }],
  [watched, { file: 'media/crate.webm', type: 'video/webm' }],
])
const clip = (id: ClipId, kind: ContentClip['kind'], more: Partial<ContentClip> = {}): ContentClip => ({
  ...{ id, kind, title: 'Heard & seen', durationMs: null, poster: null, captions: [], ...more },
})
const SIZE = { widthPx: 1_000, heightPx: 500 }
const write = (...questions: Question[]) => writeQti(questions, 'Water', { pictures: PICTURES, clips: CLIPS })
const read = (files: Record<string, string>): ReadQti =>
  readQti(new Map(Object.entries(files)), (path) => (path === 'pictures/one.png' ? SIZE : null), ids())

/** Questions with ids by the order in which they first stand there, so that two can be compared. */
function plain(questions: readonly Question[]): unknown {
  return questions.map(({ kind, prompt, explanation, points, difficulty, tags, ask, key }) => {
    const seen = new Map<string, string>()
    const walk = (value: unknown, name = ''): unknown => {
      const isId = typeof value === 'string' && (/^[A-Za-z0-9_-]{21}$/.test(value) || /^(option|other|area|line)-\w+$/.test(value))
      if (isId && name !== 'text') {
        if (!seen.has(value)) seen.set(value, `id ${seen.size}`)
        return seen.get(value)
      }
      if (Array.isArray(value)) return value.map((each) => walk(each))
      return value !== null && typeof value === 'object'
        ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v, k)]))
        : value
    }
    return walk({ kind, prompt, ask, key, explanation, points, difficulty, tags })
  })
}
const formatted: Content = {
  text: {
    type: 'doc',
    content: [
      {
        type: 'paragraph',
        content: [
          { type: 'text', text: 'Press ' },
          { type: 'text', text: 'Stop', marks: [{ type: 'bold' }] },
          { type: 'text', text: ' & wait <5 s>, ' },
          {
            type: 'text',
            text: 'see the sheet',
            marks: [{ type: 'italic' }, { type: 'link', attrs: { href: 'https://larkmoor.example/a?b=1&c=2' } }],
          },
          { type: 'hardBreak' },
          { type: 'text', text: 'F5', marks: [{ type: 'keyCap' }] },
        ],
      },
      {
        type: 'bulletList',
        content: [
          { type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'one' }] }] },
          { type: 'listItem', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'two' }] }] },
        ],
      },
      {
        type: 'table',
        content: [
          {
            type: 'tableRow',
            content: [
              { type: 'tableHeader', content: [{ type: 'paragraph', content: [{ type: 'text', text: 'bar' }] }] },
              { type: 'tableCell', attrs: { colspan: 2 }, content: [{ type: 'paragraph', content: [{ type: 'text', text: '2.5' }] }] },
            ],
          },
        ],
      },
      { type: 'codeBlock', content: [{ type: 'text', text: 'if a < b\n  stop' }] },
    ],
  },
  pictures: [{ id: shown, alt: 'The pump' }],
}
const more: Partial<Question> = {
  explanation: contentOf('Because.', 'So it is.'),
  points: 4,
  difficulty: 'hard',
  tags: ['water', 'pumps & valves'],
}
const EVERY: Question[] = [
  questionOf(
    'true-false',
    {},
    { right: true },
    {
      prompt: { ...contentOf('Is it shut?'), clips: [clip(played, 'sound')] },
      explanation: { ...contentOf(), clips: [clip(watched, 'video')] },
    },
  ),
  questionOf('one', { options: optionsOf('four', 'five', 'six') }, { right: 'option-b' }, { ...more, prompt: formatted }),
  questionOf('several', { options: optionsOf('four', 'five', 'six') }, { right: ['option-b', 'option-c'], by: 'parts' }, more),
  questionOf('several', { options: optionsOf('four', 'five') }, { right: ['option-a'], by: 'all' }, { difficulty: 'easy' }),
  questionOf('true-false', {}, { right: false }, more),
  questionOf('true-false', {}, { right: true }),
  questionOf('text', {}, { accepted: ['mixing tank', 'stirring vat'], slips: 0, sameCase: true }, more),
  questionOf('number', { unit: 'bar' }, { right: 2.5, tolerance: { of: 'percent', amount: 5 } }, more),
  questionOf('number', { unit: '' }, { right: -1_000_000, tolerance: { of: 'absolute', amount: 0.5 } }),
  questionOf('number', { unit: '°C' }, { right: 6, tolerance: { of: 'absolute', amount: 0 } }),
  questionOf('order', { entries: optionsOf('first', 'second', 'third') }, { order: ['option-c', 'option-a', 'option-b'], by: 'all' }, more),
  questionOf(
    'match',
    { left: optionsOf('tray', 'pump'), right: optionsOf('sown', 'runs', 'cuts').map(({ content }, n) => ({ id: `other-${n}`, content })) },
    {
      pairs: [
        ['option-a', 'other-1'],
        ['option-b', 'other-0'],
      ],
      by: 'parts',
    },
    more,
  ),
  questionOf(
    'place',
    { picture: { id: shown, alt: 'The seeder' } },
    { areas: [{ id: 'area-one', x: 0.25, y: 0.5, width: 0.1, height: 0.2 }] },
    more,
  ),
  questionOf(
    'written',
    { mostCharacters: 800 },
    { words: 'It may be short.\nNobody is perfect.', criteria: [{ id: 'line-1', words: 'Says why: first', most: 4 }] },
    more,
  ),
  ...(['sound', 'video', 'either'] as const).map((by) =>
    questionOf('recorded', { by, mostSeconds: 90 }, { words: '', criteria: [{ id: 'line-1', words: 'Shows it', most: 2 }] }, more),
  ),
]

describe('a package of QTI 2.1', () => {
  it('holds every kind, and comes back as it was', () => {
    const { files, lost } = write(...EVERY)
    expect(lost).toEqual([])
    const { questions, faults, pictures, clips } = read(files)
    expect(faults).toEqual([])
    expect(plain(questions)).toEqual(plain(EVERY))
    expect(new Set(pictures.values())).toEqual(new Set(['pictures/one.png']))
    expect([...pictures.keys()].sort()).toEqual(questions.flatMap(picturesOf).sort())
    expect([...clips].sort()).toEqual(
      questions
        .flatMap(clipsOf)
        .map(({ id }, n) => [id, ['media/alarm.wav', 'media/crate.webm'][n]])
        .sort(),
    )
    expect(files['imsmanifest.xml']).toContain('href="media/crate.webm"')
  })
  it('fits the model of the format, item by item; what does not is found', async () => {
    const { files } = write(...EVERY)
    const written = Object.entries(files).filter(([path]) => path !== 'imsmanifest.xml')
    expect(written).toHaveLength(EVERY.length + 1)
    expect(await faultsOf(written.map(([path, contents]) => ({ fileName: path.replace('/', '-'), contents })))).toEqual([])
    const wrong = files['items/question-001.xml']!.replace('shuffle=', 'mixed=')
    expect(await faultsOf([{ fileName: 'wrong.xml', contents: wrong }])).not.toEqual([])
  })
  it('comes back as it was, whatever the words are', () => {
    const word = fc
      .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
      .map((each) =>
        each
          .replace(/[\p{Cc}\p{Cs}]/gu, '')
          .replace(/\s+/g, ' ')
          .trim(),
      )
      .filter(Boolean)
    fc.assert(
      fc.property(word, word, word, word, fc.integer({ min: 1, max: 20 }), (prompt, right, wrong, tag, points) => {
        const said = { prompt: contentOf(prompt), explanation: contentOf(wrong), tags: [cutTo(tag, 40).trim()].filter(Boolean), points }
        const all = [
          questionOf('one', { options: optionsOf(right, wrong) }, { right: 'option-a' }, said),
          questionOf('text', {}, { accepted: [right], slips: 0, sameCase: false }, said),
          questionOf('written', { mostCharacters: 500 }, { words: '', criteria: [{ id: 'line-1', words: right, most: 3 }] }, said),
        ]
        expect(plain(read(write(...all).files).questions)).toEqual(plain(all))
      }),
      { numRuns: 200 },
    )
  })
  it('has its pictures put in by whoever takes it in, wherever they stand', () => {
    const [, one, , , , , , , , , , , place] = read(write(...EVERY).files).questions
    const own = seededIds(77)() as PictureId
    for (const question of [one!, place!]) {
      expect(picturesOf(question)).not.toEqual([])
      expect(new Set(picturesOf(withPictures(question, () => own)))).toEqual(new Set([own]))
      expect(picturesOf(withPictures(question, () => null))).toEqual([])
    }
    for (const question of EVERY) expect(withPictures(question, (id) => id)).toEqual(question)
  })
  it('says what it cannot hold', () => {
    const gone = seededIds(9)() as PictureId
    const steps = [{ guideId: seededIds(1)() as never, stepId: seededIds(2)() as never }]
    const { files, lost } = write(
      questionOf('text', {}, { accepted: ['a'], slips: 2, sameCase: false }, { steps }),
      questionOf('order', { entries: optionsOf('a', 'b') }, { order: ['option-a', 'option-b'], by: 'parts' }),
      questionOf('place', { picture: { id: gone, alt: '' } }, { areas: [] }),
      questionOf('true-false', {}, { right: true }, { prompt: { text: richTextOf('Look'), pictures: [{ id: gone, alt: '' }] } }),
      questionOf('true-false', {}, { right: true }, { prompt: { ...contentOf('Hear'), clips: [clip(gone as never, 'sound')] } }),
      questionOf('true-false', {}, { right: true }, { prompt: { ...contentOf('See'), clips: [clip(watched, 'video', { poster: gone })] } }),
    )
    expect(lost).toEqual([
      { question: 1, what: 'slips' },
      { question: 1, what: 'steps' },
      { question: 2, what: 'parts' },
      { question: 3, what: 'kind' },
      { question: 4, what: 'pictures' },
      { question: 5, what: 'clips' },
      { question: 6, what: 'captions' },
    ])
    expect(Object.keys(files)).toEqual([
      'imsmanifest.xml',
      'test.xml',
      'items/question-001.xml',
      'items/question-002.xml',
      'items/question-004.xml',
      'items/question-005.xml',
      'items/question-006.xml',
    ])
    expect(JSON.stringify(files)).not.toContain(gone)
  })
})

const item = (body: string, declared: string, more = '') =>
  `<?xml version="1.0"?><assessmentItem xmlns="http://www.imsglobal.org/xsd/imsqti_v2p1" identifier="i" title="t" adaptive="false" timeDependent="false">${declared}<itemBody>${body}</itemBody>${more}</assessmentItem>`
const DECLARED = `<responseDeclaration identifier="R" cardinality="single" baseType="identifier"><correctResponse><value>B</value></correctResponse></responseDeclaration>`

describe('packages of other systems', () => {
  it('may have the prompt within what is answered, other prefixes, and no test', () => {
    const body = `<choiceInteraction responseIdentifier="R" maxChoices="1"><prompt>Which valve?</prompt><simpleChoice identifier="A">Outlet</simpleChoice><simpleChoice identifier="B">Inlet</simpleChoice></choiceInteraction>`
    const { questions, faults } = read({ 'b.xml': item(body, DECLARED), 'a.xml': item(body.replace('Which', 'What'), DECLARED) })
    expect(faults).toEqual([])
    expect(questions.map(({ prompt }) => prompt)).toEqual([contentOf('What valve?'), contentOf('Which valve?')])
    const [, { ask, key }] = questions as [Question, { ask: { options: { id: string }[] }; key: { right: string } }]
    expect(key.right).toBe(ask.options[1]!.id)
  })
  it('may be of version 3.0', () => {
    const text = `<qti-assessment-item xmlns="http://www.imsglobal.org/xsd/imsqtiasi_v3p0" identifier="i" title="t" adaptive="false" time-dependent="false">
      <qti-response-declaration identifier="R" cardinality="multiple" base-type="identifier"><qti-correct-response><qti-value>A</qti-value><qti-value>C</qti-value></qti-correct-response></qti-response-declaration>
      <qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float" normal-maximum="3"/>
      <qti-item-body><p>Which of these?</p><qti-choice-interaction response-identifier="R" max-choices="0"><qti-simple-choice identifier="A">a</qti-simple-choice><qti-simple-choice identifier="B">b</qti-simple-choice><qti-simple-choice identifier="C">c</qti-simple-choice></qti-choice-interaction></qti-item-body></qti-assessment-item>`
    expect(read({ 'q.xml': text }).questions).toMatchObject([
      { kind: 'several', points: 3, key: { by: 'all', right: [{}, {}].map(() => expect.any(String)) } },
    ])
  })
  it('may hold sound and video of version 3.0, which has elements of its own for them', () => {
    const body = `<p>Listen: <audio title="The alarm"><source src="../media/a%20b.mp3" type="audio/mpeg"/></audio></p><video src="v.mp4"/><object data="sheet.pdf" type="application/pdf">The sheet</object><choiceInteraction responseIdentifier="R" maxChoices="1"><simpleChoice identifier="A">a</simpleChoice><simpleChoice identifier="B">b</simpleChoice></choiceInteraction>`
    const { questions, clips } = read({ 'items/q.xml': item(body, DECLARED) })
    const [{ prompt }] = questions as [Question]
    expect(clipsIn(prompt)).toMatchObject([
      { kind: 'sound', title: 'The alarm' },
      { kind: 'video', title: '' },
    ])
    expect([...clips.values()]).toEqual(['media/a b.mp3', 'items/v.mp4'])
    expect(wordsOf(prompt)).toMatch(/^Listen:/)
  })
  it('may ask within a sentence', () => {
    const declared = `<responseDeclaration identifier="R" cardinality="single" baseType="integer"><correctResponse><value>100</value></correctResponse></responseDeclaration>`
    const { questions } = read({ 'q.xml': item('<p>Water boils at <textEntryInteraction responseIdentifier="R"/> °C</p>', declared) })
    expect(questions.map(({ prompt }) => wordsOf(prompt))).toEqual(['Water boils at … °C'])
    expect(questions).toMatchObject([{ kind: 'number', ask: { unit: '°C' }, key: { right: 100 } }])
  })
  it.each([
    [
      'several questions in one item',
      item('<p>a</p><textEntryInteraction responseIdentifier="R"/><textEntryInteraction responseIdentifier="S"/>', DECLARED),
      /Several questions/,
    ],
    ['a kind that is not known here', item('<p>a</p><hottextInteraction responseIdentifier="R"/>', DECLARED), /no such kind/],
    ['nothing that is asked', item('<p>a</p>', DECLARED), /Nothing is asked/],
    [
      'a picture that is gone',
      item('<p>a</p><selectPointInteraction responseIdentifier="R"><object data="x.png"/></selectPointInteraction>', DECLARED),
      /is not there/,
    ],
    ['no XML at all', 'not at all', /no item of QTI/],
    ['something cut off', '<assessmentItem><itemBody><p>a', /Nothing is asked/],
    [
      'too much in it',
      item(`<p>${'x'.repeat(70_000)}</p><extendedTextInteraction responseIdentifier="R"/>`, DECLARED),
      /more than a question may/,
    ],
    ['elements deep in one another', '<a>'.repeat(5_000), /no item of QTI/],
    ['entities of its own', `<!DOCTYPE x [<!ENTITY a "b"><!ENTITY c "&a;&a;">]>${item('<p>&c;</p>', DECLARED)}`, /Nothing is asked/],
  ])('tells of %s', (_, text, why) => {
    const { questions, faults } = read({ 'q.xml': text })
    expect(questions).toEqual([])
    expect(faults.map(({ words }) => words).join()).toMatch(why)
  })
  it('takes no more than there is room for', () => {
    const { files } = write(...EVERY)
    const { questions, faults } = readQti(new Map(Object.entries(files)), () => SIZE, ids(), 3)
    expect([questions.length, faults]).toEqual([3, [{ line: 4, words: expect.stringContaining('not taken'), into: { most: 3 } }]])
  })
})
