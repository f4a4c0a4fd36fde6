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
import { itemName, type Change, type GuideDocument, type ItemId, type PictureSizes, type Step, type StepField } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import { nanoid } from 'nanoid'
import { useMemo, useState } from 'react'
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
export function ManyBar({ draft, document, ids, sizes, session, onClear }: Props) {
  const { t } = useTexts()
  const [asked, setAsked] = useState<Asked>(null)
  const copied = useCopied()
  const items = chosenItems(document, ids)
  const steps = chosenSteps(document, ids)
  const done = () => {
    setAsked(null)
    onClear()
  }
  if (items.length === 0) return null
  const quiet = 'text-sm px-2 text-white hover:bg-petrol'
  const allFlagged = items.every((item) => item.notReady)
  return (
    <div
      role="toolbar"
      aria-label={t('With the chosen steps')}
      className="fixed bottom-0 inset-x-0 z-30 bg-ink text-white flex flex-wrap items-center gap-1 px-4 py-2"
      data-keeps-editor
    >
      <strong className="mr-2">{t('{{count}} chosen', { count: items.length })}</strong>
      <Button look="quiet" className={quiet} disabled={steps.length < 2} onClick={() => setAsked('combine')}>
        {t('Join into one step …')}
      </Button>
      <Button look="quiet" className={quiet} onClick={() => setAsked('move')}>
        {t('Move …')}
      </Button>
      <Button look="quiet" className={quiet} onClick={() => session.change(...insertItems(copiesOf(items, nanoid), items.at(-1)!.id))}>
        {t('Duplicate')}
      </Button>
      <Button look="quiet" className={quiet} disabled={steps.length === 0} onClick={() => setAsked('other-guide')}>
        {t('To another guide …')}
      </Button>
      <Button look="quiet" className={quiet} disabled={steps.length === 0} onClick={() => setAsked('set')}>
        {t('Caution or sign …')}
      </Button>
      <Button
        look="quiet"
        className={quiet}
        onClick={() => session.change(...items.map((item) => ({ type: 'set-not-ready' as const, itemId: item.id, notReady: !allFlagged })))}
      >
        {allFlagged ? t('They are ready') : t('Mark as not ready')}
      </Button>
      {copied.annotations.length > 0 && (
        <Button
          look="quiet"
          className={quiet}
          disabled={steps.length === 0}
          onClick={() => session.change(...pasteAnnotations(copied.annotations, steps, nanoid))}
        >
          {t('Paste {{n}} annotations', { n: copied.annotations.length })}
        </Button>
      )}
      {copied.position && <PastePosition {...{ session, steps }} position={copied.position} className={quiet} />}
      <Button
        look="quiet"
        className={quiet}
        onClick={() => {
          session.change(...removeItems(items.map((item) => item.id)))
          onClear()
        }}
      >
        {t('Delete')}
      </Button>
      <span className="grow" />
      <Button look="quiet" className={quiet} onClick={onClear}>
        {t('Choose none')}
      </Button>
      {asked === 'combine' && (
        <CombineDialog
          {...{ document, steps, sizes }}
          onClose={() => setAsked(null)}
          onCombine={(keep) => {
            session.change(...combineSteps(steps, keep, sizes).changes)
            done()
          }}
        />
      )}
      {asked === 'move' && (
        <MoveDialog
          document={document}
          ids={ids}
          onClose={() => setAsked(null)}
          onMove={(after) => {
            session.change(...moveItems(document, ids, after))
            done()
          }}
        />
      )}
      {asked === 'set' && (
        <SetOnAll
          steps={steps}
          onClose={() => setAsked(null)}
          onSet={(changes) => {
            session.change(...changes)
            done()
          }}
        />
      )}
      {asked === 'other-guide' && <ToOtherGuide {...{ draft, session, items }} onClose={() => setAsked(null)} onDone={done} />}
    </div>
  )
}

function PastePosition({
  session,
  steps,
  position,
  className,
}: {
  session: DraftSession
  steps: ReturnType<typeof chosenSteps>
  position: Position
  className: string
}) {
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
    <Button look="quiet" className={className} disabled={changes.length === 0} onClick={() => session.change(...changes)}>
      {t('Paste the position to {{n}}', { n: changes.length })}
    </Button>
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
