import { itemKey } from '@jackdaw/core/items'
import { addItems, itemsOfPlan } from '@jackdaw/core/plans'
import type { StageId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { namedItem } from '../items'
import { Failed, TextField } from '../ui'
import { useSettled } from '../ui/fields/useSettled'
import { useTexts } from '../ui/words/texts'
import { usePlanItems } from './queries'
import type { PlanWriting } from './usePlanDraft'

/** Puts published guides and tasks into a stage, found by a part of their title. */
export function AddItems({ writing: { document, change, learn }, stageId }: { writing: PlanWriting; stageId: StageId }) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const query = usePlanItems(useSettled(find).trim())
  const has = new Set(itemsOfPlan(document).map(({ item }) => itemKey(item)))
  const found = (query.data ?? []).filter(({ item }) => !has.has(itemKey(item)))
  return (
    <section aria-label={t('Put into this stage')}>
      <TextField
        label={t('Put into this stage')}
        placeholder={t('Part of a title')}
        value={find}
        maxLength={100}
        onChange={(event) => setFind(event.target.value)}
      />
      {query.isError && <Failed error={query.error} />}
      <ul className="max-h-56 overflow-auto border border-hair border-t-0" tabIndex={0} aria-label={t('Guides and tasks that were found')}>
        {found.map((each) => (
          <li key={itemKey(each.item)} className="border-b border-hair">
            <button
              type="button"
              className="w-full text-left px-3 py-1.5 hover:bg-wash text-sm"
              onClick={() => {
                learn([each])
                change(addItems(document, stageId, [each.item]))
              }}
            >
              <span className="font-semibold">{each.title}</span>
              <span className="block text-xs text-soft">
                {namedItem(t, each.item, each.number)} · {t('{{minutes}} min', { minutes: each.minutes })}
              </span>
            </button>
          </li>
        ))}
        {query.isSuccess && found.length === 0 && (
          <li className="px-3 py-2 text-sm text-soft">{t('Nothing published fits that is not in the plan.')}</li>
        )}
      </ul>
    </section>
  )
}
