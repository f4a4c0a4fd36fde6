import type { PersonRef } from '@jackdaw/contracts/people'
import type { PersonId } from '@jackdaw/core/shared'
import { PickMany } from '../ui/fields/PickMany'
import type { Suggested, Suggestion } from '../ui/fields/Suggest'
import { useSettled } from '../ui/fields/useSettled'
import { useTexts } from '../ui/words/texts'
import { usePeople } from './session'

/** How many are listed at once. */
const MOST = 8

function useFoundPeople(find: string): { found: readonly Suggestion[]; state: Suggested } {
  const settled = useSettled(find)
  const query = usePeople(settled)
  const asking = find !== settled || query.isFetching || query.isPlaceholderData
  const state = find === '' ? 'still' : query.isError ? 'failed' : asking ? 'asking' : 'answered'
  const people = find === '' ? [] : (query.data ?? [])
  return { found: people.map(({ id, name, department, site }) => ({ id, words: name, about: `${department}, ${site}` })), state }
}

/** Single people, found by a part of their name. */
export function PersonPicker({
  label,
  hidden = false,
  chosen,
  onChange,
}: {
  label: string
  /** Its name is for screen readers only. */
  hidden?: boolean
  chosen: readonly PersonRef[]
  onChange: (chosen: PersonRef[]) => void
}) {
  const { t } = useTexts()
  return (
    <PickMany
      label={label}
      hidden={hidden}
      placeholder={t('Part of a name')}
      most={MOST}
      chosen={chosen.map(({ id, name }) => ({ id, words: name }))}
      useFound={useFoundPeople}
      onAdd={({ id, words }) => onChange([...chosen, { id: id as PersonId, name: words }])}
      onRemove={(id) => onChange(chosen.filter((each) => each.id !== id))}
    />
  )
}
