import { type GuideId, nth, type PictureId } from '@jackdaw/core/shared'
import { getDraftPicture } from '@jackdaw/contracts/pictures'
import type { Side } from '@jackdaw/core/annotations'
import { elementOf, type Look, type PictureSizes, type Rect, type Step, type StepPicture } from '@jackdaw/core/guides'
import { ArrowLeft, ArrowRight, PencilRuler, Trash2 } from 'lucide-react'
import { memo, Suspense, useCallback, useRef, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { AnnotatedPicture, useNear } from '../../annotations'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { Button, IconButton, lazyPart } from '../../ui'
import { FoundPrivately } from '../blackouts/Blackouts'
import type { ItemActions } from '../itemActions'

const Bench = lazyPart(async () => (await import('../../annotations/bench')).Bench)

/** What is needed to draw the pictures of a step. */
export type PictureGround = {
  guideId: GuideId
  sizes: PictureSizes
  look: Look
  prefer: Side | null
  /** Counts up when stored pictures have changed, so that the browser asks for them anew. */
  round: number
}

const PICTURE_TYPES = 'image/png,image/jpeg,image/webp,image/gif'

/** A button that lets somebody choose a picture. */
function ChoosePicture({ children, onFile }: { children: ReactNode; onFile: (file: File) => void }) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button look="quiet" className="text-sm px-2" onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={PICTURE_TYPES}
        hidden
        onChange={(event) => {
          const [file] = event.target.files ?? []
          if (file) onFile(file)
          event.target.value = ''
        }}
      />
    </>
  )
}

/** The pictures of a step on the author's sheet, one of which may be on the bench. */
export const StepPictures = memo(function StepPictures({
  ground,
  step,
  number,
  actions,
  uploads,
  onBench,
  panelHost,
}: {
  ground: PictureGround
  step: Step
  number: number
  actions: ItemActions
  uploads: readonly { file: string }[]
  onBench: PictureId | null
  panelHost: Element | null
}) {
  const { t } = useTexts()
  const { guideId, round } = ground
  const source = useCallback(
    (id: PictureId) =>
      `${addressOf(getDraftPicture, { id: guideId, pictureId: id }, { size: 'screen' })}${round > 0 ? `&round=${round}` : ''}`,
    [guideId, round],
  )
  // What is drawn on takes the room under the step's number, too: its labels are then as large as they are read.
  const wide = onBench !== null || step.pictures.some((picture) => isLarge(step, picture))
  return (
    <ul className={`flex flex-wrap gap-3 mt-3 ${wide ? 'lg:-ml-14' : ''}`} aria-label={t('Pictures of step {{n}}', { n: number })}>
      {step.pictures.map((picture, index) => (
        <PictureOf
          key={picture.id}
          {...{ ground, step, number, picture, index, source, actions, panelHost }}
          onBench={onBench === picture.id}
        />
      ))}
      {uploads.map(({ file }) => (
        <li key={file} role="status" className="w-56 border border-dashed border-edge p-3 text-sm text-soft">
          {t('Storing {{file}} …', { file })}
        </li>
      ))}
    </ul>
  )
})

/** One picture of a step. What can be done with it is drawn once it is near the screen: a guide may have hundreds. */
function PictureOf({
  ground,
  step,
  number,
  picture,
  index,
  source,
  actions,
  panelHost,
  onBench,
}: {
  ground: PictureGround
  step: Step
  number: number
  picture: StepPicture
  index: number
  source: (id: PictureId) => string
  actions: ItemActions
  panelHost: Element | null
  onBench: boolean
}) {
  const { t } = useTexts()
  const box = useRef<HTMLLIElement>(null)
  const near = useNear(box)
  return (
    <li ref={box} className={`${isLarge(step, picture) || onBench ? 'w-full' : 'w-56'} border border-hair p-1.5 bg-page`}>
      {onBench ? (
        <Suspense fallback={<p className="p-4 text-soft">{t('Getting the tools …')}</p>}>
          <Bench
            {...{ step, number, picture, source, panelHost }}
            sizes={ground.sizes}
            look={ground.look}
            prefer={ground.prefer}
            change={actions.change}
            onClose={() => actions.openBench(null)}
            more={<MoreTools {...{ step, picture, actions }} />}
            found={(add: (areas: readonly Rect[]) => void) =>
              picture.sheet ? null : <FoundPrivately guideId={ground.guideId} pictureId={picture.id} add={add} />
            }
          />
        </Suspense>
      ) : (
        <div className="relative">
          <AnnotatedPicture {...{ step, picture, source }} sizes={ground.sizes} look={ground.look} prefer={ground.prefer} near={near} />
          <button
            type="button"
            className="absolute inset-0 w-full cursor-pointer hover:outline-2 hover:outline-petrol"
            aria-label={t('Annotate picture {{n}}', { n: index + 1 })}
            onClick={() => actions.openBench({ stepId: step.id, pictureId: picture.id })}
          />
        </div>
      )}
      <input
        key={picture.alt}
        defaultValue={picture.alt}
        maxLength={1000}
        aria-label={t('What picture {{n}} shows', { n: index + 1 })}
        placeholder={t('What does it show?')}
        className="w-full text-sm mt-1 px-1 min-h-8 bg-sheet border border-edge"
        onBlur={(event) => event.target.value !== picture.alt && actions.setAlt(step.id, picture.id, event.target.value)}
      />
      {near ? <PictureTools {...{ step, picture, index, actions, onBench }} /> : <div className="h-9" />}
    </li>
  )
}

function PictureTools({
  step,
  picture,
  index,
  actions,
  onBench,
}: {
  step: Step
  picture: StepPicture
  index: number
  actions: ItemActions
  onBench: boolean
}) {
  const { t } = useTexts()
  return (
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
        onClick={() => actions.movePicture(step.id, picture.id, nth(step.pictures, index + 1).id)}
      >
        <ArrowRight size={16} aria-hidden />
      </IconButton>
      {!onBench && (
        <Button look="quiet" className="text-sm px-2" onClick={() => actions.openBench({ stepId: step.id, pictureId: picture.id })}>
          <PencilRuler size={16} aria-hidden />
          {t('Annotate')}
        </Button>
      )}
      <span className="grow" />
      <IconButton name={t('Remove picture {{n}}', { n: index + 1 })} onClick={() => actions.removePicture(step.id, picture.id)}>
        <Trash2 size={16} aria-hidden />
      </IconButton>
    </div>
  )
}

/** What is drawn on can be seen; other pictures are small until somebody annotates them. */
const isLarge = (step: Step, picture: StepPicture): boolean =>
  Boolean(picture.sheet) || (picture.annotations?.length ?? 0) > 0 || elementOf(step)?.pictureId === picture.id

function MoreTools({ step, picture, actions }: { step: Step; picture: StepPicture; actions: ItemActions }) {
  const { t } = useTexts()
  if (picture.sheet)
    return <ChoosePicture onFile={(file) => actions.layPicture(step.id, picture.id, file)}>{t('Lay a picture on it …')}</ChoosePicture>
  return <ChoosePicture onFile={(file) => actions.replacePicture(step.id, picture.id, file)}>{t('Replace the picture …')}</ChoosePicture>
}
