import type { getTaskDraft } from '@jackdaw/contracts/tasks'
import { getTaskDraftPicture } from '@jackdaw/contracts/tasks'
import { addressOf, type ResponseOf } from '@jackdaw/contracts/endpoint'
import { taskItem } from '@jackdaw/core/items'
import { TaskDocument } from '@jackdaw/core/tasks'
import type { TaskId } from '@jackdaw/core/shared'
import { useEffect, useState } from 'react'
import { useNavigate } from 'react-router'
import { queryClient } from '../api'
import { recordsOf } from '../items'
import { Button, ButtonLink, Check, Failed, Loaded, Message, showToast, TextField, TitleLine } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useWarnUnsaved } from '../ui/useWarnUnsaved'
import { useTexts } from '../ui/words/texts'
import { PictureField } from './PictureField'
import { useAddTaskPicture, useArchiveTask, useCreateTask, usePublishTask, useSaveTask, useTaskDraft } from './queries'
import { faultsOf, TaskFields, type Faults } from './TaskFields'

type Draft = ResponseOf<typeof getTaskDraft>
const BLANK: TaskDocument = { title: '', words: '', picture: null, minutes: 10, confirmer: { by: 'manager' }, evidence: 'none' }
const NO_FAULTS: Faults = new Map()

/** Writes a new task. */
export function NewTaskPage() {
  const { t } = useTexts()
  const go = useNavigate()
  const create = useCreateTask()
  const [document, setDocument] = useState(BLANK)
  const [faults, setFaults] = useState(NO_FAULTS)
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        const found = faultsOf(document)
        setFaults(found)
        if (found.size === 0 && !create.isPending)
          create.mutate(document, { onSuccess: ({ id }) => void go(`/tasks/${id}/edit`, { replace: true }) })
      }}
    >
      <title>{t('Write a task – Jackdaw')}</title>
      <TitleLine where={{ to: '/tasks', name: t('Tasks') }} title={t('Write a task')}>
        <Button type="submit" look="primary" className="min-h-10" disabled={create.isPending}>
          {create.isPending ? t('Saving …') : t('Save as a draft')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl space-y-7">
          {create.isError && <Failed error={create.error} />}
          <TaskFields {...{ document, faults }} onChange={setDocument} />
          <p className="text-sm text-soft">{t('A picture can be added once it is saved.')}</p>
        </div>
      </div>
    </form>
  )
}

/** Changes what a task says, and publishes it. */
export function EditTaskPage() {
  const { id } = useIds<{ id: TaskId }>()
  const draft = useTaskDraft(id)
  return <Loaded query={draft}>{(found) => <EditTask key={`${found.id} ${found.archived}`} draft={found} />}</Loaded>
}

/** What is written, and whether it is saved. */
function useWriting(draft: Draft) {
  const [document, setDocument] = useState(draft.document)
  const [saved, setSaved] = useState({ revision: draft.revision, document: draft.document })
  const [faults, setFaults] = useState(NO_FAULTS)
  const save = useSaveTask(draft.id)
  const unsaved = document !== saved.document
  useWarnUnsaved(unsaved)
  /** Saves what is written where it is not saved. @returns its revision; `null` when something in it is wrong */
  const keep = async (): Promise<number | null> => {
    const found = faultsOf(document)
    setFaults(found)
    if (found.size > 0) return null
    if (!unsaved) return saved.revision
    const { revision } = await save.mutateAsync({ revision: saved.revision, document })
    setSaved({ revision, document })
    void queryClient.invalidateQueries({ queryKey: ['tasks'] })
    return revision
  }
  return { document, setDocument, faults, save, unsaved, keep, revision: saved.revision }
}

function EditTask({ draft }: { draft: Draft }) {
  const { t } = useTexts()
  const writing = useWriting(draft)
  const { document, setDocument, faults, save, unsaved, keep } = writing
  const archive = useArchiveTask(draft.id)
  const state =
    draft.edition === null
      ? t('Draft: nobody has it yet')
      : draft.changed || unsaved
        ? t('Edition {{n}}, changed since', { n: draft.edition })
        : t('Edition {{n}}', { n: draft.edition })
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (!save.isPending)
          keep().then(
            (revision) => revision !== null && showToast(t('Saved')),
            () => undefined, // What is wrong stands on the page.
          )
      }}
    >
      <title>{`${draft.document.title} – ${t('Edit')} – Jackdaw`}</title>
      <TitleLine
        where={{ to: '/tasks', name: t('Tasks') }}
        title={document.title || t('A task without a title')}
        state={`${t('Task {{n}}', { n: draft.number })} · ${draft.archived ? t('in the archive') : state}`}
      >
        <ButtonLink to={`/tasks/${draft.id}`} hidden={draft.edition === null}>
          {t('As people see it')}
        </ButtonLink>
        <ButtonLink to={recordsOf(taskItem(draft.id))} hidden={draft.edition === null}>
          {t('Who finished')}
        </ButtonLink>
        <Button disabled={archive.isPending} onClick={() => archive.mutate(!draft.archived)}>
          {draft.archived ? t('Take it out of the archive') : t('Archive it')}
        </Button>
        <Button type="submit" look={draft.mayPublish ? 'plain' : 'primary'} disabled={save.isPending || !unsaved}>
          {save.isPending ? t('Saving …') : t('Save')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow grid lg:grid-cols-[minmax(0,1fr)_360px] border-t border-hair">
        <div className="px-4 md:px-6 py-5 space-y-7 min-w-0 max-w-3xl">
          {save.isError && <Failed error={save.error} />}
          {archive.isError && <Failed error={archive.error} />}
          <TaskFields {...{ document, faults }} onChange={setDocument} />
        </div>
        <aside className="px-4 md:px-6 py-5 border-l border-hair space-y-7">
          <TaskPicture id={draft.id} {...{ document, setDocument }} />
          {draft.mayPublish && !draft.archived && <Publishing {...{ draft, writing }} />}
        </aside>
      </div>
    </form>
  )
}

