import type { DutyId } from '@jackdaw/contracts/groups'
import type { DutyShown } from '@jackdaw/contracts/directory'
import type { GroupId, GuideId } from '@jackdaw/core/shared'
import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { Button, Failed, IconButton, showToast, TextField } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { GuidePicker } from './GuidePicker'
import { useSaveDuties } from './queries'

type Draft = { id: DutyId; title: string; about: string; guides: { id: GuideId; title: string }[] }

/** The duties of a group as they are written: in order, each with the guides that tell how. */
export function EditDuties({
  groupId,
  duties,
  onDone,
}: {
  groupId: GroupId
  duties: readonly ({ id: DutyId } & DutyShown)[]
  onDone: () => void
}) {
  const { t } = useTexts()
  const save = useSaveDuties(groupId)
  const [drafts, setDrafts] = useState<Draft[]>(() =>
    duties.map(({ id, title, about, guides }) => ({ id, title, about, guides: [...guides] })),
  )
  const set = (at: number, change: Partial<Draft>) =>
    setDrafts(drafts.map((draft, index) => (index === at ? { ...draft, ...change } : draft)))
  const swap = (at: number, by: number) =>
    setDrafts(drafts.map((draft, index) => (index === at ? drafts[at + by]! : index === at + by ? drafts[at]! : draft)))
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        const written = drafts.filter((draft) => draft.title.trim() !== '')
        save.mutate(
          { duties: written.map(({ guides, ...draft }) => ({ ...draft, guides: guides.map((guide) => guide.id) })) },
          {
            onSuccess: () => {
              showToast(t('{{count}} duties are saved', { count: written.length }))
              onDone()
            },
          },
        )
      }}
    >
      <ol className="divide-y divide-hair">
        {drafts.map((draft, at) => (
          <DutyFields
            key={draft.id}
            draft={draft}
            at={at}
            last={at === drafts.length - 1}
            onChange={(change) => set(at, change)}
            onMove={(by) => swap(at, by)}
            onRemove={() => setDrafts(drafts.filter((_, index) => index !== at))}
          />
        ))}
      </ol>
      <Button className="my-2" onClick={() => setDrafts([...drafts, { id: nanoid<DutyId>(), title: '', about: '', guides: [] }])}>
        <Plus size={16} aria-hidden />
        {t('Add a duty')}
      </Button>
      {save.isError && <Failed error={save.error} />}
      <div className="flex gap-2 border-t border-hair pt-3">
        <Button type="submit" look="primary" disabled={save.isPending}>
          {save.isPending ? t('Saving …') : t('Save the duties')}
        </Button>
        <Button onClick={onDone}>{t('Cancel')}</Button>
      </div>
    </form>
  )
}

function DutyFields({
  draft,
  at,
  last,
  onChange,
  onMove,
  onRemove,
}: {
  draft: Draft
  at: number
  last: boolean
  onChange: (change: Partial<Draft>) => void
  onMove: (by: 1 | -1) => void
  onRemove: () => void
}) {
  const { t } = useTexts()
  return (
    <li className="py-3 space-y-2">
      <div className="flex items-end gap-1">
        <div className="grow">
          <TextField
            label={t('Duty {{n}}', { n: at + 1 })}
            value={draft.title}
            maxLength={200}
            onChange={(event) => onChange({ title: event.target.value })}
          />
        </div>
        <IconButton name={t('Up: duty {{n}}', { n: at + 1 })} disabled={at === 0} onClick={() => onMove(-1)}>
          <ArrowUp size={16} aria-hidden />
        </IconButton>
        <IconButton name={t('Down: duty {{n}}', { n: at + 1 })} disabled={last} onClick={() => onMove(1)}>
          <ArrowDown size={16} aria-hidden />
        </IconButton>
        <IconButton name={t('Take out duty {{n}}', { n: at + 1 })} onClick={onRemove}>
          <X size={16} aria-hidden />
        </IconButton>
      </div>
      <GuidePicker
        label={t('Guides that tell how: duty {{n}}', { n: at + 1 })}
        chosen={draft.guides}
        onChange={(guides) => onChange({ guides })}
      />
    </li>
  )
}
