import { Button, chosen, Select } from '../../ui'
import type { Draft } from '@jackdaw/contracts/guides'
import {
  chosenItems,
  chosenSteps,
  combinedText,
  combineSteps,
  copiesOf,
  insertItems,
  moveItems,
  pasteAnnotations,
  removeItems,
  withPosition,
  type KeptPictures,
  type Position,
} from '@jackdaw/core/editing'
import {
  itemName,
  type Change,
  type GuideDocument,
  type GuideItem,
  type ItemId,
  type PictureSizes,
  type Step,
  type StepField,
} from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import { nanoid } from 'nanoid'
import { useMemo, useState, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useCopied } from '../../annotations'
import { Dialog } from '../../ui/over/Dialog'
import type { DraftSession } from '../saving/draftSession'
import type { ItemActions } from '../itemActions'
import { SetOnAll } from './SetOnAll'
import { ToOtherGuide } from './ToOtherGuide'

type Props = {
  draft: Draft
  document: GuideDocument
  ids: ReadonlySet<ItemId>
  sizes: PictureSizes
  session: DraftSession
  actions: ItemActions
  onClear: () => void
}
type Asked = 'combine' | 'move' | 'set' | 'other-guide' | null

/** What can be done with the chosen steps, at the bottom of the page. Each is undone in one go. */
export function ManyBar(props: Props) {
  const { t } = useTexts()
  const { document, ids, onClear } = props
  const [asked, setAsked] = useState<Asked>(null)
  const items = chosenItems(document, ids)
  if (items.length === 0) return null
  return (
    <div
      role="toolbar"
      aria-label={t('With the chosen steps')}
      className="fixed bottom-0 inset-x-0 z-30 bg-ink text-white flex flex-wrap items-center gap-1 px-4 py-2"
      data-keeps-editor
    >
      <strong className="mr-2">{t('{{count}} chosen', { count: items.length })}</strong>
      <ManyActions {...props} items={items} onAsk={setAsked} />
      <span className="grow" />
      <Quiet onClick={onClear}>{t('Choose none')}</Quiet>
      <ManyDialogs {...props} {...{ items, asked }} onClose={() => setAsked(null)} />
    </div>
  )
}

const QUIET = 'text-sm px-2 text-white hover:bg-petrol'
const Quiet = ({ children, ...rest }: { children: ReactNode; disabled?: boolean; onClick: () => void }) => (
  <Button look="quiet" className={QUIET} {...rest}>
    {children}
  </Button>
)

type Chosen = Props & { items: readonly GuideItem[] }

function ManyActions({ document, ids, session, items, onClear, onAsk }: Chosen & { onAsk: (asked: Asked) => void }) {
  const { t } = useTexts()
  const copied = useCopied()
  const steps = chosenSteps(document, ids)
  const noSteps = steps.length === 0
  const allFlagged = items.every((item) => item.notReady)
  const flag = () => session.change(...items.map((item) => ({ type: 'set-not-ready' as const, itemId: item.id, notReady: !allFlagged })))
  const remove = () => {
    session.change(...removeItems(items.map((item) => item.id)))
    onClear()
  }
  return (
    <>
      <Quiet disabled={steps.length < 2} onClick={() => onAsk('combine')}>
        {t('Join into one step …')}
      </Quiet>
      <Quiet onClick={() => onAsk('move')}>{t('Move …')}</Quiet>
      <Quiet onClick={() => session.change(...insertItems(copiesOf(items, nanoid), items.at(-1)!.id))}>{t('Duplicate')}</Quiet>
      <Quiet disabled={noSteps} onClick={() => onAsk('other-guide')}>
        {t('To another guide …')}
      </Quiet>
      <Quiet disabled={noSteps} onClick={() => onAsk('set')}>
        {t('Caution or sign …')}
      </Quiet>
      <Quiet onClick={flag}>{allFlagged ? t('They are ready') : t('Mark as not ready')}</Quiet>
      {copied.annotations.length > 0 && (
        <Quiet disabled={noSteps} onClick={() => session.change(...pasteAnnotations(copied.annotations, steps, nanoid))}>
          {t('Paste {{n}} annotations', { n: copied.annotations.length })}
        </Quiet>
      )}
      {copied.position && <PastePosition {...{ session, steps }} position={copied.position} />}
      <Quiet onClick={remove}>{t('Delete')}</Quiet>
    </>
  )
}