/** The picture of a task, and what is on it for those who do not see it. */
function TaskPicture({ id, document, setDocument }: { id: TaskId; document: TaskDocument; setDocument: (next: TaskDocument) => void }) {
  const { t } = useTexts()
  const add = useAddTaskPicture(id)
  // Before it is saved the server shows it to nobody: it is shown from here.
  const [own, setOwn] = useState<{ id: string; src: string } | null>(null)
  useEffect(() => () => void (own && URL.revokeObjectURL(own.src)), [own])
  const { picture } = document
  const src = picture === null ? '' : own?.id === picture.id ? own.src : addressOf(getTaskDraftPicture, { id, pictureId: picture.id })
  return (
    <section className="space-y-3">
      <h2 className="text-lg border-b-2 border-ink">{t('Picture')}</h2>
      <PictureField
        shown={picture ? { src, alt: picture.alt } : null}
        words={{ choose: t('Add a picture …'), other: t('Another picture …'), remove: t('Take the picture out') }}
        send={add}
        onPick={(file) =>
          add.mutate(file, {
            onSuccess: (stored) => {
              setOwn({ id: stored.id, src: URL.createObjectURL(file) })
              setDocument({ ...document, picture: { id: stored.id, alt: picture?.alt ?? '' } })
            },
          })
        }
        onRemove={() => setDocument({ ...document, picture: null })}
      />
      {picture && (
        <TextField
          label={t('What it shows')}
          hint={t('For those who cannot see it.')}
          maxLength={300}
          value={picture.alt}
          onChange={(event) => setDocument({ ...document, picture: { ...picture, alt: event.target.value } })}
        />
      )}
    </section>
  )
}

function Publishing({ draft, writing: { keep, unsaved, save } }: { draft: Draft; writing: ReturnType<typeof useWriting> }) {
  const { t } = useTexts()
  const go = useNavigate()
  const publish = usePublishTask(draft.id)
  const [changeNote, setChangeNote] = useState('')
  const [again, setAgain] = useState(false)
  const isFirst = draft.edition === null
  if (!draft.changed && !unsaved)
    return (
      <section className="space-y-3">
        <h2 className="text-lg border-b-2 border-ink">{t('Publish')}</h2>
        <p>{t('Edition {{n}} says what stands here.', { n: draft.edition })}</p>
        <ButtonLink to={`/items/${draft.id}/given`}>{t('Given to')}</ButtonLink>
      </section>
    )
  const send = async () => {
    const revision = await keep()
    if (revision === null) return
    const { edition } = await publish.mutateAsync({ revision, changeNote: changeNote.trim(), again })
    showToast(t('Edition {{n}} is published', { n: edition }))
    if (isFirst) void go(`/items/${draft.id}/given/new`)
  }
  return (
    <section className="space-y-3">
      <h2 className="text-lg border-b-2 border-ink">{t('Publish')}</h2>
      {isFirst ? (
        <p>{t('Then you say who gets it, and by when.')}</p>
      ) : (
        <>
          <TextField
            label={t('What has changed')}
            maxLength={500}
            value={changeNote}
            onChange={(event) => setChangeNote(event.target.value)}
          />
          <Check
            checked={again}
            onChange={(event) => setAgain(event.target.checked)}
            label={t('Whoever is done has to do it once more')}
            hint={t('Without this, what was confirmed still counts.')}
          />
        </>
      )}
      {publish.isError && <Failed error={publish.error} />}
      <Button
        look="primary"
        className="min-h-10"
        disabled={publish.isPending || save.isPending}
        onClick={() => void send().catch(() => undefined /* What is wrong stands on the page. */)}
      >
        {publish.isPending || save.isPending ? t('Publishing …') : isFirst ? t('Publish and give it') : t('Publish')}
      </Button>
      {draft.archived && <Message tone="warn" title={t('It is in the archive.')} />}
    </section>
  )
}
