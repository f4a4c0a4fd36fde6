import type { Draft } from '@jackdaw/contracts/guides'
import { GuideKind, minutesToRead, stepsOf, type Change, type GuideDocument } from '@jackdaw/core/guides'
import type { FolderId, PersonId } from '@jackdaw/core/shared'
import { X } from 'lucide-react'
import { useTranslation } from 'react-i18next'
import { FolderOptions } from '../library/FolderOptions'
import { useFolders, type useChangeGuide } from '../library/queries'
import { useWriters } from '../people'
import { Check, Failed, Select } from '../ui'
import { kindName } from './kindName'

type Mutation = ReturnType<typeof useChangeGuide>
/** Changes facts about a guide; what they were is needed to undo it. */
export type FactChanger = Pick<Mutation, 'isError' | 'error'> & {
  change: (to: Parameters<Mutation['mutate']>[0], was: Parameters<Mutation['mutate']>[0]) => void
}

/** The facts about a guide beside its text: kind, folder, owner, who else writes, how it is read. */
export function FactsColumn({
  draft,
  document,
  onChange,
  onFact,
}: {
  draft: Draft
  document: GuideDocument
  onChange: (change: Change) => void
  onFact: FactChanger
}) {
  const { t } = useTranslation()
  const folders = useFolders()
  const writers = useWriters().data ?? []
  const shared = draft.sharedWith.map((each) => each.id)
  const share = (sharedWith: PersonId[]) => onFact.change({ sharedWith }, { sharedWith: shared })
  return (
    <div className="space-y-4 p-4">
      {onFact.isError && <Failed error={onFact.error} />}
      <Select
        label={t('Kind')}
        value={document.kind}
        onChange={(event) => onChange({ type: 'set-facts', facts: { kind: event.target.value as GuideKind } })}
      >
        {GuideKind.options.map((kind) => (
          <option key={kind} value={kind}>
            {kindName(kind, t)}
          </option>
        ))}
      </Select>
      <Check
        label={t('Confirm each step')}
        hint={t('The reader confirms a step before the next one opens.')}
        checked={document.confirmSteps}
        onChange={(event) => onChange({ type: 'set-facts', facts: { confirmSteps: event.target.checked } })}
      />
      <Select
        label={t('Folder')}
        value={draft.folderId ?? ''}
        onChange={(event) => onFact.change({ folderId: (event.target.value || null) as FolderId | null }, { folderId: draft.folderId })}
      >
        <option value="">{t('No folder')}</option>
        <FolderOptions folders={folders.data ?? []} />
      </Select>
      <Select
        label={t('Owner')}
        value={draft.owner.id}
        disabled={!draft.may.handOver}
        onChange={(event) => onFact.change({ ownerId: event.target.value as PersonId }, { ownerId: draft.owner.id })}
      >
        {!writers.some((person) => person.id === draft.owner.id) && <option value={draft.owner.id}>{draft.owner.name}</option>}
        {writers.map((person) => (
          <option key={person.id} value={person.id}>
            {person.name}
          </option>
        ))}
      </Select>
      <div>
        <p className="text-sm font-semibold mb-1">{t('Also written by')}</p>
        {draft.sharedWith.length === 0 && <p className="text-sm text-soft">{t('Nobody else. Leads can always edit.')}</p>}
        <ul>
          {draft.sharedWith.map((person) => (
            <li key={person.id} className="flex items-center text-sm">
              <span className="grow">{person.name}</span>
              {draft.may.handOver && (
                <button
                  type="button"
                  className="size-8 flex items-center justify-center hover:bg-wash"
                  aria-label={t('No longer shared with {{name}}', { name: person.name })}
                  onClick={() => share(shared.filter((each) => each !== person.id))}
                >
                  <X size={15} aria-hidden />
                </button>
              )}
            </li>
          ))}
        </ul>
        {draft.may.handOver && (
          <select
            aria-label={t('Share with an author')}
            value=""
            className="mt-1 w-full min-h-9 bg-sheet border border-edge px-2 text-sm"
            onChange={(event) => share([...shared, event.target.value as PersonId])}
          >
            <option value="">{t('Share with …')}</option>
            {writers
              .filter((person) => person.id !== draft.owner.id && !draft.sharedWith.some((each) => each.id === person.id))
              .map((person) => (
                <option key={person.id} value={person.id}>
                  {person.name}
                </option>
              ))}
          </select>
        )}
      </div>
      {!draft.may.publish && <p className="text-sm text-soft">{t('A lead publishes this guide. Tell one when it is ready.')}</p>}
      <p className="text-sm text-soft border-t border-hair pt-3">
        {t('{{count}} steps', { count: stepsOf(document).length })} · {t('{{minutes}} min to read', { minutes: minutesToRead(document) })}
      </p>
    </div>
  )
}
