import type { Change, SoloRules } from '@jackdaw/core/guides'
import { useTexts } from '../../ui/words/texts'
import { NumberField, TextArea } from '../../ui'

/** How the guide is tested. */
export function SoloFields({ solo, onChange }: { solo: SoloRules; onChange: (change: Change) => void }) {
  const { t } = useTexts()
  const put = (next: Partial<SoloRules>) => onChange({ type: 'set-facts', facts: { solo: { ...solo, ...next } } })
  return (
    <details className="border-t border-hair pt-3">
      <summary className="font-semibold text-sm min-h-8">{t('Solo: the test')}</summary>
      <div className="space-y-3 mt-2">
        <TextArea
          label={t('Task')}
          hint={t('The job, with everything that has to be entered. It is on screen throughout.')}
          rows={4}
          maxLength={2_000}
          value={solo.task}
          onChange={(event) => put({ task: event.target.value })}
        />
        <NumberField whole label={t('Pass mark, %')} min={1} max={100} value={solo.passMark} onChange={(passMark) => put({ passMark })} />
        <NumberField
          whole
          label={t('Tries at each step')}
          hint={t('0: as many as it takes')}
          min={0}
          max={20}
          value={solo.triesPerStep}
          onChange={(triesPerStep) => put({ triesPerStep })}
        />
        <NumberField
          whole
          label={t('Attempts at the test')}
          hint={t('0: as often as one likes')}
          min={0}
          max={50}
          value={solo.attempts}
          onChange={(attempts) => put({ attempts })}
        />
      </div>
    </details>
  )
}
