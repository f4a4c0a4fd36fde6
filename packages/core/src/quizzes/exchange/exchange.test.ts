import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seededIds, type NewId } from '../../shared'
import { contentOf } from '../questions/content'
import type { Question, QuestionOf } from '../questions/question'
import { optionsOf, questionOf } from '../testing'
import { readPlain } from './readPlain'
import { readTable } from './readTable'
import { writePlain } from './writePlain'
import { writeTable } from './writeTable'

const ids = (): NewId => seededIds(3)
const read = (text: string) => readPlain(text, ids())
/** Questions without the ids of what they are made of: told by where they stand. */
function withoutIds(questions: readonly Question[]): unknown {
  const seen = new Map<string, string>()
  const walk = (value: unknown): unknown => {
    if (typeof value === 'string' && /^([A-Za-z0-9_-]{21}|option-\w|other-\d)$/.test(value)) {
      if (!seen.has(value)) seen.set(value, `id ${seen.size}`)
      return seen.get(value)
    }
    if (Array.isArray(value)) return value.map(walk)
    return value !== null && typeof value === 'object' ? Object.fromEntries(Object.entries(value).map(([k, v]) => [k, walk(v)])) : value
  }
  return questions.map((question) =>
    walk({
      kind: question.kind,
      prompt: question.prompt,
      ask: question.ask,
      key: question.key,
      rest: [question.points, question.difficulty, question.tags, question.explanation],
    }),
  )
}

const EVERY = `
? Which valve is closed first?
Think of what flows.
- The outlet
+ The inlet
\\- and nothing else
! So that nothing flows in.
: hard, 2 points, tags water, tank

?? What belongs into the log?
+ The time
+ The reading
- The weather
: parts

? Seeds are kept in the dark.
= false

? What is the nutrient mixed in?
= mixing tank
= stirring vat
: 2 slips, case

? At which pressure does the line run?
# 2.5 bar ~ 5 %

? In which order is the pump opened?
1) Switch it off
2) Close the inlet
3) Take the cover off
: easy, parts

? What belongs together?
& tray seeder >> sows
& pump >> moves water
& >> cuts

? Say how you would help somebody who is new.
_ 800
> 4: Says what they show first.
> 2: Lets the other try.
> It may be short.
> \\3: is no line of the rubric

? Show how the label is put on.
@ 60 video
> 3: Holds it at the edge.

? Say how it is reported.
@ 90
> 1: Names the number.
`

describe('the plain form', () => {
  it('holds every kind that needs no picture', () => {
    const { questions, faults } = read(EVERY)
    expect(faults).toEqual([])
    expect(questions.map(({ kind }) => kind)).toEqual([
      'one',
      'several',
      'true-false',
      'text',
      'number',
      'order',
      'match',
      'written',
      'recorded',
      'recorded',
    ])
    const [one, several, , text, number, order, match, written, shown, said] = questions
    expect(one).toMatchObject({
      difficulty: 'hard',
      points: 2,
      tags: ['water', 'tank'],
      prompt: contentOf('Which valve is closed first?', 'Think of what flows.'),
    })
    expect((one as { ask: { options: { content: unknown }[] } }).ask.options[1]!.content).toEqual(
      contentOf('The inlet', '- and nothing else'),
    )
    expect(several!.key).toMatchObject({ by: 'parts' })
    expect(text!.key).toEqual({ accepted: ['mixing tank', 'stirring vat'], slips: 2, sameCase: true })
    expect(number).toMatchObject({ ask: { unit: 'bar' }, key: { right: 2.5, tolerance: { of: 'percent', amount: 5 } } })
    expect(order!.key).toMatchObject({ by: 'parts' })
    expect(match).toMatchObject({ ask: { left: [{}, {}], right: [{}, {}, {}] } })
    expect(written).toMatchObject({ ask: { mostCharacters: 800 }, key: { words: 'It may be short.\n3: is no line of the rubric' } })
    expect([shown!.ask, said!.ask]).toEqual([
      { by: 'video', mostSeconds: 60 },
      { by: 'either', mostSeconds: 90 },
    ])
    expect((written as QuestionOf<'written'>).key.criteria).toMatchObject([
      { words: 'Says what they show first.', most: 4 },
      { words: 'Lets the other try.', most: 2 },
    ])
  })
  it('comes back as it was', () => {
    const { questions } = read(EVERY)
    const { text, lost } = writePlain(questions)
    expect(lost).toEqual([])
    expect(withoutIds(read(text).questions)).toEqual(withoutIds(questions))
  })
  it('comes back as it was, whatever the words are', () => {
    const word = fc
      .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
      .map((each) => each.replace(/\s+/g, ' ').trim())
      .filter(Boolean)
    fc.assert(
      fc.property(word, word, word, fc.integer({ min: 1, max: 20 }), (prompt, right, wrong, points) => {
        const options = optionsOf(right, wrong)
        const question = questionOf('one', { options }, { right: 'option-a' }, { points, prompt: contentOf(prompt, wrong) })
        const { text } = writePlain([question])
        expect(withoutIds(read(text).questions)).toEqual(withoutIds([question]))
      }),
    )
  })
  it('leaves out what it cannot read, with the line and why, and takes the rest', () => {
    const { questions, faults } = read('words before\n? Nothing to answer\n\n? Both at once\n= true\n- no\n? Fine\n= true\n: strange, easy')
    expect(questions).toMatchObject([{ prompt: contentOf('Fine') }])
    expect(faults.map(({ line, words }) => [line, words.slice(0, 30)])).toEqual([
      [1, 'A question begins with “?”. Wh'],
      [2, 'Nothing says how this question'],
      [4, 'This question is answered in t'],
      [9, '“{{what}}” is not understood h'],
    ])
    expect(read('? So long\n= true\n'.repeat(3) + '? Too many\n= true').faults).toEqual([])
    expect(readPlain('? One\n= true\n? Two\n= true', ids(), 1)).toMatchObject({ questions: [{}], faults: [{ line: 3 }] })
  })
  it('lists what it cannot hold', () => {
    const bold = {
      text: {
        type: 'doc' as const,
        content: [{ type: 'paragraph' as const, content: [{ type: 'text' as const, text: 'x', marks: [{ type: 'bold' as const }] }] }],
      },
      pictures: [],
    }
    const picture = { ...contentOf('x'), pictures: [{ id: 'p'.repeat(21) as never, alt: '' }] }
    const questions = [
      questionOf('true-false', {}, { right: true }, { prompt: bold }),
      questionOf('true-false', {}, { right: true }, { explanation: picture, steps: [{ guideId: 'g', stepId: 's' }] as never }),
      questionOf('place', { picture: null }, { areas: [] }),
    ]
    expect(writePlain(questions).lost).toEqual([
      { question: 1, what: 'formatting' },
      { question: 2, what: 'pictures' },
      { question: 2, what: 'steps' },
      { question: 3, what: 'kind' },
    ])
  })
})

