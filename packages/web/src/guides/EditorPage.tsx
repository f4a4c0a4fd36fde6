import type { Draft } from '@jackdaw/contracts/guides'
import type { ItemId } from '@jackdaw/core/guides'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import type { Editor } from '@tiptap/react'
import { MoreHorizontal, PanelRightClose, PanelRightOpen, Redo2, Undo2 } from 'lucide-react'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useTranslation } from 'react-i18next'
import { Link, useNavigate, useParams } from 'react-router'
import { useChangeGuide } from '../library/queries'
import { useMe } from '../people'
import { Button, ButtonLink, IconButton, Loaded, Message } from '../ui'
import { Menu, MenuItem } from '../ui/Menu'
import { ConflictPanel } from './ConflictPanel'
import { FactsColumn, type FactChanger } from './FactsColumn'
import { itemActions } from './itemActions'
import { OutlineRuler } from './OutlineRuler'
import { SaveWords } from './SaveWords'
import { SectionSheet, StepSheet } from './StepSheet'
import { TextTools } from './TextTools'
import { useDraftQuery, useDraftSession } from './useDraft'

const NONE: readonly never[] = []
/** Those for which something holds; always the same empty list when there are none, so that steps are not drawn anew for nothing. */
const only = <T,>(list: readonly T[], holds: (each: T) => boolean): readonly T[] => (list.some(holds) ? list.filter(holds) : NONE)

export function EditorPage() {
  const { id } = useParams() as { id: GuideId }
  const query = useDraftQuery(id)
  return <Loaded query={query}>{(draft) => <EditorBench key={draft.id} draft={draft} />}</Loaded>
}

