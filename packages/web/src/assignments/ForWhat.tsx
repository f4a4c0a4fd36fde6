import type { GivingSaving } from '@jackdaw/contracts/assignments'
import { MOST_REPEAT_MONTHS } from '@jackdaw/core/assignments'
import type { ReactNode } from 'react'
import { Check, NumberField, Radios } from '../ui'
import { useTexts } from '../ui/words/texts'
import { DueFields } from './DueFields'
import { FormPart } from './FormPart'

/** Whether it is to be done, by when, and whether again. @param children what more is to be said of by when */
export function ForWhat({
  saving: { use, due, repeatMonths },
  set,
  children,
}: {
  saving: Pick<GivingSaving, 'use' | 'due' | 'repeatMonths'>
  set: (more: Partial<Pick<GivingSaving, 'use' | 'due' | 'repeatMonths'>>) => void
  children?: ReactNode
}) {
  const { t } = useTexts()
  return (
    <>
      <FormPart title={t('For what')}>
        <Radios
          label={t('For what')}
          hidden
          value={use}
          onChange={(next) => set({ use: next })}
          options={[
            { value: 'to-do', words: t('To do'), hint: t('It can be late, and counts for who has finished.') },
            { value: 'to-look-up', words: t('To look up'), hint: t('It is at hand on their page Today. Nothing has to be done.') },
          ]}
        />
      </FormPart>
      {use === 'to-do' && (
        <>
          <FormPart title={t('Until when')}>
            <DueFields due={due} onChange={(next) => set({ due: next })} />
            {children}
          </FormPart>
          <FormPart title={t('Again')}>
            <Check
              checked={repeatMonths !== null}
              onChange={(event) => set({ repeatMonths: event.target.checked ? 12 : null })}
              label={t('To be done again and again')}
              hint={t('Some months after somebody has done it, it counts as not done again, and is due anew.')}
            />
            {repeatMonths !== null && (
              <div className="w-40 mt-2">
                <NumberField
                  label={t('Months')}
                  whole
                  min={1}
                  max={MOST_REPEAT_MONTHS}
                  value={repeatMonths}
                  onChange={(next) => set({ repeatMonths: next })}
                />
              </div>
            )}
          </FormPart>
        </>
      )}
    </>
  )
}
