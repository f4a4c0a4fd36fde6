import type { getTask } from '@jackdaw/contracts/tasks'
import { getTaskPicture } from '@jackdaw/contracts/tasks'
import { addressOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import { taskItem } from '@jackdaw/core/items'
import { MOST_EVIDENCE, paragraphsOf } from '@jackdaw/core/tasks'
import type { PictureId, TaskId } from '@jackdaw/core/shared'
import { useEffect, useState } from 'react'
import { editOf, FavouriteMark, recordsOf, useFavourite } from '../items'
import { Button, ButtonLink, dayOf, Failed, Loaded, Message, momentOf, showToast, StateMark, TextArea, TitleLine } from '../ui'
import { useKeys } from '../ui/keys/useKeys'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { confirmerWords } from './confirmerWords'
import { HandInList } from './HandInList'
import { PictureField } from './PictureField'
import { useAddPhoto, useHandIn, useTakeBack, useTask } from './queries'

type Task = ResponseOf<typeof getTask>

/** A task as whoever does it sees it: what is to be done, and handing it in. */
export function TaskPage() {
  const { id } = useIds<{ id: TaskId }>()
  return <Loaded query={useTask(id)}>{(task) => <TaskShown key={`${task.id} ${task.edition}`} task={task} />}</Loaded>
}

function TaskShown({ task }: { task: Task }) {
  const { t } = useTexts()
  const mark = useFavourite(task.id, task.favourite)
  useKeys({ favourite: mark.toggle })
  const { document, state, dueOn, use } = task
  const edit = editOf(t, taskItem(task.id))
  return (
    <>
      <title>{`${document.title} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/', name: t('Today') }}
        title={document.title}
        state={
          <span className="flex flex-wrap items-center gap-x-4">
            {use === 'to-do' && <StateMark state={state} dueOn={dueOn} />}
            {use === 'to-do' && dueOn && !['done', 'waived', 'due-soon'].includes(state) && (
              <span>{t('due {{day}}', { day: dayOf(dueOn) })}</span>
            )}
            <span>{t('{{minutes}} min', { minutes: document.minutes })}</span>
            <span>
              {t('Confirmed by')}: {confirmerWords(t, document.confirmer, task.role)}
            </span>
          </span>
        }
      >
        <FavouriteMark {...mark} />
        {task.maySeeRecords && <ButtonLink to={recordsOf(taskItem(task.id))}>{t('Who finished')}</ButtonLink>}
        {task.mayEdit && <ButtonLink to={edit.to}>{edit.words}</ButtonLink>}
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl mx-auto space-y-6">
          {document.picture && (
            <img
              src={addressOf(getTaskPicture, { id: task.id, edition: task.edition, pictureId: document.picture.id })}
              alt={document.picture.alt}
              className="w-full max-h-[60vh] object-contain bg-page border border-hair"
            />
          )}
          <div className="font-serif text-[18px] leading-7 space-y-3 whitespace-pre-line [overflow-wrap:anywhere]">
            {paragraphsOf(document.words).map((paragraph, n) => (
              <p key={n}>{paragraph}</p>
            ))}
          </div>
          <Standing task={task} />
          {task.handIns.length > 0 && <HandInList handIns={task.handIns} />}
        </div>
      </div>
    </>
  )
}

/** How far one is, and what one can do about it. */
function Standing({ task }: { task: Task }) {
  const { t } = useTexts()
  const [last] = task.handIns
  if (task.state === 'done' && last?.answeredAt)
    return (
      <Message tone="good" title={t('It is confirmed that you have done this.')}>
        {t('{{name}}, {{moment}}', { name: last.answeredBy?.name ?? '', moment: momentOf(last.answeredAt) })}
      </Message>
    )
  if (last && last.answer === null) return <Waits last={last} />
  return (
    <>
      {last?.answer === 'sent-back' && (
        <Message tone="bad" title={t('{{name}} has sent it back to you', { name: last.answeredBy?.name ?? '' })}>
          <p className="whitespace-pre-line">{last.reason}</p>
        </Message>
      )}
      {task.state === 'waived' && <Message title={t('You need not do this.')} />}
      <HandIn task={task} />
    </>
  )
}

function Waits({ last }: { last: Task['handIns'][number] }) {
  const { t } = useTexts()
  const back = useTakeBack(last.id)
  const names = last.asked.map(({ name }) => name).join(', ')
  return (
    <Message title={t('Handed in {{moment}}', { moment: momentOf(last.at) })}>
      <p>{names ? t('Asked to confirm it: {{names}}', { names }) : t('Nobody can be asked to confirm it at the moment.')}</p>
      {back.isError && <Failed error={back.error} />}
      <Button className="mt-2 min-h-11" disabled={back.isPending} onClick={() => back.mutate()}>
        {t('Take it back')}
      </Button>
    </Message>
  )
}

/** A photo that is on its way or stored, and how it looks. */
type Photo = { id: PictureId; src: string }

function HandIn({ task: { id, edition, document } }: { task: Task }) {
  const { t } = useTexts()
  const [words, setWords] = useState('')
  const [photo, setPhoto] = useState<Photo | null>(null)
  const [asked, setAsked] = useState(false)
  const add = useAddPhoto(id)
  const send = useHandIn(id)
  useEffect(() => () => void (photo && URL.revokeObjectURL(photo.src)), [photo])
  const { evidence } = document
  const lacksWords = evidence === 'words' && words.trim() === ''
  const lacksPhoto = evidence === 'photo' && photo === null
  return (
    <form
      className="space-y-4 border-t-2 border-ink pt-4"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (lacksWords || lacksPhoto || send.isPending || add.isPending) return
        send.mutate(
          { edition, words, photo: photo?.id ?? null },
          { onSuccess: () => showToast(t('Handed in. You are told when it is confirmed.')) },
        )
      }}
    >
      <h2 className="text-lg">{t('Done? Hand it in')}</h2>
      {evidence === 'photo' && (
        <PictureField
          camera
          shown={photo && { src: photo.src, alt: t('Your photo') }}
          words={{ choose: t('Take or choose a photo'), other: t('Another photo'), remove: t('Without this photo') }}
          send={add}
          onPick={(file) => add.mutate(file, { onSuccess: (stored) => setPhoto({ id: stored.id, src: URL.createObjectURL(file) }) })}
          onRemove={() => setPhoto(null)}
        />
      )}
      {evidence === 'photo' && asked && lacksPhoto && <p className="text-brick font-semibold">{t('Add a photo.')}</p>}
      {evidence !== 'none' && (
        <TextArea
          label={evidence === 'words' ? t('What you have done') : t('A word on it, if you like')}
          rows={4}
          maxLength={MOST_EVIDENCE}
          value={words}
          error={asked && lacksWords ? t('Write what you have done.') : undefined}
          onChange={(event) => setWords(event.target.value)}
        />
      )}
      {send.isError && <Failed error={send.error} />}
      <Button type="submit" look="primary" className="min-h-14 w-full sm:w-auto sm:px-8" disabled={send.isPending || add.isPending}>
        {send.isPending ? t('Handing it in …') : evidence === 'none' ? t('I have done it') : t('Hand it in')}
      </Button>
    </form>
  )
}