/** What has to be asked first. */
function ManyDialogs({
  asked,
  draft,
  document,
  ids,
  sizes,
  session,
  items,
  onClear,
  onClose,
}: Chosen & { asked: Asked; onClose: () => void }) {
  const steps = chosenSteps(document, ids)
  const done = () => {
    onClose()
    onClear()
  }
  const change = (changes: readonly Change[]) => {
    session.change(...changes)
    done()
  }
  switch (asked) {
    case 'combine':
      return (
        <CombineDialog {...{ document, steps, sizes, onClose }} onCombine={(keep) => change(combineSteps(steps, keep, sizes).changes)} />
      )
    case 'move':
      return <MoveDialog {...{ document, ids, onClose }} onMove={(after) => change(moveItems(document, ids, after))} />
    case 'set':
      return <SetOnAll steps={steps} onClose={onClose} onSet={change} />
    case 'other-guide':
      return <ToOtherGuide {...{ draft, session, items, onClose }} onDone={done} />
    case null:
      return null
  }
}

function PastePosition({ session, steps, position }: { session: DraftSession; steps: ReturnType<typeof chosenSteps>; position: Position }) {
  const { t } = useTexts()
  const changes = steps.flatMap((step) =>
    step.pictures.flatMap((picture) =>
      (picture.annotations ?? []).flatMap((annotation): Change[] => {
        const next = withPosition(annotation, position)
        const same = JSON.stringify(next) === JSON.stringify(annotation)
        return same ? [] : [{ type: 'put-annotation', stepId: step.id, pictureId: picture.id, annotation: next, after: null }]
      }),
    ),
  )
  return (
    <Quiet disabled={changes.length === 0} onClick={() => session.change(...changes)}>
      {t('Paste the position to {{n}}', { n: changes.length })}
    </Quiet>
  )
}

function CombineDialog({
  document,
  steps,
  sizes,
  onClose,
  onCombine,
}: {
  document: GuideDocument
  steps: readonly Step[]
  sizes: PictureSizes
  onClose: () => void
  onCombine: (keep: KeptPictures) => void
}) {
  const { t } = useTexts()
  const pictures = new Set(steps.flatMap((step) => step.pictures.map((picture) => picture.id))).size
  const lost = useMemo(() => combineSteps(steps, 'all', sizes).lost, [steps, sizes])
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Join into one step')}
      about={t('The texts are joined in this order. It can be undone in one go.')}
    >
      <p className="guide-text whitespace-pre-line border-l-2 border-hair pl-3 max-h-56 overflow-auto mb-4">{combinedText(steps)}</p>
      {lost.length > 0 && (
        <div className="border-2 border-ochre bg-sheet p-3 mb-4 max-h-40 overflow-auto">
          <p className="font-semibold text-ochre">{t('A step can have only one of each. This would be lost:')}</p>
          <ul className="list-disc pl-5">
            {lost.map(({ stepId, field }) => (
              <li key={`${stepId} ${field}`}>
                {lostWords(field, t)} · {itemName(document, stepId)}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <Button look="primary" onClick={() => onCombine('first')}>
          {pictures > 0 ? t('Join, keep the first picture') : t('Join')}
        </Button>
        {pictures > 1 && <Button onClick={() => onCombine('all')}>{t('Join, keep all {{n}} as a sequence', { n: pictures })}</Button>}
      </div>
    </Dialog>
  )
}

/** What of a step is lost by combining, in words; the other fields are all joined. */
function lostWords(field: StepField, t: TFunction): string {
  switch (field) {
    case 'action':
      return t('What is done on screen')
    case 'element':
      return t('The element that it is about')
    case 'exercise':
      return t('The exercise')
    case 'flow':
      return t('The choices and rules where to go on')
    default:
      return t('A part of it')
  }
}

function MoveDialog({
  document,
  ids,
  onClose,
  onMove,
}: {
  document: GuideDocument
  ids: ReadonlySet<ItemId>
  onClose: () => void
  onMove: (after: ItemId | null) => void
}) {
  const { t } = useTexts()
  const [after, setAfter] = useState<ItemId | ''>('')
  return (
    <Dialog open onClose={onClose} title={t('Move to another place')}>
      <form
        onSubmit={(event) => {
          event.preventDefault()
          onMove(after || null)
        }}
      >
        <Select label={t('Behind')} value={after} onChange={chosen((value: ItemId | '') => setAfter(value))}>
          <option value="">{t('At the beginning')}</option>
          {document.items
            .filter((item) => !ids.has(item.id))
            .map((item) => (
              <option key={item.id} value={item.id}>
                {itemName(document, item.id)}
              </option>
            ))}
        </Select>
        <Button look="primary" type="submit" className="mt-4">
          {t('Move {{count}} here', { count: ids.size })}
        </Button>
      </form>
    </Dialog>
  )
}
