import { useIds } from '../ui/search/useIds'
import type { Draft } from '@jackdaw/contracts/guides'
import { factOf, minutesToRead, type GuideDocument, type ItemId, type PictureSizes } from '@jackdaw/core/guides'
import { lacksIn } from '@jackdaw/core/players'
import type { Way } from '@jackdaw/core/ways'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import type { Editor } from '@tiptap/react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useKeys } from '../ui/keys/useKeys'
import { useTexts } from '../ui/words/texts'
import { useSearchParams } from 'react-router'
import { useLook } from '../annotations'
import { SaveGuideAs } from '../exchange/SaveGuideAs'
import { DuplicateDialog } from '../library/DuplicateDialog'
import { useChangeGuide, useFolders } from '../library/queries'
import { useMe } from '../people'
import { useRecordInto } from '../recording'
import { GuideRemarks, RemarksOnGoneSteps } from '../remarks'
import { Button, Loaded, Message, Waiting } from '../ui'
import { ApplyBlackouts, BlackoutStrip, FindPrivateData } from './blackouts/Blackouts'
import { CheckStrip } from './checking/CheckStrip'
import { ConflictPanel } from './saving/ConflictPanel'
import type { DraftSession, DraftView } from './saving/draftSession'
import { EditorBar, type Asked } from './EditorBar'
import { FactsColumn, type FactChanger } from './FactsColumn'
import { FindingsPanel } from './checking/FindingsPanel'
import { FindReplace } from './many/FindReplace'
import { FlowStrip } from './exercises/FlowStrip'
import { WayCheck } from './exercises/WayCheck'
import { GuideSheet } from './GuideSheet'
import { itemActions, type ItemActions } from './itemActions'
import type { BenchPlace } from './pageCallbacks'
import { useKeeps } from './saving/keptDrafts'
import { OutlineRuler } from './outline/OutlineRuler'
import { ManyBar } from './many/ManyBar'
import type { FocusAt } from './text/StepBody'
import { TooMuchStrip } from './checking/TooMuchStrip'
import { useSaidLine } from './useSaidLine'
import { useChosen } from './useChosen'
import { useDraftQuery, useDraftSession } from './saving/useDraft'
import { usePictureSizes, usePictureSizesQuery } from './usePictureSizes'

export function EditorPage() {
  const { id } = useIds<{ id: GuideId }>()
  const query = useDraftQuery(id)
  // Asked for beside the draft and waited for, so that a long guide is drawn once; without them it opens all the same.
  const { isLoading, failureCount } = usePictureSizesQuery(id)
  const waits = isLoading && failureCount === 0
  return (
    <Loaded query={query}>
      {(draft) =>
        waits ? (
          <Waiting />
        ) : (
          <GuideRemarks key={draft.id} guideId={draft.id}>
            <EditorBench draft={draft} />
          </GuideRemarks>
        )
      }
    </Loaded>
  )
}

/** Lets the browser ask before a page is closed on which something would be lost. */
function useUnsavedWarning(unsaved: boolean): void {
  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => unsaved && event.preventDefault()
    window.addEventListener('beforeunload', warn)
    return () => window.removeEventListener('beforeunload', warn)
  }, [unsaved])
}

/** Goes to the step that the address names, once. */
function useStepInAddress(pick: (id: ItemId) => void): void {
  const [search, setSearch] = useSearchParams()
  const step = search.get('step')
  useEffect(() => {
    if (!step) return
    pick(step as ItemId)
    setSearch({}, { replace: true })
  }, [step, pick, setSearch])
}

/** What is going on at the guide beside its text: which step is selected, what is being uploaded, what went wrong. */
function useEditorState(
  draft: Draft,
  session: DraftSession,
  sizesNow: { current: PictureSizes },
  learn: ReturnType<typeof usePictureSizes>['learn'],
) {
  const [selected, setSelected] = useState<ItemId | null>(null)
  const [focus, setFocus] = useState<(FocusAt & { id: ItemId }) | null>(null)
  const [uploads, setUploads] = useState<readonly { stepId: StepId; file: string }[]>([])
  const [trouble, setTrouble] = useState('')
  const [onBench, setOnBench] = useState<BenchPlace | null>(null)
  const { said, line } = useSaidLine()
  const { ids: ticked, tick, clear } = useChosen(session)
  const recording = useRecordInto(draft.id, draft.document.language)
  const actions = useMemo(
    () =>
      itemActions(draft.id, session, {
        select: setSelected,
        focus: (id, at = 'end') => setFocus({ id, at }),
        said,
        uploading: (stepId, file, running) =>
          setUploads((now) => (running ? [...now, { stepId, file }] : now.filter((each) => each.stepId !== stepId || each.file !== file))),
        failed: setTrouble,
        removed: () => setFocus(null),
        record: recording.after,
        stored: learn,
        bench: setOnBench,
        tick,
        sizes: () => sizesNow.current,
      }),
    [draft.id, session, recording.after, learn, tick, said, sizesNow],
  )
  const pick = useCallback((id: ItemId) => {
    setSelected(id)
    document.getElementById(`item-${id}`)?.scrollIntoView({ block: 'start', behavior: 'smooth' })
  }, [])
  useStepInAddress(pick)
  const understood = () => setTrouble('')
  return { actions, selected, focus, uploads, trouble, understood, onBench, ticked, clear, pick, line, recording }
}

