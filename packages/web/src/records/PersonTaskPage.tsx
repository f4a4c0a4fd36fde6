import type { PersonId, TaskId } from '@jackdaw/core/shared'
import { WhyGiven } from '../assignments'
import { AnswerButtons, HandInList, useHandIns } from '../tasks'
import { ButtonLink, Loaded, Message, StateMark, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { usePersonRecords } from './queries'

/** One person and one task: what they have handed in, and what came of it. */
export function PersonTaskPage() {
  const { t } = useTexts()
  const { id, taskId } = useIds<{ id: PersonId; taskId: TaskId }>()
  const handIns = useHandIns(id, taskId)
  return (
    <Loaded query={usePersonRecords(id)}>
      {({ person, rows }) => {
        const record = rows.find(({ item }) => item.kind === 'task' && item.id === taskId)
        if (!record) return <Message tone="warn" title={t('This person has not been given the task.')} />
        return (
          <>
            <title>{`${person.name}: ${record.title} – Jackdaw`}</title>
            <TitleLine
              where={{ to: `/records/people/${id}`, name: person.name }}
              title={record.title}
              state={
                <>
                  {t('Task {{n}}', { n: record.number })}, {t('edition {{n}}', { n: record.edition })} · {person.department}, {person.site}
                </>
              }
            >
              <ButtonLink to={`/tasks/${taskId}`}>{t('Open the task')}</ButtonLink>
            </TitleLine>
            <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-4 space-y-6">
              <StateMark state={record.state} dueOn={record.dueOn} />
              <Loaded query={handIns}>
                {({ mayAnswer, handIns: all }) =>
                  all.length === 0 ? (
                    <p className="text-soft">{t('Nothing has been handed in yet.')}</p>
                  ) : (
                    <HandInList
                      handIns={all}
                      of={person.name}
                      actions={({ id: handIn }) => mayAnswer && <AnswerButtons id={handIn} name={person.name} title={record.title} />}
                    />
                  )
                }
              </Loaded>
              <WhyGiven personId={id} itemId={taskId} />
            </div>
          </>
        )
      }}
    </Loaded>
  )
}
