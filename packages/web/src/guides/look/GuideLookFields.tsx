import type { GuideLook } from '@jackdaw/core/guides'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useLook } from '../../annotations'
import { Button, TextLink } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { LookFields } from './LookFields'

/** What this guide overrules of the company's look. */
export function GuideLookFields({ look, onChange }: { look: GuideLook; onChange: (look: GuideLook) => void }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  const whole = useLook(look)
  const own = Object.keys(look).length
  return (
    <div>
      <p className="text-sm font-semibold mb-1">{t('Look')}</p>
      <p className="text-sm text-soft">{own === 0 ? t('As the company’s guides look') : t('{{n}} things of its own', { n: own })}</p>
      <Button className="text-sm mt-1" onClick={() => setOpen(true)}>
        {t('Look of this guide …')}
      </Button>
      {open && (
        <Dialog
          open
          onClose={() => setOpen(false)}
          title={t('Look of this guide')}
          about={t('What is set here holds for this guide only; the rest comes from the company.')}
        >
          <LookFields look={whole} part={(part) => onChange({ ...look, ...part })} />
          <div className="flex flex-wrap gap-2 mt-4">
            <Button look="primary" onClick={() => setOpen(false)}>
              {t('Done')}
            </Button>
            <Button disabled={own === 0} onClick={() => onChange({})}>
              {t('As the company’s')}
            </Button>
            <TextLink className="self-center" to="/look">
              {t('The company’s look')}
            </TextLink>
          </div>
        </Dialog>
      )}
    </div>
  )
}
