import type { PersonId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { GiveItemTo } from '../assignments/GiveItemTo'
import { useMe } from '../people'
import { usePerson } from '../people/directory/queries'
import { GivePlanTo } from '../plans/GivePlanTo'
import { Loaded, Message, Radios, showToast, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'

/** Gives one person a guide, a task or a plan, from their page. */
export function GiveToPersonPage() {
  const { id } = useIds<{ id: PersonId }>()
  return <Loaded query={usePerson(id)}>{(person) => <Give key={person.id} person={person} />}</Loaded>
}

function Give({ person }: { person: { id: PersonId; name: string; active: boolean } }) {
  const { t } = useTexts()
  const go = useNavigate()
  const me = useMe()
  const [what, setWhat] = useState<'item' | 'plan'>('item')
  const { id, name } = person
  const back = `/people/${id}`
  return (
    <>
      <title>{t('Give something to {{name}} – Jackdaw', { name })}</title>
      <TitleLine where={{ to: back, name }} title={t('Give something to {{name}}', { name })} />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl space-y-6">
          {person.active ? (
            <>
              {me.permissions.includes('guides.all') && (
                <Radios
                  label={t('What you give')}
                  value={what}
                  onChange={setWhat}
                  options={[
                    { value: 'item', words: t('A guide or a task') },
                    { value: 'plan', words: t('A plan'), hint: t('Stages of guides and tasks, one after another.') },
                  ]}
                />
              )}
              {what === 'plan' ? (
                <GivePlanTo
                  person={person}
                  onDone={(plan, had) => {
                    showToast(
                      had
                        ? t('{{name}} goes through “{{title}}” already', { name, title: plan.title })
                        : t('“{{title}}” is given to {{name}}', { name, title: plan.title }),
                    )
                    void go(`/plans/${plan.id}/people`)
                  }}
                />
              ) : (
                <GiveItemTo
                  person={person}
                  onDone={(title) => {
                    showToast(t('“{{title}}” is given to {{name}}', { name, title }))
                    void go(back)
                  }}
                />
              )}
            </>
          ) : (
            <Message tone="warn" title={t('{{name}} does not work here any more', { name })} />
          )}
        </div>
      </div>
    </>
  )
}
