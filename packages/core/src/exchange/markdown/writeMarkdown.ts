import { SIGN_NAMES } from '../../annotations'
import { stepsOf, type Caution, type SignId, type Step } from '../../guides'
import type { StepId } from '../../shared'
import { itemsOf, type HandoutGuide, type Say } from '../handout'
import { onwardToWords, onwardWords, quizWords, skippedWords } from '../onwardWords'
import { blocksMarkdown, indented } from './blocksMarkdown'
import { inlineMarkdown } from './inlineMarkdown'

/** A picture of a step, as it is drawn, and where its file lies beside the text. */
type PlacedPicture = { stepId: StepId; index: number; path: string }
/** A guide as Markdown, and the pictures that belong beside it. */
export type WrittenMarkdown = { text: string; pictures: PlacedPicture[] }

const words = (text: string): string => inlineMarkdown([{ type: 'text', text: text || ' ' }], '').trim()
/** What is said beside the instruction: `[!WARNING]` and the like, which an import understands. */
const aside = (signal: string, text: string): string => `> [!${signal}]\n> ${text.split('\n').map(words).join('\\\n> ')}`
const cautionMarkdown = ({ level, words: said }: Caution): string => aside(level.toUpperCase(), said)
const signsMarkdown = (signs: readonly SignId[], t: Say): string[] =>
  signs.length === 0 ? [] : [aside('SIGNS', signs.map((id) => t(SIGN_NAMES[id])).join(', '))]

function onwardMarkdown(step: Step, guide: HandoutGuide, t: Say): string[] {
  const onward = onwardWords(step, guide, t)
  const skipped = skippedWords(step, guide, t)
  const lines = onward ? [onward.ask, ...onward.ways.map((way) => `${way.words}: ${onwardToWords(way.to, t)}`)] : []
  const all = [skipped, ...lines].filter((line) => line !== '')
  return all.length === 0 ? [] : [aside('WAYS', all.join('\n'))]
}

/** Whether a box to be ticked off can stand before a step. */
function beginsWithWords({ body, cautions = [], signs = [] }: Step): boolean {
  const [first] = body.content
  return (
    first?.type === 'paragraph' &&
    first.content?.[0]?.type === 'text' &&
    first.content[0].text.trim() !== '' &&
    cautions.length + signs.length === 0
  )
}

const twoDigits = (n: number): string => String(n).padStart(2, '0')

/** Writes a guide as Markdown: its title, its summary, headings, and an ordered list of steps with their cautions and pictures. What Markdown has no form for
 * (branches, signs, quizzes) stands as an aside that an import leaves out and lists.
 * @param home where the application is found, for links to other guides */
export function writeMarkdown(guide: HandoutGuide, home: string, t: Say): WrittenMarkdown {
  const { document } = guide
  const pictures: PlacedPicture[] = []
  const whole = guide.section === null
  const ticked = document.confirmSteps && stepsOf(document).every(beginsWithWords)
  const stepMarkdown = (step: Step, n: number): string => {
    const box = ticked ? '[ ] ' : ''
    const mark = `${n}. `
    const shown = step.pictures.map((picture, index) => {
      const path = `pictures/step-${twoDigits(n)}${step.pictures.length > 1 ? `-${index + 1}` : ''}.png`
      pictures.push({ stepId: step.id, index, path })
      return `![${words(picture.alt.replace(/\s+/g, ' '))}](${path})`
    })
    const [first = '', ...rest] = [
      ...(step.cautions ?? []).filter((caution) => caution.words.trim() !== '').map(cautionMarkdown),
      ...signsMarkdown(step.signs ?? [], t),
      box + blocksMarkdown(step.body.content, home),
      ...shown,
      ...onwardMarkdown(step, guide, t),
    ].filter((part) => part !== '')
    return mark + indented([first, ...rest].join('\n\n'), mark.length).trimStart()
  }
  const parts = itemsOf(guide).map((item): string => {
    switch (item.kind) {
      case 'section':
        return item.title.trim() === '' ? '' : `## ${words(item.title)}`
      case 'step':
        return stepMarkdown(item, item.n ?? stepsOf(document).indexOf(item) + 1)
      case 'quiz':
        return aside('QUIZ', quizWords(item, guide, t))
    }
  })
  const head = [
    `# ${words(document.title)}`,
    ...(whole && document.summary.trim() !== '' ? [words(document.summary)] : []),
    ...(whole ? signsMarkdown(document.signs, t) : []),
  ]
  const closing = whole && (document.closing ?? '').trim() !== '' ? [aside('CLOSING', document.closing ?? '')] : []
  return { text: `${[...head, ...parts, ...closing].filter((part) => part !== '').join('\n\n')}\n`, pictures }
}
