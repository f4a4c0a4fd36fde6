import { adoptPictures } from '@jackdaw/contracts/pictures'
import { getDraft, saveChanges, type Draft } from '@jackdaw/contracts/guides'
import { listGuides, type GuideRow } from '@jackdaw/contracts/library'
import { copiesOf, insertItems, removeItems } from '@jackdaw/core/editing'
import { applyAll, GUIDE_LIMITS, mapPictures, pictureRefsOf, type Change, type GuideItem } from '@jackdaw/core/guides'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { call } from '../../api'
import { Button, Failed, Radios, TextField } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import type { DraftSession } from '../saving/draftSession'

const picturesIn = (items: readonly GuideItem[]): PictureId[] => {
  const { stored, elements } = pictureRefsOf(items)
  return [...new Set([...stored, ...elements])]
}

/** Makes changes to the draft of another guide, all of them or none.
 * @throws Error with what stood in the way */
async function changeOther(id: GuideId, changes: (document: Draft['document']) => Change[]): Promise<void> {
  const draft = await call(getDraft, { params: { id } })
  const made = changes(draft.document)
  if (made.length === 0) return
  const { limit } = applyAll(made, draft.document)
  if (limit) throw new Error(GUIDE_LIMITS[limit].words)
  const { conflicts } = await call(saveChanges, {
    params: { id },
    body: { baseRevision: draft.revision, changeSetId: nanoid(), changes: made, form: 2 },
  })
  if (conflicts.length > 0) throw new Error('Somebody changed that guide at the same moment. Look there before you try again.')
}

/** Puts items at the end of another guide, with their pictures; `moves`: and takes them out here. Undone in one go. */
function useSend(draft: Draft, session: DraftSession, items: readonly GuideItem[], onDone: () => void) {
  return useMutation({
    mutationFn: async ({ to, moves }: { to: GuideId; moves: boolean }) => {
      const leaving = copiesOf(items, nanoid, true)
      const ids = await call(adoptPictures, { params: { id: to }, body: { from: draft.id, pictures: picturesIn(leaving) } })
      const copies = mapPictures(leaving, (id) => ids[id] ?? id)
      const there = copies.map((item) => item.id)
      const insert = () => changeOther(to, (document) => insertItems(copies, document.items.at(-1)?.id ?? null))
      const takeBack = () => changeOther(to, (document) => removeItems(there.filter((id) => document.items.some((item) => item.id === id))))
      await insert()
      session.doneOutside({ undo: takeBack, redo: insert }, ...(moves ? removeItems(items.map((item) => item.id)) : []))
    },
    onSuccess: onDone,
  })
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
  const [target, setTarget] = useState<GuideId | null>(null)
  const send = useSend(draft, session, items, onDone)
  const go = (moves: boolean) => target && send.mutate({ to: target, moves })
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('To another guide')}
      about={t('They go to its end, with their pictures and annotations. It can be undone here in one go.')}
    >
      <GuideChoice draft={draft} target={target} onChoose={setTarget} />
      {send.isError && <Failed error={send.error} />}
      <div className="flex gap-2">
        <Button look="primary" disabled={!target || send.isPending} onClick={() => go(false)}>
          {send.isPending ? t('Copying …') : t('Copy {{count}} there', { count: items.length })}
        </Button>
        <Button disabled={!target || send.isPending} onClick={() => go(true)}>
          {t('Move {{count}} there', { count: items.length })}
        </Button>
      </div>
    </Dialog>
  )
}

/** The other guides that the author may edit, found by typing. */
function GuideChoice({ draft, target, onChoose }: { draft: Draft; target: GuideId | null; onChoose: (id: GuideId) => void }) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const guides = useQuery({
    queryKey: ['guides', 'to-other', find],
    queryFn: ({ signal }) => call(listGuides, { query: find.trim() ? { find: find.trim() } : {}, signal }),
  })
  const rows = (guides.data?.rows ?? []).filter((row) => row.id !== draft.id && row.mayEdit)
  const words = (row: GuideRow) => (
    <>
      <span className="tabular-nums text-soft">{row.number}</span> {row.title || t('Without a title')}
    </>
  )
  return (
    <>
      <TextField label={t('Find a guide by title or number')} value={find} onChange={(event) => setFind(event.target.value)} />
      <div className="max-h-56 overflow-auto border border-hair my-3 px-2">
        <Radios
          label={t('Guides')}
          hidden
          value={target}
          onChange={onChoose}
          options={rows.map((row) => ({ value: row.id, words: words(row) }))}
        />
        {guides.isSuccess && rows.length === 0 && <p className="py-2 text-soft">{t('No other guide that you may edit.')}</p>}
      </div>
    </>
  )
}
