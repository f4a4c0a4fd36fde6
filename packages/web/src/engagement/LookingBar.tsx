import { KeptNote } from './KeptNote'
import { ALL_ITEM_KINDS } from '@jackdaw/core/items'
import type { UseOverTime } from '@jackdaw/contracts/engagement'
import { X } from 'lucide-react'
import { namedItem } from '../items'
import { useFolders } from '../library/queries'
import { GroupFilters } from '../records/GroupFilters'
import { TextButton, TextLink } from '../ui'
import { useTexts } from '../ui/words/texts'
import { Choice, DaysChoice } from './Choice'
import { daysOf, pageAt, type Look, type Looking } from './looking'

/** Which days are looked at, and of them what: everything, or one kind, folder or group. */
export function LookingBar({
  search,
  set,
  inTime,
  ofItems = true,
  ofKinds = true,
}: {
  search: Looking
  set: Look
  inTime: boolean
  ofItems?: boolean
  ofKinds?: boolean
}) {
  const { t } = useTexts()
  const folders = useFolders().data ?? []
  const KINDS = { guide: t('Guides'), task: t('Tasks'), quiz: t('Quizzes') }
  return (
    <div className="flex flex-wrap items-end gap-2 py-2">
      <DaysChoice {...{ search, set }} />
      {inTime && (
        <>
          <Choice
            label={t('Put together by')}
            value={search.unit ?? 'day'}
            options={[
              { id: 'day', name: t('by day') },
              { id: 'week', name: t('by week') },
              { id: 'month', name: t('by month') },
            ]}
            onChoose={(unit) => set({ unit })}
          />
          <Choice
            label={t('Compared with')}
            value={search.compare ?? 'before'}
            options={[
              { id: 'before', name: t('beside the days just before') },
              { id: 'weekdays', name: t('beside the same weekdays before') },
              { id: 'none', name: t('compared with nothing') },
            ]}
            onChoose={(compare) => set({ compare })}
          />
        </>
      )}
      {ofItems && !search.item && (
        <>
          {ofKinds && (
            <Choice
              label={t('Kind')}
              value={search.kind ?? ''}
              options={[{ id: '', name: t('Everything') }, ...ALL_ITEM_KINDS.map((id) => ({ id, name: KINDS[id] }))]}
              onChoose={(kind) => set({ kind: kind || undefined })}
            />
          )}
          <Choice
            label={t('Folder')}
            value={search.folder ?? ''}
            options={[{ id: '', name: t('All folders') }, ...folders.map(({ id, name }) => ({ id, name }))]}
            onChoose={(folder) => set({ folder: folder || undefined })}
          />
        </>
      )}
      {!search.person && <GroupFilters {...{ search, set }} />}
    </div>
  )
}

/** The one item, owner or person that is looked at, and the way back to all. */
export function LookedAtOnly({
  of: { item, owner, person, kept },
  together,
  search,
  set,
}: {
  of: Pick<UseOverTime, 'item' | 'owner' | 'person' | 'kept'>
  /** Whether days before the kept ones are counted, too. */
  together?: boolean
  search: Looking
  set: Look
}) {
  const { t } = useTexts()
  const line = (words: string, off: Parameters<Look>[0]) => (
    <p className="py-1">
      {words}{' '}
      <TextButton className="inline-flex items-center gap-1" onClick={() => set(off)}>
        <X size={14} aria-hidden />
        {t('Look at all')}
      </TextButton>
    </p>
  )
  return (
    <>
      {item?.ref.kind === 'guide' && (
        <p className="py-1">
          <TextLink to={pageAt(`/engagement/guides/${item.ref.id}`, daysOf(search))}>{t('Step by step: where they leave')}</TextLink>
        </p>
      )}
      {item && line(t('Only {{what}}: {{title}}', { what: namedItem(t, item.ref, item.number), title: item.title }), { item: undefined })}
      {owner && line(t('Only what {{name}} owns', { name: owner.name }), { owner: undefined })}
      {person && line(t('Only what {{name}} used', { name: person.name }), { person: undefined })}
      <KeptNote {...{ kept, together }} />
    </>
  )
}