/** Whether the picture that is on the bench is still there. */
const isThere = (guide: GuideDocument, place: BenchPlace | null): boolean =>
  place !== null &&
  guide.items.some((item) => item.kind === 'step' && item.id === place.stepId && item.pictures.some((each) => each.id === place.pictureId))

function EditorBench({ draft }: { draft: Draft }) {
  const me = useMe()
  const keeps = useKeeps()
  const { session, view, alsoHere } = useDraftSession(draft, me.id)
  const changeFact = useChangeGuide(draft.id)
  const guide = view.document
  const { sizes, learn } = usePictureSizes(draft.id, guide)
  const sizesNow = useRef(sizes)
  sizesNow.current = sizes
  const state = useEditorState(draft, session, sizesNow, learn)
  const { actions, selected, ticked, pick } = state
  const [editor, setEditor] = useState<Editor | null>(null)
  const [asked, setAsked] = useState<Asked>(null)
  const [round, setRound] = useState(0)
  const [panelHost, setPanelHost] = useState<Element | null>(null)
  const [factsOpen, setFactsOpen] = useState(() => window.innerWidth >= 1100)
  const look = useLook(guide.look)
  // The text's own editor has a history that is switched off: the page hears these keys before it does.
  useKeys({ undo: () => session.undo(), redo: () => session.redo() }, { first: true })
  useUnsavedWarning(view.save === 'refused' || (!keeps && view.save !== 'saved'))
  const { mutate } = changeFact
  const onFact = useFactChanger(changeFact, session)
  return (
    <div className="grow flex flex-col">
      <EditorBar
        {...{ draft, session, view, alsoHere, editor, factsOpen, selected, actions }}
        onArchive={() => mutate({ archived: !draft.archived })}
        onFacts={() => setFactsOpen((now) => !now)}
        onAsk={setAsked}
      />
      <div
        style={{ '--facts-width': factsOpen ? '300px' : '0px' }}
        className={`grow grid ${factsOpen ? 'lg:grid-cols-[264px_minmax(0,1fr)_300px]' : 'lg:grid-cols-[264px_minmax(0,1fr)]'}`}
      >
        <Outline {...{ guide, selected, actions, pick, ticked }} />
        <div className="bg-sheet min-w-0 pb-24">
          <div className="max-w-[780px] mx-auto px-4 md:px-8 pt-6">
            <AboveTheSheet {...{ draft, view, state }} onApply={() => setAsked('apply')} />
            <GuideSheet {...{ guideId: draft.id, session, view, sizes, look, round, panelHost }} {...state} onEditor={setEditor} />
          </div>
        </div>
        {factsOpen && (
          <FactsAside {...{ draft, guide, actions, pick, onFact }} onHost={isThere(guide, state.onBench) ? setPanelHost : null} />
        )}
      </div>
      {ticked.size > 0 && <ManyBar draft={draft} {...{ session, sizes, actions }} document={guide} ids={ticked} onClear={state.clear} />}
      <EditorDialogs
        {...{ asked, draft, guide, session, sizes }}
        onApplied={() => setRound((now) => now + 1)}
        onClose={() => setAsked(null)}
      />
      {state.line}
      {state.recording.dialog}
    </div>
  )
}

/** What the author has to know, settle or finish, before the text. */
function AboveTheSheet({
  draft,
  view,
  state: { actions, trouble, understood, pick },
  onApply,
}: {
  draft: Draft
  view: DraftView
  state: ReturnType<typeof useEditorState>
  onApply: () => void
}) {
  const { t } = useTexts()
  const guide = view.document
  const aboutFacts = view.conflicts.filter(({ itemId }) => itemId === null || !guide.items.some((item) => item.id === itemId))
  return (
    <>
      <title>{`${guide.title || t('Without a title')} – Jackdaw`}</title>
      <Notices archived={draft.archived} trouble={trouble} onUnderstood={understood} />
      {aboutFacts.map((conflict) => (
        <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
      ))}
      <BlackoutStrip document={guide} onApply={onApply} />
      <RemarksOnGoneSteps items={guide.items} />
      <TooMuchStrip document={guide} onPick={pick} />
      <CheckStrip document={guide} onPick={pick} />
      <FlowStrip document={guide} onPick={pick} />
    </>
  )
}

/** Beside the sheet: the facts about the guide, or what belongs to the picture that is on the bench.
 * @param onHost where that goes; `null` when there is none */
