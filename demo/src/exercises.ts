import { stepsOf, type Exercise, type Flow, type GuideDocument, type SoloRules, type Step } from '@jackdaw/core/guides'
import type { StepId } from '@jackdaw/core/shared'

/** What an author has set up for practising and testing a guide, and where it branches; steps by their numbers. */
type Exercises = {
  solo?: SoloRules
  steps: Record<number, { exercise?: Exercise; flow?: (idOf: (step: number) => StepId) => Flow }>
  /** Titles of sections that may be left out. */
  optional?: string[]
}

const EXERCISES: Record<string, Exercises> = {
  'enter-a-standing-order': {
    solo: {
      task: 'The Copper Ladle in Wick Sands (customer 40218) wants 6 crates of Thyme, size M (18 pots), every Tuesday and Friday. The first delivery is on Friday 13 March.',
      passMark: 80,
      triesPerStep: 3,
      attempts: 0,
    },
    steps: {
      3: {
        exercise: {
          accept: {
            how: 'one-of',
            values: ['40218 The Copper Ladle, Wick Sands', '40218', 'The Copper Ladle', 'Copper Ladle', 'The Copper Ladle, Wick Sands'],
          },
          message: 'There is no customer of that name or number.',
          hint: 'The number is enough.',
        },
      },
      6: { exercise: { options: ['Basil, green', 'Chives', 'Mint', 'Parsley, flat'] } },
      7: { exercise: { options: ['S (12 pots)', 'L (24 pots)'] } },
      8: { exercise: { accept: { how: 'range', least: 6, most: 6 }, message: 'The packhouse cannot plan that many crates.' } },
    },
  },
  'book-a-delivery-slot': {
    solo: {
      task: 'Two Rivers fetches 5 pallets at 07:00 from dock 2. They are chilled, and the customer has no ramp.',
      passMark: 80,
      triesPerStep: 2,
      attempts: 5,
    },
    steps: {
      4: { exercise: { accept: { how: 'same', value: 'Two Rivers' }, message: 'This haulier is not on the list.' } },
      5: {
        exercise: {
          accept: { how: 'range', least: 5, most: 5 },
          message: 'A slot holds eight pallets at the most, and the order says how many.',
        },
      },
    },
  },
  'near-miss': {
    steps: {
      1: {
        flow: (idOf) => ({
          ask: 'Was anybody hurt?',
          choices: [
            { id: 'nobody-hurt', words: 'Nobody was hurt', to: 'next' },
            { id: 'somebody-hurt', words: 'Somebody was hurt', to: idOf(9) },
          ],
        }),
      },
      8: { flow: () => ({ choices: [{ id: 'that-was-it', words: 'That was all', to: 'end' }] }) },
    },
  },
  welcome: { steps: {}, optional: ['Good to know'] },
}

/** The guide with everything that its author has set up for practising, testing and going on. */
export function exercised(document: GuideDocument, file: string): GuideDocument {
  const found = EXERCISES[file]
  if (!found) return document
  const steps = stepsOf(document)
  const idOf = (step: number): StepId => {
    const at = steps[step - 1]
    if (!at) throw new RangeError(`${file} has no step ${step}`)
    return at.id
  }
  return {
    ...document,
    solo: found.solo ?? document.solo,
    items: document.items.map((item) => {
      if (item.kind === 'quiz') return item
      if (item.kind === 'section') return found.optional?.includes(item.title) ? { ...item, optional: true } : item
      const { exercise, flow } = found.steps[steps.indexOf(item) + 1] ?? {}
      const step: Step = { ...item, ...(exercise ? { exercise } : {}), ...(flow ? { flow: flow(idOf) } : {}) }
      return step
    }),
  }
}
