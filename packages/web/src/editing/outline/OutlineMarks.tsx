import type { GuideQuiz, Section, Step } from '@jackdaw/core/guides'
import { Construction, ListChecks, Split, Unplug } from 'lucide-react'
import { RemarkMark } from '../../remarks'
import { useTexts } from '../../ui/words/texts'
import { useQuizTitle } from '../steps/useQuizTitle'

/** What the outline shows of an item. `lack`: what it lacks to be used in the way that is looked at. */
export type MarkProps<I> = { item: I; number: number; here: boolean; lack: string; name: string }

/** A heading on the outline. */
export function SectionMark({ item, here, name }: MarkProps<Section>) {
  return (
    <>
      <span className="h-0.5 w-7 bg-ink shrink-0 mt-[15px]" aria-hidden />
      <span className={`text-sm leading-5 py-1.5 font-semibold ${here ? 'underline' : ''}`}>
        {name}
        {item.notReady && <NotReady why={item.notReadyWhy} />}
      </span>
    </>
  )
}

const hasWaysOn = ({ flow }: Step): boolean =>
  flow !== undefined && ((flow.choices?.length ?? 0) > 0 || (flow.rules?.length ?? 0) > 0 || flow.skipWhen !== undefined)

/** A step on the outline. */
export function StepMark({ item, number, here, lack, name }: MarkProps<Step>) {
  const { t } = useTexts()
  return (
    <>
      <span className="w-5 shrink-0" aria-hidden>
        <span className={`block ${here ? 'h-1.5 w-5 mt-[13px] bg-kingfisher' : 'h-0.5 w-3.5 mt-[15px] bg-edge'}`} />
      </span>
      <span className="text-xs tabular-nums w-5 text-right text-soft shrink-0 mt-[7px]">{number}</span>
      {lack !== '' && (
        <span className="shrink-0 mt-[7px] text-ochre" title={lack} data-lack>
          <Unplug size={14} aria-hidden />
          <span className="sr-only">{lack}</span>
        </span>
      )}
      {hasWaysOn(item) && (
        <span className="shrink-0 mt-[7px] text-petrol" title={t('Goes on in several ways')}>
          <Split size={14} aria-hidden />
          <span className="sr-only">{t('Goes on in several ways')}</span>
        </span>
      )}
      {item.check && (
        <span className="shrink-0 mt-[5px] text-sm font-bold text-ochre" title={t('Worth a look')}>
          ?<span className="sr-only"> {t('Worth a look')}</span>
        </span>
      )}
      <span className="py-1.5">
        <span className={`text-sm leading-5 line-clamp-2 ${here ? 'font-bold' : ''}`}>{name}</span>
        {item.notReady && <NotReady why={item.notReadyWhy} />}
        <RemarkMark stepId={item.id} />
      </span>
    </>
  )
}

/** A quiz on the outline. */
export function QuizMark({ item, here }: MarkProps<GuideQuiz>) {
  const { t } = useTexts()
  const { title } = useQuizTitle(item.quizId)
  return (
    <>
      <span className="w-5 shrink-0 mt-[9px] flex justify-center text-petrol">
        <ListChecks size={15} aria-hidden />
      </span>
      <span className="py-1.5 pl-1">
        <span className={`text-sm leading-5 line-clamp-2 ${here ? 'font-bold' : ''}`}>{t('Quiz: {{title}}', { title })}</span>
        {item.notReady && <NotReady why={item.notReadyWhy} />}
      </span>
    </>
  )
}

function NotReady({ why = '' }: { why?: string | undefined }) {
  const { t } = useTexts()
  return (
    <span className="flex items-start gap-1 text-xs text-ochre font-semibold" title={why}>
      <Construction size={13} className="shrink-0 mt-px" aria-hidden />
      <span className="line-clamp-2">{why ? t('Not ready: {{why}}', { why }) : t('Not ready')}</span>
    </span>
  )
}
