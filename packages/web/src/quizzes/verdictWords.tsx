import type { Verdict } from '@jackdaw/core/quizzes'
import { Circle, CircleCheck, CircleDashed, CircleX, Hourglass } from 'lucide-react'
import { useTexts } from '../ui/words/texts'

const LOOK: Record<Verdict, { Icon: typeof Circle; colour: string }> = {
  right: { Icon: CircleCheck, colour: 'text-moss' },
  partly: { Icon: CircleDashed, colour: 'text-ochre' },
  wrong: { Icon: CircleX, colour: 'text-brick' },
  unanswered: { Icon: Circle, colour: 'text-brick' },
  waits: { Icon: Hourglass, colour: 'text-petrol' },
}

/** How an answer was marked: a sign and a word. */
export function VerdictMark({ verdict }: { verdict: Verdict }) {
  const { t } = useTexts()
  const { Icon, colour } = LOOK[verdict]
  const words = {
    right: t('right'),
    partly: t('partly right'),
    wrong: t('wrong'),
    unanswered: t('not answered'),
    waits: t('waits to be judged'),
  }
  return (
    <span className={`inline-flex items-center gap-1.5 font-semibold whitespace-nowrap ${colour}`}>
      <Icon size={18} aria-hidden />
      {words[verdict]}
    </span>
  )
}
