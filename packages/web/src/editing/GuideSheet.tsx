import type { ItemId, Look, PictureSizes } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import type { Editor } from '@tiptap/react'
import { useTexts } from '../ui/words/texts'
import { PendingBlackouts, usePending, usePreferredSides } from '../annotations'
import { Button } from '../ui'
import type { DraftSession, DraftView } from './saving/draftSession'
import type { ItemActions } from './itemActions'
import { itemKindOf } from './itemKinds'
import { AddQuiz } from './steps/AddQuiz'
import type { FocusAt } from './text/StepBody'

/** Grows with its text; a heading is written on as many lines as it needs. */
function GrowingText({
  value,
  label,
  placeholder,
  className,
  onChange,
  maxLength,
}: {
  value: string
  label: string
  placeholder: string
  className: string
  onChange: (text: string) => void
  maxLength: number
}) {
  return (
    <div className={`grid ${className}`}>
      <span aria-hidden className="invisible whitespace-pre-wrap [grid-area:1/1] [overflow-wrap:anywhere]">
        {value || placeholder}{' '}
      </span>
      <textarea
        rows={1}
        value={value}
        maxLength={maxLength}
        aria-label={label}
        placeholder={placeholder}
        className="[grid-area:1/1] resize-none overflow-hidden bg-transparent border-b border-transparent hover:border-hair focus:border-edge"
        onChange={(event) => onChange(event.target.value.replaceAll('\n', ' '))}
      />
    </div>
  )
}

const NONE: readonly never[] = []
/** Those for which something holds; always the same empty list when there are none, so that steps are not drawn anew for nothing. */
const only = <T,>(list: readonly T[], holds: (each: T) => boolean): readonly T[] => (list.some(holds) ? list.filter(holds) : NONE)

type Props = {
  guideId: GuideId
  session: DraftSession
  view: DraftView
  actions: ItemActions
  selected: ItemId | null
  focus: (FocusAt & { id: ItemId }) | null
  uploads: readonly { stepId: StepId; file: string }[]
  sizes: PictureSizes
  look: Look
  round: number
  onBench: { stepId: StepId; pictureId: PictureId } | null
  panelHost: Element | null
  ticked: ReadonlySet<ItemId>
  onEditor: (editor: Editor | null) => void
}

/** The white sheet on which a guide is written: title, summary, steps and headings. */
export function GuideSheet(props: Props) {
  const { session, view, actions } = props
  const { t } = useTexts()
  const guide = view.document
  const last = guide.items.at(-1)?.id ?? null
  return (
    <>
      <GrowingText
        value={guide.title}
        maxLength={300}
        label={t('Title')}
        placeholder={t('Title of the guide')}
        className="font-serif text-2xl leading-9 font-semibold"
        onChange={(title) => session.change({ type: 'set-facts', facts: { title } })}
      />
      <GrowingText
        value={guide.summary}
        maxLength={2000}
        label={t('Summary')}
        placeholder={t('In a sentence or two: what is it for, and when is it used?')}
        className="font-serif text-lg leading-7 text-soft mt-1 mb-2"
        onChange={(summary) => session.change({ type: 'set-facts', facts: { summary } })}
      />
      <ItemSheets {...props} />
      {guide.items.length === 0 && (
        <p className="py-6 text-soft">{t('A guide is a list of steps. Write the first one, or drop pictures on it later.')}</p>
      )}
      <div className="flex flex-wrap gap-2 mt-4">
        <Button onClick={() => actions.addStep(last)}>{t('Add a step')}</Button>
        <Button onClick={() => actions.addSection(last)}>{t('Add a section')}</Button>
        <AddQuiz actions={actions} after={last} />
        <Button onClick={() => actions.record(last)}>{t('Record steps …')}</Button>
      </div>
      {guide.items.length > 0 && (
        <section className="border-t-2 border-ink mt-8 pt-3">
          <h2 className="text-sm font-semibold">{t('At the end')}</h2>
          <GrowingText
            value={guide.closing ?? ''}
            maxLength={2_000}
            label={t('Closing words')}
            placeholder={t('Closing words: what comes next, whom to ask')}
            className="font-serif text-lg leading-7 text-soft mt-1 mb-2"
            onChange={(closing) => session.change({ type: 'set-facts', facts: { closing } })}
          />
        </section>
      )}
    </>
  )
}

/** The steps and headings, one under the other. */
function ItemSheets({ guideId, view, actions, selected, focus, uploads, sizes, look, round, onBench, panelHost, ticked, onEditor }: Props) {
  const guide = view.document
  const sides = usePreferredSides(guide, sizes, look)
  const pending = usePending(guide, sizes)
  let number = 0
  return (
    <PendingBlackouts value={pending}>
      <ol className="border-t-2 border-ink">
        {guide.items.map((item) => {
          const { Sheet } = itemKindOf(item)
          return (
            <Sheet
              key={item.id}
              {...{ item, guideId, actions, sizes, look, round, panelHost, onEditor }}
              selected={selected === item.id}
              focus={focus?.id === item.id ? focus : null}
              conflicts={only(view.conflicts, (conflict) => conflict.itemId === item.id)}
              ticked={ticked.has(item.id)}
              prefer={sides.get(item.id) ?? null}
              onBench={onBench?.stepId === item.id ? onBench.pictureId : null}
              number={item.kind === 'step' ? ++number : 0}
              uploads={only(uploads, (each) => each.stepId === item.id)}
              tools={selected === item.id && ticked.size === 0 && onBench === null}
            />
          )
        })}
      </ol>
    </PendingBlackouts>
  )
}
