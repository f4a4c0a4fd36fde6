import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seededIds, type NewId } from '../../shared'
import { contentOf } from '../questions/content'
import type { Question, QuestionOf } from '../questions/question'
import { optionsOf, questionOf } from '../testing'
import { readPlain } from './readPlain'
import { writePlain } from './writePlain'

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
`

describe('the plain form', () => {
  it('holds every kind that needs no picture', () => {
    const { questions, faults } = read(EVERY)
    expect(faults).toEqual([])
    expect(questions.map(({ kind }) => kind)).toEqual(['one', 'several', 'true-false', 'text', 'number', 'order', 'match', 'written'])
    const [one, several, , text, number, order, match, written] = questions
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
