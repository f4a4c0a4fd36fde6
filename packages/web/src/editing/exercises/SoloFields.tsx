import type { Change, SoloRules } from '@jackdaw/core/guides'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { TextArea, TextField } from '../../ui'

/** A whole number in a range; what is no such number while somebody types changes nothing, and is put right when they leave the field. */
function WholeField({
  value,
  least,
  most,
  onValue,
  ...field
}: {
  label: string
  hint?: string
  value: number
  least: number
  most: number
  onValue: (value: number) => void
}) {
  const [typed, setTyped] = useState<string | null>(null)
  return (
    <TextField
      {...field}
      type="number"
      min={least}
      max={most}
      value={typed ?? value}
      onChange={(event) => {
        const next = Number(event.target.value)
        setTyped(event.target.value)
        if (event.target.value !== '' && Number.isInteger(next) && next >= least && next <= most) onValue(next)
      }}
      onBlur={() => setTyped(null)}
    />
  )
}

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
        <WholeField label={t('Pass mark, %')} least={1} most={100} value={solo.passMark} onValue={(passMark) => put({ passMark })} />
        <WholeField
          label={t('Tries at each step')}
          hint={t('0: as many as it takes')}
          least={0}
          most={20}
          value={solo.triesPerStep}
          onValue={(triesPerStep) => put({ triesPerStep })}
        />
        <WholeField
          label={t('Attempts at the test')}
          hint={t('0: as often as one likes')}
          least={0}
          most={50}
          value={solo.attempts}
          onValue={(attempts) => put({ attempts })}
        />
      </div>
    </details>
  )
}