describe('the table', () => {
  const readCsv = (text: string, most?: number) => readTable(text, ids(), most)
  it('holds every kind that needs no picture, and comes back as it was', () => {
    const { questions } = read(EVERY)
    const { text, lost } = writeTable(questions)
    expect(lost).toEqual([{ question: 1, what: 'paragraphs' }])
    const { questions: back, faults } = readCsv(text)
    expect(faults).toEqual([])
    const without = (all: readonly Question[]) => withoutIds(all.slice(1))
    expect(without(back)).toEqual(without(questions))
    expect(back[0]).toMatchObject({ prompt: contentOf('Which valve is closed first?', 'Think of what flows.'), key: {} })
    expect(JSON.stringify(back[0])).toContain('The inlet - and nothing else')
  })
  it('comes back as it was, whatever the words are, also such as a spreadsheet would take for a formula', () => {
    const word = fc
      .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
      .map((each) => each.replace(/\s+/g, ' ').trim())
      .filter(Boolean)
    const odd = fc.oneof(
      word,
      fc.constantFrom('=SUM(A1)', "'=SUM(A1)", '+4 °C', '- none', '"quoted", and more', '@home', '1) first', '\\? no mark'),
    )
    fc.assert(
      fc.property(odd, odd, odd, fc.integer({ min: 1, max: 20 }), (prompt, right, wrong, points) => {
        const question = questionOf(
          'one',
          { options: optionsOf(right, wrong) },
          { right: 'option-a' },
          { points, prompt: contentOf(prompt, wrong) },
        )
        expect(withoutIds(readCsv(writeTable([question]).text).questions)).toEqual(withoutIds([question]))
      }),
    )
  })
  it('is read as people make it: other signs between cells, columns in any order, kinds left out', () => {
    const { questions, faults } = readCsv(
      'tags;Right;answers;Question;note\nwater;2;"Open\nShut";Which?;x\n;true;;It rains.;\n;1, 2;"a\nb\nc";Which ones?;\n;;tank;What is it?;\n;;"a >> b\nc >> d";What belongs?;',
    )
    expect(faults).toEqual([])
    expect(questions.map(({ kind }) => kind)).toEqual(['one', 'true-false', 'several', 'text', 'match'])
    expect(questions[0]).toMatchObject({ tags: ['water'], prompt: contentOf('Which?') })
  })
  it('leaves out what it cannot read, with the line and why, and takes the rest', () => {
    const rows =
      'question,kind,answers,right\n"Two\nlines",true-false,,true\nA riddle,riddle,,\n,text,x,\nNo answer,number,many,\nFine,true-false,,false\n'
    const { questions, faults } = readCsv(rows)
    expect(questions.map(({ kind }) => kind)).toEqual(['true-false', 'true-false'])
    expect(faults.map(({ line, words }) => [line, words.slice(0, 24)])).toEqual([
      [4, '“{{kind}}” is no kind of'],
      [5, 'Nothing is asked here. I'],
      [6, 'Nothing says how this qu'],
    ])
    expect(readCsv('kind,answers\ntext,x').faults).toMatchObject([{ line: 1 }])
    expect(readCsv('').faults).toMatchObject([{ line: 1 }])
    expect(readCsv(rows, 1)).toMatchObject({ questions: [{}], faults: [{ line: 4 }] })
    expect(readCsv('question,kind\n"never closed,one').questions).toEqual([])
  })
  it('lists what it cannot hold', () => {
    const picture = { ...contentOf('x'), pictures: [{ id: 'p'.repeat(21) as never, alt: '' }] }
    const questions = [
      questionOf('true-false', {}, { right: true }, { explanation: picture, steps: [{ guideId: 'g', stepId: 's' }] as never }),
      questionOf('place', { picture: null }, { areas: [] }),
      questionOf('number', { unit: '' }, { right: null, tolerance: { of: 'absolute', amount: 0 } }),
    ]
    expect(writeTable(questions).lost.map(({ question, what }) => [question, what])).toEqual([
      [1, 'pictures'],
      [1, 'steps'],
      [2, 'kind'],
      [3, 'kind'],
    ])
  })
})