/** Grows with its text; a heading is written on as many lines as it needs. */
function GrowingText({ value, label, placeholder, className, onChange, maxLength }: { value: string; label: string; placeholder: string; className: string; onChange: (text: string) => void; maxLength: number }) {
  return (
    <div className={`grid ${className}`}>
      <span aria-hidden className="invisible whitespace-pre-wrap [grid-area:1/1] [overflow-wrap:anywhere]">{value || placeholder} </span>
      <textarea rows={1} value={value} maxLength={maxLength} aria-label={label} placeholder={placeholder} className="[grid-area:1/1] resize-none overflow-hidden bg-transparent border-b border-transparent hover:border-hair focus:border-edge" onChange={(event) => onChange(event.target.value.replaceAll('\n', ' '))} />
    </div>
  )
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
  const navigate = useNavigate()
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
        uploading: (stepId, file, running) => setUploads((now) => (running ? [...now, { stepId, file }] : now.filter((each) => each.stepId !== stepId || each.file !== file))),
        failed: setTrouble,
        removed: () => setFocus(null),
      }),
    [draft.id, session],
  )
  useUndoKeys(useCallback(() => session.undo(), [session]), useCallback(() => session.redo(), [session]))
  useEffect(() => {
    const unsaved = (event: BeforeUnloadEvent) => view.save === 'refused' && event.preventDefault()
    window.addEventListener('beforeunload', unsaved)
    return () => window.removeEventListener('beforeunload', unsaved)
  }, [view.save])
  const pick = useCallback((id: ItemId) => {
    setSelected(id)
    document.getElementById(`item-${id}`)?.scrollIntoView({ block: 'start', behavior: 'smooth' })
  }, [])
  const guide = view.document
  const factConflicts = view.conflicts.filter((conflict) => conflict.itemId === null || !guide.items.some((item) => item.id === conflict.itemId))
  const { mutate } = changeFact
  const changeFacts: FactChanger['change'] = (to, was) => {
    mutate(to)
    session.doneOutside({ undo: () => mutate(was), redo: () => mutate(to) })
  }
  const archive = () => changeFact.mutate({ archived: !draft.archived })
  let number = 0
  return (
    <div className="grow flex flex-col">
      <title>{`${guide.title || t('Without a title')} – Jackdaw`}</title>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 md:px-6 py-2 bg-page border-b border-hair sticky top-14 z-20">
        <div className="grow min-w-40">
          <h1 className="text-sm"><Link to="/library" className="text-petrol underline underline-offset-3">{t('Library')}</Link> · {t('Guide {{n}}', { n: draft.number })} · <span className="font-semibold">{draft.archived ? t('Archived') : draft.edition === null ? t('Draft') : draft.changedSinceEdition || view.revision > draft.revision ? t('Published, edition {{n}}; the draft has gone on', { n: draft.edition }) : t('Published, edition {{n}}', { n: draft.edition })}</span></h1>
          <SaveWords view={view} alsoHere={alsoHere} onRetry={() => session.retry()} />
        </div>
        <TextTools editor={editor} />
        <div className="flex items-center gap-1">
          <IconButton name={t('Undo (Ctrl+Z)')} disabled={!view.canUndo} onClick={() => session.undo()}><Undo2 size={18} aria-hidden /></IconButton>
          <IconButton name={t('Redo (Ctrl+Y)')} disabled={!view.canRedo} onClick={() => session.redo()}><Redo2 size={18} aria-hidden /></IconButton>
          {draft.may.publish && <ButtonLink to={`/guides/${draft.id}/publish`} look="primary" className="mx-1" onClick={() => session.flush()}>{t('Publish …')}</ButtonLink>}
          <Menu trigger={<Button aria-label={t('More')} className="px-2"><MoreHorizontal size={18} aria-hidden /></Button>}>
            {draft.edition !== null && <MenuItem onSelect={() => void navigate(`/guides/${draft.id}`)}>{t('Read edition {{n}}', { n: draft.edition })}</MenuItem>}
            {draft.may.seeRecords && <MenuItem onSelect={() => void navigate(`/records/guides/${draft.id}`)}>{t('Who finished')}</MenuItem>}
            {draft.may.handOver && <MenuItem danger={!draft.archived} onSelect={archive}>{draft.archived ? t('Take out of the archive') : t('Archive')}</MenuItem>}
          </Menu>
          <IconButton name={factsOpen ? t('Hide the facts') : t('Show the facts')} aria-expanded={factsOpen} onClick={() => setFactsOpen((now) => !now)}>{factsOpen ? <PanelRightClose size={18} aria-hidden /> : <PanelRightOpen size={18} aria-hidden />}</IconButton>
        </div>
      </div>
      <div className={`grow grid ${factsOpen ? 'lg:grid-cols-[264px_minmax(0,1fr)_300px]' : 'lg:grid-cols-[264px_minmax(0,1fr)]'}`}>
        <aside className="hidden lg:block border-r border-hair">
          <div className="sticky top-[120px] max-h-[calc(100dvh-120px)] overflow-auto p-4 pr-1">
            <OutlineRuler document={guide} selected={selected} onPick={pick} onMove={actions.moveAfter} />
            <div className="flex gap-1 mt-3"><Button look="quiet" className="text-sm px-2" onClick={() => actions.addStep(guide.items.at(-1)?.id ?? null)}>{t('+ Step')}</Button><Button look="quiet" className="text-sm px-2" onClick={() => actions.addSection(guide.items.at(-1)?.id ?? null)}>{t('+ Section')}</Button></div>
          </div>
        </aside>
        <div className="bg-sheet min-w-0 pb-24">
          <div className="max-w-[780px] mx-auto px-4 md:px-8 pt-6">
            {draft.archived && <div className="mb-4"><Message tone="warn" title={t('This guide is archived')}>{t('Nobody is given it and nothing can be changed until it is taken out of the archive.')}</Message></div>}
            {trouble && <div className="mb-4"><Message tone="bad" role="alert" title={trouble}><Button look="quiet" onClick={() => setTrouble('')}>{t('Understood')}</Button></Message></div>}
            {factConflicts.map((conflict) => <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />)}
            <GrowingText value={guide.title} maxLength={300} label={t('Title')} placeholder={t('Title of the guide')} className="font-serif text-2xl leading-9 font-semibold" onChange={(title) => session.change({ type: 'set-facts', facts: { title } })} />
            <GrowingText value={guide.summary} maxLength={2000} label={t('Summary')} placeholder={t('In a sentence or two: what is it for, and when is it used?')} className="font-serif text-lg leading-7 text-soft mt-1 mb-2" onChange={(summary) => session.change({ type: 'set-facts', facts: { summary } })} />
            <ol className="border-t-2 border-ink">
              {guide.items.map((item) => {
                const conflicts = only(view.conflicts, (conflict) => conflict.itemId === item.id)
                const common = { actions, selected: selected === item.id, focus: focus === item.id, conflicts }
                return item.kind === 'section' ? (
                  <SectionSheet key={item.id} section={item} {...common} />
                ) : (
                  <StepSheet key={item.id} guideId={draft.id} step={item} number={++number} uploads={only(uploads, (each) => each.stepId === item.id)} onEditor={setEditor} {...common} />
                )
              })}
            </ol>
            {guide.items.length === 0 && <p className="py-6 text-soft">{t('A guide is a list of steps. Write the first one, or drop pictures on it later.')}</p>}
            <div className="flex gap-2 mt-4">
              <Button onClick={() => actions.addStep(guide.items.at(-1)?.id ?? null)}>{t('Add a step')}</Button>
              <Button onClick={() => actions.addSection(guide.items.at(-1)?.id ?? null)}>{t('Add a section')}</Button>
            </div>
          </div>
        </div>
        {factsOpen && <aside className="border-l border-hair bg-page"><div className="lg:sticky lg:top-[120px]"><FactsColumn draft={draft} document={guide} onChange={(change) => session.change(change)} onFact={{ isError: changeFact.isError, error: changeFact.error, change: changeFacts }} /></div></aside>}
      </div>
    </div>
  )
}
