import { adoptPictures } from '@jackdaw/contracts/pictures'
import { getDraft, saveChanges, type Draft } from '@jackdaw/contracts/guides'
import { listGuides } from '@jackdaw/contracts/library'
import { copiesOf, insertItems, removeItems } from '@jackdaw/core/editing'
import { storedPicturesOf, type Change, type GuideItem } from '@jackdaw/core/guides'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useTexts } from '../ui/texts'
import { call } from '../api'
import { Button, Failed, TextField } from '../ui'
import { Dialog } from '../ui/Dialog'
import type { DraftSession } from './draftSession'

const picturesIn = (items: readonly GuideItem[]): PictureId[] => [
  ...new Set(items.flatMap((item) => (item.kind === 'step' ? item.pictures.flatMap(storedPicturesOf) : []))),
]

/** Items whose pictures have other ids: those of the guide to which they go. */
function withPictures(items: readonly GuideItem[], ids: Readonly<Record<string, PictureId>>): GuideItem[] {
  const idOf = (id: PictureId): PictureId => ids[id] ?? id
  return items.map((item) => {
    if (item.kind === 'section') return item
    const moved = <T extends { pictureId: PictureId }>(element: T): T => ({ ...element, pictureId: idOf(element.pictureId) })
    const { action, element, check: _, ...step } = item
    return {
      ...step,
      pictures: step.pictures.map((picture) => ({
        ...picture,
        id: idOf(picture.id),
        ...(picture.sheet
          ? { sheet: { ...picture.sheet, pictures: picture.sheet.pictures.map((each) => ({ ...each, id: idOf(each.id) })) } }
          : {}),
      })),
      ...(element ? { element: moved(element) } : {}),
      ...(action
        ? {
            action: {
              ...action,
              ...(action.element ? { element: moved(action.element) } : {}),
              ...(action.onto ? { onto: moved(action.onto) } : {}),
            },
          }
        : {}),
    }
  })
}

/** Makes changes to the draft of another guide. */
async function changeOther(id: GuideId, changes: (document: Draft['document']) => Change[]): Promise<void> {
  const draft = await call(getDraft, { params: { id } })
  const made = changes(draft.document)
  if (made.length > 0)
    await call(saveChanges, { params: { id }, body: { baseRevision: draft.revision, changeSetId: nanoid(), changes: made } })
}

/** Copies or moves steps to the end of another guide, with their pictures. */
export function ToOtherGuide({
  draft,
  session,
  items,
  onClose,
  onDone,
}: {
  draft: Draft
  session: DraftSession
  items: readonly GuideItem[]
  onClose: () => void
  onDone: () => void
}) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const [target, setTarget] = useState<GuideId | null>(null)
  const guides = useQuery({
    queryKey: ['guides', 'to-other', find],
    queryFn: ({ signal }) => call(listGuides, { query: find.trim() ? { find: find.trim() } : {}, signal }),
  })
  const send = useMutation({
    mutationFn: async (moves: boolean) => {
      const to = target!
      const ids = await call(adoptPictures, { params: { id: to }, body: { from: draft.id, pictures: picturesIn(items) } })
      const copies = withPictures(copiesOf(items, nanoid), ids)
      const there = copies.map((item) => item.id)
      const insert = () => changeOther(to, (document) => insertItems(copies, document.items.at(-1)?.id ?? null))
      const takeBack = () => changeOther(to, (document) => removeItems(there.filter((id) => document.items.some((item) => item.id === id))))
      await insert()
      session.doneOutside({ undo: takeBack, redo: insert }, ...(moves ? removeItems(items.map((item) => item.id)) : []))
    },
    onSuccess: onDone,
  })
  const rows = (guides.data?.rows ?? []).filter((row) => row.id !== draft.id && row.mayEdit)
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('To another guide')}
      about={t('They go to its end, with their pictures and annotations. It can be undone here in one go.')}
    >
      <TextField label={t('Find a guide by title or number')} value={find} onChange={(event) => setFind(event.target.value)} />
      <ul className="max-h-56 overflow-auto border border-hair my-3" aria-label={t('Guides')}>
        {rows.map((row) => (
          <li key={row.id}>
            <label className="flex gap-2 items-center px-2 min-h-9 hover:bg-wash cursor-pointer">
              <input
                type="radio"
                name="to-guide"
                className="accent-petrol"
                checked={target === row.id}
                onChange={() => setTarget(row.id)}
              />
              <span className="tabular-nums text-soft">{row.number}</span> {row.title || t('Without a title')}
            </label>
          </li>
        ))}
        {guides.isSuccess && rows.length === 0 && <li className="p-2 text-soft">{t('No other guide that you may edit.')}</li>}
      </ul>
      {send.isError && <Failed error={send.error} />}
      <div className="flex gap-2">
        <Button look="primary" disabled={!target || send.isPending} onClick={() => send.mutate(false)}>
          {send.isPending ? t('Copying …') : t('Copy {{count}} there', { count: items.length })}
        </Button>
        <Button disabled={!target || send.isPending} onClick={() => send.mutate(true)}>
          {t('Move {{count}} there', { count: items.length })}
        </Button>
      </div>
    </Dialog>
  )
}
