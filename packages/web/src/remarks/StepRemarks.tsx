import type { Remark } from '@jackdaw/contracts/remarks'
import { MessageSquareWarning } from 'lucide-react'
import { createContext, useContext } from 'react'
import { Button, whenOf } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useSettleRemark } from './queries'

/** What readers say is wrong in the guide that is edited, by step. */
export const RemarksByStep = createContext<ReadonlyMap<string, readonly Remark[]>>(new Map())

/** What readers say is wrong at a step, where its author writes it. */
export function StepRemarks({ stepId }: { stepId: string }) {
  const remarks = useContext(RemarksByStep).get(stepId) ?? []
  return remarks.length === 0 ? null : <RemarkList remarks={remarks} />
}

/** Remarks with what can be done about each. */
export function RemarkList({ remarks }: { remarks: readonly Remark[] }) {
  return (
    <ul className="border-l-4 border-ochre bg-page mb-2" data-keeps-editor data-remarks={remarks.length}>
      {remarks.map((remark) => (
        <RemarkRow key={remark.id} remark={remark} />
      ))}
    </ul>
  )
}

function RemarkRow({ remark }: { remark: Remark }) {
  const { t } = useTexts()
  const settle = useSettleRemark(remark.guideId)
  return (
    <li className="flex items-start gap-2 px-3 py-1.5 border-b border-hair last:border-b-0">
      <MessageSquareWarning size={16} className="text-ochre shrink-0 mt-1" aria-hidden />
      <div className="grow min-w-0">
        <p className="whitespace-pre-line [overflow-wrap:anywhere]">{remark.words}</p>
        <p className="text-xs text-soft">
          {remark.by.name}, {whenOf(remark.at)} · {t('edition {{n}}', { n: remark.edition })} · {remark.device}
        </p>
      </div>
      <Button
        look="quiet"
        className="text-sm px-2 shrink-0"
        disabled={settle.isPending}
        onClick={() => settle.mutate({ remarkId: remark.id, done: true })}
      >
        {t('It is done')}
      </Button>
    </li>
  )
}

/** On the ruler: how many readers say that something is wrong at a step. */
export function RemarkMark({ stepId }: { stepId: string }) {
  const { t } = useTexts()
  const n = useContext(RemarksByStep).get(stepId)?.length ?? 0
  if (n === 0) return null
  return (
    <span className="flex items-center gap-1 text-xs text-ochre font-semibold" data-remark-mark>
      <MessageSquareWarning size={13} className="shrink-0" aria-hidden />
      {t('{{count}} say something is wrong', { count: n })}
    </span>
  )
}
