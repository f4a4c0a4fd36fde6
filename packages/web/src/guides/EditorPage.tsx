import type { Draft } from '@jackdaw/contracts/guides'
import type { ItemId } from '@jackdaw/core/guides'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import type { Editor } from '@tiptap/react'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useTranslation } from 'react-i18next'
import { useParams } from 'react-router'
import { useChangeGuide } from '../library/queries'
import { useMe } from '../people'
import { Button, Loaded, Message } from '../ui'
import { ConflictPanel } from './ConflictPanel'
import { EditorBar } from './EditorBar'
import { FactsColumn, type FactChanger } from './FactsColumn'
import { GuideSheet } from './GuideSheet'
import { itemActions } from './itemActions'
import { useKeeps } from './keptDrafts'
import { OutlineRuler } from './OutlineRuler'
import { useDraftQuery, useDraftSession } from './useDraft'

export function EditorPage() {
  const { id } = useParams() as { id: GuideId }
  const query = useDraftQuery(id)
  return <Loaded query={query}>{(draft) => <EditorBench key={draft.id} draft={draft} />}</Loaded>
}

function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return
      const letter = event.key.toLowerCase()
      if (letter !== 'z' && letter !== 'y') return
      event.preventDefault()
      event.stopPropagation()
      if (letter === 'y' || event.shiftKey) redo()
      else undo()
    }
    window.addEventListener('keydown', key, { capture: true })
    return () => window.removeEventListener('keydown', key, { capture: true })
  }, [undo, redo])
}

function EditorBench({ draft }: { draft: Draft }) {
  const { t } = useTranslation()
  const me = useMe()
  const keeps = useKeeps()
  const { session, view, alsoHere } = useDraftSession(draft, me.id)
  const changeFact = useChangeGuide(draft.id)
  const [selected, setSelected] = useState<ItemId | null>(null)
  const [focus, setFocus] = useState<ItemId | null>(null)
  const [editor, setEditor] = useState<Editor | null>(null)
  const [uploads, setUploads] = useState<readonly { stepId: StepId; file: string }[]>([])
  const [trouble, setTrouble] = useState('')
  const [factsOpen, setFactsOpen] = useState(() => window.innerWidth >= 1100)
  const actions = useMemo(
    () =>
      itemActions(draft.id, session, {
        select: setSelected,
        focus: setFocus,
        uploading: (stepId, file, running) =>
          setUploads((now) => (running ? [...now, { stepId, file }] : now.filter((each) => each.stepId !== stepId || each.file !== file))),
        failed: setTrouble,
        removed: () => setFocus(null),
      }),
    [draft.id, session],
  )
  useUndoKeys(
    useCallback(() => session.undo(), [session]),
    useCallback(() => session.redo(), [session]),
  )
  useEffect(() => {
    const unsaved = (event: BeforeUnloadEvent) => (view.save === 'refused' || (!keeps && view.save !== 'saved')) && event.preventDefault()
    window.addEventListener('beforeunload', unsaved)
    return () => window.removeEventListener('beforeunload', unsaved)
  }, [view.save, keeps])
  const pick = useCallback((id: ItemId) => {
    setSelected(id)
    document.getElementById(`item-${id}`)?.scrollIntoView({ block: 'start', behavior: 'smooth' })
  }, [])
  const guide = view.document
  const factConflicts = view.conflicts.filter(
    (conflict) => conflict.itemId === null || !guide.items.some((item) => item.id === conflict.itemId),
  )
  const { mutate } = changeFact
  const changeFacts: FactChanger['change'] = (to, was) => {
    mutate(to)
    session.doneOutside({ undo: () => mutate(was), redo: () => mutate(to) })
  }
  return (
    <div className="grow flex flex-col">
      <title>{`${guide.title || t('Without a title')} – Jackdaw`}</title>
      <EditorBar
        {...{ draft, session, view, alsoHere, editor, factsOpen }}
        onArchive={() => mutate({ archived: !draft.archived })}
        onFacts={() => setFactsOpen((now) => !now)}
      />
      <div className={`grow grid ${factsOpen ? 'lg:grid-cols-[264px_minmax(0,1fr)_300px]' : 'lg:grid-cols-[264px_minmax(0,1fr)]'}`}>
        <aside className="hidden lg:block border-r border-hair">
          <div className="sticky top-[120px] max-h-[calc(100dvh-120px)] overflow-auto p-4 pr-1">
            <OutlineRuler document={guide} selected={selected} onPick={pick} onMove={actions.moveAfter} />
            <div className="flex gap-1 mt-3">
              <Button look="quiet" className="text-sm px-2" onClick={() => actions.addStep(guide.items.at(-1)?.id ?? null)}>
                {t('+ Step')}
              </Button>
              <Button look="quiet" className="text-sm px-2" onClick={() => actions.addSection(guide.items.at(-1)?.id ?? null)}>
                {t('+ Section')}
              </Button>
            </div>
          </div>
        </aside>
        <div className="bg-sheet min-w-0 pb-24">
          <div className="max-w-[780px] mx-auto px-4 md:px-8 pt-6">
            {draft.archived && (
              <div className="mb-4">
                <Message tone="warn" title={t('This guide is archived')}>
                  {t('Nobody is given it and nothing can be changed until it is taken out of the archive.')}
                </Message>
              </div>
            )}
            {trouble && (
              <div className="mb-4">
                <Message tone="bad" role="alert" title={trouble}>
                  <Button look="quiet" onClick={() => setTrouble('')}>
                    {t('Understood')}
                  </Button>
                </Message>
              </div>
            )}
            {factConflicts.map((conflict) => (
              <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
            ))}
            <GuideSheet {...{ guideId: draft.id, session, view, actions, selected, focus, uploads }} onEditor={setEditor} />
          </div>
        </div>
        {factsOpen && (
          <aside className="border-l border-hair bg-page">
            <div className="lg:sticky lg:top-[120px]">
              <FactsColumn
                draft={draft}
                document={guide}
                onChange={(change) => session.change(change)}
                onFact={{ isError: changeFact.isError, error: changeFact.error, change: changeFacts }}
              />
            </div>
          </aside>
        )}
      </div>
    </div>
  )
}
