import { cautionOnAll, signsOnAll } from '@jackdaw/core/editing'
import type { Caution, Change, SignId, Step } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { SignView, signName } from '../../annotations'
import { Button } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { SignPicker, toggled } from '../steps/SignPicker'
import { CautionFields } from '../steps/StepSafety'

/** A caution, and signs, for all chosen steps in one go. */
export function SetOnAll({ steps, onClose, onSet }: { steps: readonly Step[]; onClose: () => void; onSet: (changes: Change[]) => void }) {
  const { t } = useTexts()
  const [caution, setCaution] = useState<Omit<Caution, 'id'>>({ level: 'caution', words: '', acknowledge: false })
  const [signs, setSigns] = useState<SignId[]>([])
  const [picking, setPicking] = useState(false)
  const changes = [...(caution.words.trim() === '' ? [] : cautionOnAll(steps, caution, nanoid)), ...signsOnAll(steps, signs)]
  if (picking) return <SignPicker chosen={signs} onToggle={(id) => setSigns((now) => toggled(now, id))} onClose={() => setPicking(false)} />
  return (
    <Dialog open onClose={onClose} title={t('On {{count}} steps', { count: steps.length })}>
      <CautionFields caution={caution} name={t('the caution for all')} onChange={setCaution} />
      <div className="flex flex-wrap gap-2 items-center my-3">
        {signs.map((id) => (
          <span key={id} title={signName(id, t)}>
            <SignView id={id} sizePx={44} />
          </span>
        ))}
        <Button onClick={() => setPicking(true)}>{t('Choose signs …')}</Button>
      </div>
      <Button look="primary" disabled={changes.length === 0} onClick={() => onSet(changes)}>
        {t('Set on {{count}} steps', { count: steps.length })}
      </Button>
    </Dialog>
  )
}