function FactsAside({
  draft,
  guide,
  actions,
  pick,
  onFact,
  onHost,
}: {
  draft: Draft
  guide: GuideDocument
  actions: ItemActions
  pick: (id: ItemId) => void
  onFact: FactChanger
  onHost: ((host: Element | null) => void) | null
}) {
  const facts = useFacts(guide)
  return (
    <aside className="border-l border-hair bg-page">
      <div className="lg:sticky lg:top-[120px] lg:max-h-[calc(100dvh-120px)] overflow-auto [scrollbar-width:none]">
        {onHost && <div ref={onHost} />}
        <div hidden={onHost !== null}>
          <FindingsPanel document={guide} onPick={pick} change={actions.change} />
          <FactsColumn draft={draft} facts={facts} onChange={actions.change} onFact={onFact} />
        </div>
      </div>
    </aside>
  )
}

/** Changes facts beside the text, undone in the same row as the text. The same object as long as nothing about it has changed. */
function useFactChanger({ isError, error, mutate }: ReturnType<typeof useChangeGuide>, session: DraftSession): FactChanger {
  return useMemo(
    () => ({
      isError,
      error,
      change: (to, was) => {
        mutate(to)
        session.doneOutside({ undo: () => mutate(was), redo: () => mutate(to) })
      },
    }),
    [isError, error, mutate, session],
  )
}

/** What the column of facts shows of the document; the same object until one of them changes, not at every key. */
function useFacts(guide: GuideDocument) {
  const { kind, confirmSteps, look, signs, solo } = guide
  const system = factOf(guide, 'system')
  const steps = guide.items.filter((item) => item.kind === 'step').length
  const minutes = minutesToRead(guide)
  return useMemo(
    () => ({ kind, confirmSteps, look, signs, solo, system, steps, minutes }),
    [kind, confirmSteps, look, signs, solo, system, steps, minutes],
  )
}

function EditorDialogs({
  asked,
  draft,
  guide,
  session,
  sizes,
  onApplied,
  onClose,
}: {
  asked: Asked
  draft: Draft
  guide: GuideDocument
  session: DraftSession
  sizes: PictureSizes
  onApplied: () => void
  onClose: () => void
}) {
  if (asked === 'find') return <FindReplace draft={draft} document={guide} session={session} onClose={onClose} />
  if (asked === 'private') return <FindPrivateData guideId={draft.id} document={guide} {...{ sizes, session, onClose }} />
  if (asked === 'save-as')
    return <SaveGuideAs guideId={draft.id} document={guide} published={draft.edition !== null && !draft.archived} draft onClose={onClose} />
  if (asked === 'duplicate') return <DuplicateThis {...{ draft, guide, onClose }} />
  if (asked === 'apply') return <ApplyBlackouts guideId={draft.id} document={guide} {...{ session, onApplied, onClose }} />
  return null
}

function DuplicateThis({ draft, guide, onClose }: { draft: Draft; guide: GuideDocument; onClose: () => void }) {
  const folders = useFolders()
  return (
    <DuplicateDialog
      guide={{ id: draft.id, title: guide.title, folderId: draft.folderId }}
      folders={folders.data ?? []}
      onClose={onClose}
    />
  )
}

/** The ruler beside the sheet. */
function Outline({
  guide,
  selected,
  ticked,
  actions,
  pick,
}: {
  guide: GuideDocument
  selected: ItemId | null
  ticked: ReadonlySet<ItemId>
  actions: ItemActions
  pick: (id: ItemId) => void
}) {
  const { t } = useTexts()
  const [way, setWay] = useState<Way>('read')
  const lacks = useMemo(() => lacksIn(guide, way), [guide, way])
  return (
    <aside className="hidden lg:block border-r border-hair">
      <div className="sticky top-[120px] max-h-[calc(100dvh-120px)] overflow-auto [scrollbar-width:none] p-4 pr-1">
        <WayCheck {...{ way, lacks }} onWay={setWay} />
        <OutlineRuler
          document={guide}
          selected={selected}
          ticked={ticked}
          lacks={lacks}
          onPick={pick}
          onTick={actions.tick}
          onMove={actions.moveAfter}
        />
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
  )
}

/** What the author has to know before writing on. */
function Notices({ archived, trouble, onUnderstood }: { archived: boolean; trouble: string; onUnderstood: () => void }) {
  const { t } = useTexts()
  return (
    <>
      {archived && (
        <div className="mb-4">
          <Message tone="warn" title={t('This guide is archived')}>
            {t('Nobody is given it and nothing can be changed until it is taken out of the archive.')}
          </Message>
        </div>
      )}
      {trouble && (
        <div className="mb-4">
          <Message tone="bad" role="alert" title={trouble}>
            <Button look="quiet" onClick={onUnderstood}>
              {t('Understood')}
            </Button>
          </Message>
        </div>
      )}
    </>
  )
}
