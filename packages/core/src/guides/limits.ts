import { MAX_TEXT_LEVELS } from './text/textLevels'

/** What a guide may hold at most, and what somebody is told who wants to put in more. */
export const GUIDE_LIMITS = {
  items: { most: 5_000, words: 'A guide may have 5,000 steps and headings. Make a second guide of the rest.' },
  pictures: { most: 40, words: 'A step may have 40 pictures. Put the next one into a step of its own.' },
  annotations: { most: 200, words: 'A picture may have 200 annotations. Use a second picture for the rest.' },
  cautions: { most: 20, words: 'A step may have 20 cautions. Put the next one into a step of its own.' },
  signs: { most: 12, words: 'A guide or a step may have 12 signs. Take one away first.' },
  silenced: { most: 5_000, words: 'A guide may have 5,000 findings that are not shown. Show some of them again first.' },
  levels: { most: MAX_TEXT_LEVELS, words: `Lists and tables may lie ${MAX_TEXT_LEVELS / 2} deep in one another. Lift the innermost ones.` },
} as const satisfies Record<string, { most: number; words: string }>
/** Something that a guide may hold only so much of. */
export type Limit = keyof typeof GUIDE_LIMITS
