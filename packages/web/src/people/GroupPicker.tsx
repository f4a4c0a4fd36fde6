import { PickMany } from '../ui/fields/PickMany'
import type { Suggested, Suggestion } from '../ui/fields/Suggest'
import { useTexts } from '../ui/words/texts'
import { folded, type GroupId } from '@jackdaw/core/shared'
import { kindWords } from './kindWords'
import { useGroups } from './session'

const MOST = 10

/** Groups of all kinds, found by a part of their name or kind. @param names of groups that were closed since */
export function GroupPicker({
  label,
  hidden = false,
  chosen,
  names,
  onChange,
}: {
  label: string
  /** Its name is for screen readers only. */
  hidden?: boolean
  chosen: readonly GroupId[]
  names?: ReadonlyMap<string, string>
  onChange: (chosen: GroupId[]) => void
}) {
  const { t } = useTexts()
  const groups = useGroups()
  const nameOf = (id: GroupId) => groups.data?.find((group) => group.id === id)?.name ?? names?.get(id) ?? ''
  const useFound = (find: string): { found: readonly Suggestion[]; state: Suggested } => {
    const wanted = folded(find)
    const all = (groups.data ?? []).map((group): Suggestion => ({
      id: group.id,
      words: group.name,
      about: `${kindWords(group, t)} · ${t('{{count}} people', { count: group.people })}`,
    }))
    const fits = all.filter((each) => folded(`${each.words} ${each.about}`).includes(wanted))
    return {
      found: find === '' ? [] : fits,
      state: find === '' ? 'still' : groups.isError ? 'failed' : groups.isPending ? 'asking' : 'answered',
    }
  }
  return (
    <PickMany
      label={label}
      hidden={hidden}
      placeholder={t('Part of a name, or a kind')}
      most={MOST}
      chosen={chosen.map((id) => ({ id, words: nameOf(id) }))}
      useFound={useFound}
      onAdd={({ id }) => onChange([...chosen, id as GroupId])}
      onRemove={(id) => onChange(chosen.filter((each) => each !== id))}
    />
  )
}
