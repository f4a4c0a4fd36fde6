import { Button, Check, chosen, Failed, Select } from '../ui'
import type { Draft } from '@jackdaw/contracts/guides'
import type { PersonRef } from '@jackdaw/contracts/people'
import { GuideKind, type Change, type GuideFacts, type SignId } from '@jackdaw/core/guides'
import type { FolderId, PersonId } from '@jackdaw/core/shared'
import { X } from 'lucide-react'
import { memo, useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { SignView } from '../annotations'
import { FolderOptions } from '../library/FolderOptions'
import { useFolders, type useChangeGuide } from '../library/queries'
import { useWriters } from '../people'
import { SoloFields } from './exercises/SoloFields'
import { GuideLookFields } from '../guides/look/GuideLookFields'
import { kindName } from '../guides/kindName'
import { SignPicker, toggled } from './steps/SignPicker'
import { SystemFields } from './SystemFields'

type Mutation = ReturnType<typeof useChangeGuide>
/** Changes facts about a guide; what they were is needed to undo it. */
export type FactChanger = Pick<Mutation, 'isError' | 'error'> & {
  change: (to: Parameters<Mutation['mutate']>[0], was: Parameters<Mutation['mutate']>[0]) => void
}

type Facts = Pick<GuideFacts, 'kind' | 'confirmSteps' | 'look' | 'signs' | 'solo' | 'system'> & { steps: number; minutes: number }

/** The facts about a guide beside its text: kind, folder, owner, who else writes, how it is read. */
export const FactsColumn = memo(function FactsColumn({
  draft,
  facts,
  onChange,
  onFact,
}: {
  draft: Draft
  facts: Facts
  onChange: (change: Change) => void
  onFact: FactChanger
}) {
  const { t } = useTexts()
  return (
    <div className="space-y-4 p-4">
      {onFact.isError && <Failed error={onFact.error} />}
      <Select
        label={t('Kind')}
        value={facts.kind}
        onChange={chosen((value: GuideKind) => onChange({ type: 'set-facts', facts: { kind: value } }))}
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
        checked={facts.confirmSteps}
        onChange={(event) => onChange({ type: 'set-facts', facts: { confirmSteps: event.target.checked } })}
      />
      <WhoseFields draft={draft} onFact={onFact} />
      <GuideSigns signs={facts.signs} onChange={(signs) => onChange({ type: 'set-facts', facts: { signs } })} />
      <SystemFields system={facts.system} onChange={onChange} />
      <SoloFields solo={facts.solo} onChange={onChange} />
      <GuideLookFields look={facts.look} onChange={(look) => onChange({ type: 'set-facts', facts: { look } })} />
      {!draft.may.publish && <p className="text-sm text-soft">{t('A lead publishes this guide. Tell one when it is ready.')}</p>}
      <p
        className="text-sm text-soft border-t border-hair pt-3"
        title={t('Words of steps, cautions and labels at 200 a minute, 12 s for a picture, 5 s for a step, 8 s for an action on screen')}
      >
        {t('{{count}} steps', { count: facts.steps })} · {t('{{minutes}} min to read', { minutes: facts.minutes })}
      </p>
    </div>
  )
})

/** Where the guide lies, who owns it and who writes it too. */
function WhoseFields({ draft, onFact }: { draft: Draft; onFact: FactChanger }) {
  const { t } = useTexts()
  const folders = useFolders()
  const writers = useWriters().data ?? []
  return (
    <>
      <Select
        label={t('Folder')}
        value={draft.folderId ?? ''}
        onChange={chosen((value: FolderId | '') => onFact.change({ folderId: value || null }, { folderId: draft.folderId }))}
      >
        <option value="">{t('No folder')}</option>
        <FolderOptions folders={folders.data ?? []} />
      </Select>
      <Select
        label={t('Owner')}
        value={draft.owner.id}
        disabled={!draft.may.handOver}
        onChange={chosen((value: PersonId) => onFact.change({ ownerId: value }, { ownerId: draft.owner.id }))}
      >
        {!writers.some((person) => person.id === draft.owner.id) && <option value={draft.owner.id}>{draft.owner.name}</option>}
        {writers.map((person) => (
          <option key={person.id} value={person.id}>
            {person.name}
          </option>
        ))}
      </Select>
      <SharedWith draft={draft} onFact={onFact} writers={writers} />
    </>
  )
}

function SharedWith({ draft, onFact, writers }: { draft: Draft; onFact: FactChanger; writers: readonly PersonRef[] }) {
  const { t } = useTexts()
  const shared = draft.sharedWith.map((each) => each.id)
  const share = (sharedWith: PersonId[]) => onFact.change({ sharedWith }, { sharedWith: shared })
  return (
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
          onChange={chosen((value: PersonId) => share([...shared, value]))}
        >
          <option value="">{t('Share with …')}</option>
          {writers
            .filter((person) => person.id !== draft.owner.id && !shared.includes(person.id))
            .map((person) => (
              <option key={person.id} value={person.id}>
                {person.name}
              </option>
            ))}
        </select>
      )}
    </div>
  )
}

/** Protective equipment and other signs for the guide as a whole. */
function GuideSigns({ signs, onChange }: { signs: readonly SignId[]; onChange: (signs: SignId[]) => void }) {
  const { t } = useTexts()
  const [picking, setPicking] = useState(false)
  return (
    <div>
      <p className="text-sm font-semibold mb-1">{t('Safety signs for the whole guide')}</p>
      <div className="flex flex-wrap gap-2 items-center">
        {signs.map((id) => (
          <SignView key={id} id={id} sizePx={40} />
        ))}
        <Button className="text-sm" onClick={() => setPicking(true)}>
          {signs.length > 0 ? t('Change …') : t('Choose signs …')}
        </Button>
      </div>
      {picking && <SignPicker chosen={signs} onToggle={(id) => onChange(toggled(signs, id))} onClose={() => setPicking(false)} />}
    </div>
  )
}
