import { wordsOf } from '../questions/content'
import type { Option } from '../questions/options'
import type { Question } from '../questions/question'

/** A choice as people read it, from how it is counted. `key`: words to be said in the reader's language; `plain`: as it stands. */
export type ChoiceWords = { key: string } | { plain: string }

const plain = (words: string): ChoiceWords => ({ plain: words })
const optionWords = (options: readonly Option[], id: string | undefined): string => {
  const option = options.find((each) => each.id === id)
  return option ? wordsOf(option.content) || '–' : '–'
}

/** What somebody has chosen, in words. @param choice as the kind of the question counts it */
export function choiceWords(question: Question, choice: string): ChoiceWords {
  switch (question.kind) {
    case 'one':
    case 'several':
      return plain(optionWords(question.ask.options, choice))
    case 'true-false':
      return { key: choice }
    case 'order':
      return plain(
        choice
          .split(' ')
          .map((id) => optionWords(question.ask.entries, id))
          .join(' → '),
      )
    case 'match': {
      const [left, right] = choice.split(' ')
      return plain(`${optionWords(question.ask.left, left)} – ${optionWords(question.ask.right, right)}`)
    }
    default:
      return plain(choice)
  }
}

/** Whether a choice is right, or part of what is right. */
export function isRightChoice(question: Question, choice: string): boolean {
  switch (question.kind) {
    case 'one':
      return choice === question.key.right
    case 'several':
      return question.key.right.includes(choice)
    case 'true-false':
      return choice === String(question.key.right)
    case 'order':
      return choice === question.key.order.join(' ')
    case 'match':
      return question.key.pairs.some((pair) => pair.join(' ') === choice)
    default:
      return false
  }
}

/** The one choice that is right; `null` where there is no single one. */
export function rightChoice(question: Question): string | null {
  switch (question.kind) {
    case 'one':
      return question.key.right
    case 'true-false':
      return String(question.key.right)
    case 'order':
      return question.key.order.join(' ')
    default:
      return null
  }
}
