import { findItems, type ItemFacts } from '@jackdaw/contracts/items'
import { itemKey } from '@jackdaw/core/items'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { call } from '../api'
import { Failed, TextField } from '../ui'
import { useSettled } from '../ui/fields/useSettled'
import { useTexts } from '../ui/words/texts'
import { namedItem } from './itemPages'

/** Published items that one may give, found by a part of their title.
 * @param without keys of those that are left out; @param nothing what is said where none fits */
export function FindItems({
  label,
  without,
  nothing,
  onChoose,
}: {
  label: string
  without: { has(key: string): boolean }
  nothing: string
  onChoose: (item: ItemFacts) => void
}) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const settled = useSettled(find).trim()
  const query = useQuery({
    queryKey: ['items-found', settled],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(findItems, { query: settled ? { find: settled } : {}, signal }),
  })
  const found = (query.data ?? []).filter(({ item }) => !without.has(itemKey(item)))
  return (
    <section aria-label={label}>
      <TextField
        label={label}
        placeholder={t('Part of a title')}
        value={find}
        maxLength={100}
        onChange={(event) => setFind(event.target.value)}
      />
      {query.isError && <Failed error={query.error} />}
      <ul className="max-h-56 overflow-auto border border-hair border-t-0" tabIndex={0} aria-label={t('Guides and tasks that were found')}>
        {found.map((each) => (
          <li key={itemKey(each.item)} className="border-b border-hair">
            <button type="button" className="w-full text-left px-3 py-1.5 hover:bg-wash text-sm" onClick={() => onChoose(each)}>
              <span className="font-semibold">{each.title}</span>
              <span className="block text-xs text-soft">
                {namedItem(t, each.item, each.number)} · {t('{{minutes}} min', { minutes: each.minutes })}
              </span>
            </button>
          </li>
        ))}
        {query.isSuccess && found.length === 0 && <li className="px-3 py-2 text-sm text-soft">{nothing}</li>}
      </ul>
    </section>
  )
}
