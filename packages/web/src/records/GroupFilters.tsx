import { ItemState } from '@jackdaw/core/items'
import { GroupId } from '@jackdaw/core/shared'
import { useTexts } from '../ui/words/texts'
import { useRecordGroups } from './queries'

/** Whose records are shown, as it stands in the address. */
export type AmongWhom = { department?: GroupId | undefined; site?: GroupId | undefined; team?: GroupId | undefined }
/** How that stands there. */
export const AMONG = { department: GroupId, site: GroupId, team: GroupId }
export const amongIn = ({ department, site, team }: AmongWhom): AmongWhom => ({ department, site, team })

/** Leaves the people of a department, site or team, and where asked for those in a state. */
export function GroupFilters({
  search,
  set,
  states = false,
}: {
  search: AmongWhom & { state?: ItemState | undefined }
  set: (more: { [K in keyof AmongWhom | 'state']?: string | undefined }) => void
  states?: boolean
}) {
  const { t } = useTexts()
  const groups = useRecordGroups().data
  const STATES: Record<ItemState, string> = {
    late: t('Late'),
    'due-soon': t('Due soon'),
    'out-of-date': t('Out of date'),
    'in-progress': t('In progress'),
    'not-started': t('Not started'),
    waiting: t('Waits for somebody'),
    done: t('Done'),
    waived: t('Waived'),
  }
  const select = (key: keyof AmongWhom | 'state', label: string, all: string, options: readonly { id: string; name: string }[]) => (
    <select
      aria-label={label}
      className="min-h-9 px-2 border border-edge rounded-md bg-sheet max-w-48"
      value={search[key] ?? ''}
      onChange={(event) => set({ [key]: event.target.value || undefined })}
    >
      <option value="">{all}</option>
      {options.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  )
  return (
    <>
      {select('department', t('Department'), t('All departments'), groups?.departments ?? [])}
      {select('site', t('Site'), t('All sites'), groups?.sites ?? [])}
      {select('team', t('Team'), t('All teams'), groups?.teams ?? [])}
      {states &&
        select(
          'state',
          t('State'),
          t('Any state'),
          ItemState.options.map((id) => ({ id, name: STATES[id] })),
        )}
    </>
  )
}
