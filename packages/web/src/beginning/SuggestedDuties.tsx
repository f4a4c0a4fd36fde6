import { LINES_OF_WORK, type LineOfWork, type LineOfWorkId, type SuggestedRole } from '@jackdaw/core/people'
import { Check, Plus } from 'lucide-react'
import { useState } from 'react'
import { useGroup, useGroupRows } from '../people/groups/queries'
import { Button, Failed, Select } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useLineOfWork, useTakeSuggestion } from './queries'

/** Roles and duties that are common in a line of work, to be taken one by one. */
export function SuggestedDuties() {
  const { t } = useTexts()
  const own = useLineOfWork().data?.lineOfWork ?? null
  const [chosen, setChosen] = useState<LineOfWorkId | null>(null)
  const line = LINES_OF_WORK.find(({ id }) => id === (chosen ?? own))
  return (
    <details className="mt-8 border-t-2 border-ink pt-3" open={own !== null}>
      <summary className="font-serif text-lg min-h-9 cursor-pointer">{t('Roles and duties to begin from')}</summary>
      <div className="max-w-64 my-3">
        <Select
          label={t('Line of work')}
          value={line?.id ?? ''}
          onChange={({ target }) => setChosen((target.value || null) as LineOfWorkId | null)}
        >
          <option value="">{t('Choose one')}</option>
          {LINES_OF_WORK.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      </div>
      {line && <Roles key={line.id} line={line} />}
    </details>
  )
}

function Roles({ line }: { line: LineOfWork }) {
  const groups = useGroupRows().data ?? []
  return (
    <div className="grid md:grid-cols-2 gap-x-8 gap-y-6">
      {line.roles.map((role) => {
        const there = groups.find(({ kind, name }) => kind === 'role' && name.toLowerCase() === role.name.toLowerCase())
        return <Role key={role.name} {...{ line, role }} id={there?.id ?? null} />
      })}
    </div>
  )
}

type RoleProps = { line: LineOfWork; role: SuggestedRole }
function Role({ line, role, id }: RoleProps & { id: Parameters<typeof useGroup>[0] | null }) {
  return id ? <RoleThere {...{ line, role }} id={id} /> : <RoleShown {...{ line, role }} there={false} taken={[]} />
}
function RoleThere({ id, ...props }: RoleProps & { id: Parameters<typeof useGroup>[0] }) {
  const group = useGroup(id, 1)
  return <RoleShown {...props} there taken={group.data?.duties.map(({ title }) => title) ?? []} />
}

function RoleShown({ line, role, there, taken }: RoleProps & { there: boolean; taken: readonly string[] }) {
  const { t } = useTexts()
  const take = useTakeSuggestion()
  const button = (duty: string | null, done: boolean, name: string) =>
    done ? (
      <span className="inline-flex items-center gap-1 text-moss text-sm whitespace-nowrap min-h-9">
        <Check size={16} aria-hidden />
        {t('taken')}
      </span>
    ) : (
      <Button
        className="text-sm"
        disabled={take.isPending}
        aria-label={t('Take “{{name}}”', { name })}
        onClick={() => take.mutate({ lineOfWork: line.id, role: role.name, duty })}
      >
        <Plus size={16} aria-hidden />
        {t('Take')}
      </Button>
    )
  return (
    <section>
      <div className="flex items-center gap-2 border-b border-ink pb-1">
        <h3 className="grow text-base font-semibold">{role.name}</h3>
        {button(null, there, role.name)}
      </div>
      {take.isError && <Failed error={take.error} />}
      <ul>
        {role.duties.map(({ title, about }) => (
          <li key={title} className="flex gap-3 items-start py-2 border-b border-hair">
            <div className="grow min-w-0">
              <p>{title}</p>
              <p className="text-sm text-soft">{about}</p>
            </div>
            {button(title, taken.includes(title), title)}
          </li>
        ))}
      </ul>
    </section>
  )
}
