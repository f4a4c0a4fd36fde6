import { getDraftPicture } from '@jackdaw/contracts/guides'
import type { DraftConflict } from '@jackdaw/contracts/guides'
import { stepName, type GuideItem, type Section, type Step } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import type { Editor } from '@tiptap/react'
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Copy, Heading, ImagePlus, Plus, Trash2 } from 'lucide-react'
import { memo, useRef, useState, type DragEvent } from 'react'
import { useTranslation } from 'react-i18next'
import { addressOf } from '../api'
import { Button, IconButton } from '../ui'
import { ConflictPanel } from './ConflictPanel'
import type { ItemActions } from './itemActions'
import { StepBody } from './StepBody'

type Common = { guideId: GuideId; actions: ItemActions; selected: boolean; focus: boolean; conflicts: readonly DraftConflict[] }

const holdsFiles = (event: DragEvent): boolean => event.dataTransfer.types.includes('Files')

/** One step on the author's sheet: number, text, pictures, and what can be done with it. */
export const StepSheet = memo(function StepSheet({
  guideId,
  step,
  number,
  actions,
  selected,
  focus,
  conflicts,
  uploads,
  onEditor,
}: Common & { step: Step; number: number; uploads: readonly { file: string }[]; onEditor: (editor: Editor | null) => void }) {
  const { t } = useTranslation()
  const [over, setOver] = useState(false)
  const picker = useRef<HTMLInputElement>(null)
  const name = stepName(step) || t('Step {{n}}', { n: number })
  return (
    <li
      id={`item-${step.id}`}
      data-step={step.id}
      className={`relative grid grid-cols-[44px_minmax(0,1fr)] gap-x-3 pt-4 pb-3 border-b border-hair scroll-mt-32 ${over ? 'outline-2 outline-dashed outline-petrol' : ''}`}
      onFocusCapture={() => actions.select(step.id)}
      onDragOver={(event) => {
        if (holdsFiles(event)) {
          event.preventDefault()
          setOver(true)
        }
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        if (holdsFiles(event)) {
          event.preventDefault()
          setOver(false)
          actions.addPictures(step.id, [...event.dataTransfer.files])
        }
      }}
    >
      <span
        className={`mt-1.5 h-7 w-9 flex items-center justify-center text-sm font-semibold tabular-nums [clip-path:polygon(0_0,calc(100%-7px)_0,100%_7px,100%_100%,0_100%)] ${selected ? 'bg-petrol text-white' : 'bg-ink text-white'}`}
        aria-hidden
      >
        {number}
      </span>
      <div className="min-w-0">
        <StepBody
          body={step.body}
          label={t('Text of step {{n}}', { n: number })}
          autoFocus={focus}
          onChange={(body) => actions.setBody(step.id, body)}
          onEditor={onEditor}
          onPictures={(files) => actions.addPictures(step.id, files)}
          onNewStep={() => actions.addStep(step.id)}
        />
        {(step.pictures.length > 0 || uploads.length > 0) && <StepPictures {...{ guideId, step, number, actions, uploads }} />}
        {conflicts.map((conflict) => (
          <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
        ))}
        <div className={`flex flex-wrap items-center gap-x-1 mt-1 ${selected ? '' : 'sr-only focus-within:not-sr-only'}`} data-keeps-editor>
          <Button look="quiet" className="text-sm px-2" onClick={() => picker.current?.click()} title={t('Or drop or paste it')}>
            <ImagePlus size={16} aria-hidden />
            {t('Picture')}
          </Button>
          <input
            ref={picker}
            type="file"
            accept="image/png,image/jpeg,image/webp,image/gif"
            multiple
            hidden
            onChange={(event) => {
              actions.addPictures(step.id, [...(event.target.files ?? [])])
              event.target.value = ''
            }}
          />
          <Button look="quiet" className="text-sm px-2" onClick={() => actions.addStep(step.id)} title="Ctrl+Enter">
            <Plus size={16} aria-hidden />
            {t('Step after')}
          </Button>
          <Button look="quiet" className="text-sm px-2" onClick={() => actions.addSection(step.id)}>
            <Heading size={16} aria-hidden />
            {t('Section after')}
          </Button>
          <span className="grow" />
          <ItemTools name={name} itemId={step.id} actions={actions} copies />
        </div>
      </div>
    </li>
  )
})

