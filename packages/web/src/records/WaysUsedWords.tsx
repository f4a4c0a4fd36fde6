import type { WaysUsed } from '@jackdaw/contracts/records'
import { CircleCheck, CircleX } from 'lucide-react'
import type { ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'

/** In a line how a guide was used besides reading; leads to every attempt.
 * @param none what stands there when it was only read */
export function WaysUsedWords({ ways, to, none = null }: { ways: WaysUsed; to: string; none?: ReactNode }) {
  const { t } = useTexts()
  const { watch, practise, solo } = ways
  const words = [
    watch && (watch.finished > 0 ? t('watched {{count}} ×', { count: watch.finished }) : t('began to watch')),
    practise &&
      [
        practise.finished > 0 ? t('practised {{count}} ×', { count: practise.finished }) : t('began to practise'),
        practise.helped > 0 && t('{{count}} steps with help', { count: practise.helped }),
      ]
        .filter(Boolean)
        .join(', '),
    solo && solo.finished === 0 && t('Solo begun'),
  ].filter(Boolean)
  if (words.length === 0 && !solo) return none
  return (
    <Link to={to} className="text-sm hover:underline inline-flex flex-wrap items-center gap-x-2">
      {solo && solo.finished > 0 && (
        <span className={`font-semibold ${solo.passedAt === null ? 'text-brick' : 'text-moss'}`}>
          {solo.passedAt === null ? (
            <CircleX size={15} className="inline mr-1 -mt-0.5" aria-hidden />
          ) : (
            <CircleCheck size={15} className="inline mr-1 -mt-0.5" aria-hidden />
          )}
          {solo.passedAt === null ? t('Solo not passed') : t('Solo passed')}, {solo.bestPercent ?? 0} % (
          {t('{{count}} attempts', { count: solo.finished })})
        </span>
      )}
      {words.length > 0 && <span className="text-soft">{words.join(' · ')}</span>}
    </Link>
  )
}
