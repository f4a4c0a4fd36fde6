import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import { useTexts } from '../../ui/words/texts'
import type { ReactNode } from 'react'
import type { Heading } from './StepView'

/** What is shown where a quiz stands among the steps. The reader knows no quizzes: whoever puts the application together gives it what takes them. */
export type QuizHere = (props: {
  edition: ReaderEdition
  /** `undefined` in a draft. */
  quiz: QuizAmongSteps | undefined
  /** Its id among the steps. */
  at: string
  heading: Heading
  /** Told when it has a bar of its own at the bottom, and keys of its own. */
  onBusy: (busy: boolean) => void
}) => ReactNode

/** Where a draft is tried: the place of a quiz, which is not taken there. */
export const QuizPreviewed: QuizHere = ({ heading }) => {
  const { t } = useTexts()
  return (
    <>
      <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-2 outline-none">
        {t('A quiz stands here')}
      </h1>
      <p>{t('While a draft is tried it is not taken; you can go on. Readers of the edition take it here.')}</p>
    </>
  )
}