function StepPictures({
  guideId,
  step,
  number,
  actions,
  uploads,
}: {
  guideId: GuideId
  step: Step
  number: number
  actions: ItemActions
  uploads: readonly { file: string }[]
}) {
  const { t } = useTranslation()
  return (
    <ul className="flex flex-wrap gap-3 mt-3" aria-label={t('Pictures of step {{n}}', { n: number })}>
      {step.pictures.map((picture, index) => (
        <li key={picture.id} className="w-56 border border-hair p-1.5 bg-page">
          <img
            src={addressOf(getDraftPicture, { id: guideId, pictureId: picture.id }, { size: 'thumb' })}
            alt={picture.alt}
            className="w-full h-36 object-contain bg-sheet"
            loading="lazy"
          />
          <input
            key={picture.alt}
            defaultValue={picture.alt}
            maxLength={1000}
            aria-label={t('What picture {{n}} shows', { n: index + 1 })}
            placeholder={t('What does it show?')}
            className="w-full text-sm mt-1 px-1 min-h-8 bg-sheet border border-edge"
            onBlur={(event) => event.target.value !== picture.alt && actions.setAlt(step.id, picture.id, event.target.value)}
          />
          <div className="flex">
            <IconButton
              name={t('Move picture {{n}} forward', { n: index + 1 })}
              disabled={index === 0}
              onClick={() => actions.movePicture(step.id, picture.id, step.pictures[index - 2]?.id ?? null)}
            >
              <ArrowLeft size={16} aria-hidden />
            </IconButton>
            <IconButton
              name={t('Move picture {{n}} back', { n: index + 1 })}
              disabled={index === step.pictures.length - 1}
              onClick={() => actions.movePicture(step.id, picture.id, step.pictures[index + 1]!.id)}
            >
              <ArrowRight size={16} aria-hidden />
            </IconButton>
            <span className="grow" />
            <IconButton name={t('Remove picture {{n}}', { n: index + 1 })} onClick={() => actions.removePicture(step.id, picture.id)}>
              <Trash2 size={16} aria-hidden />
            </IconButton>
          </div>
        </li>
      ))}
      {uploads.map(({ file }) => (
        <li key={file} role="status" className="w-56 border border-dashed border-edge p-3 text-sm text-soft">
          {t('Storing {{file}} …', { file })}
        </li>
      ))}
    </ul>
  )
}

function ItemTools({
  name,
  itemId,
  actions,
  copies = false,
}: {
  name: string
  itemId: GuideItem['id']
  actions: ItemActions
  copies?: boolean
}) {
  const { t } = useTranslation()
  return (
    <>
      <IconButton name={t('Move up: {{name}}', { name })} onClick={() => actions.move(itemId, -1)}>
        <ArrowUp size={16} aria-hidden />
      </IconButton>
      <IconButton name={t('Move down: {{name}}', { name })} onClick={() => actions.move(itemId, 1)}>
        <ArrowDown size={16} aria-hidden />
      </IconButton>
      {copies && (
        <IconButton name={t('Duplicate: {{name}}', { name })} onClick={() => actions.duplicate(itemId)}>
          <Copy size={16} aria-hidden />
        </IconButton>
      )}
      <IconButton name={t('Delete: {{name}}', { name })} onClick={() => actions.remove(itemId)}>
        <Trash2 size={16} aria-hidden />
      </IconButton>
    </>
  )
}

/** A section heading on the author's sheet. */
export const SectionSheet = memo(function SectionSheet({
  section,
  actions,
  selected,
  focus,
  conflicts,
}: Omit<Common, 'guideId'> & { section: Section }) {
  const { t } = useTranslation()
  return (
    <li id={`item-${section.id}`} className="pt-7 pb-2 scroll-mt-32" onFocusCapture={() => actions.select(section.id)}>
      <div className="flex items-center gap-2">
        <span className="h-0.5 w-9 bg-ink shrink-0" aria-hidden />
        <input
          value={section.title}
          autoFocus={focus}
          maxLength={300}
          aria-label={t('Section heading')}
          placeholder={t('Section heading')}
          className="grow min-w-0 font-serif text-xl bg-transparent border-b border-transparent hover:border-hair focus:border-edge"
          onChange={(event) => actions.setSectionTitle(section.id, event.target.value)}
        />
        <div className={`flex ${selected ? '' : 'sr-only focus-within:not-sr-only'}`}>
          <IconButton name={t('Step after this heading')} onClick={() => actions.addStep(section.id)}>
            <Plus size={16} aria-hidden />
          </IconButton>
          <ItemTools name={section.title || t('Section heading')} itemId={section.id} actions={actions} />
        </div>
      </div>
      {conflicts.map((conflict) => (
        <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
      ))}
    </li>
  )
})
