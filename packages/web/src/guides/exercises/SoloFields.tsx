import type { Change, SoloRules } from '@jackdaw/core/guides'
import { useTranslation } from 'react-i18next'
import { TextArea, TextField } from '../../ui'

const whole = (text: string, least: number, most: number): number => Math.min(most, Math.max(least, Math.round(Number(text)) || least))

/** How the guide is tested. */
export function SoloFields({ solo, onChange }: { solo: SoloRules; onChange: (change: Change) => void }) {
  const { t } = useTranslation()
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
        <TextField
          label={t('Pass mark, %')}
          type="number"
          min={1}
          max={100}
          value={solo.passMark}
          onChange={(event) => put({ passMark: whole(event.target.value, 1, 100) })}
        />
        <TextField
          label={t('Tries at each step')}
          hint={t('0: as many as it takes')}
          type="number"
          min={0}
          max={20}
          value={solo.triesPerStep}
          onChange={(event) => put({ triesPerStep: whole(event.target.value, 0, 20) })}
        />
        <TextField
          label={t('Attempts at the test')}
          hint={t('0: as often as one likes')}
          type="number"
          min={0}
          max={50}
          value={solo.attempts}
          onChange={(event) => put({ attempts: whole(event.target.value, 0, 50) })}
        />
      </div>
    </details>
  )
}
