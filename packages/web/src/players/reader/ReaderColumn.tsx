import type { QuizAmongSteps, ReaderEdition } from '@jackdaw/contracts/reading'
import { stepName } from '@jackdaw/core/guides'
import { openTo, type Play, type PlayerState } from '@jackdaw/core/players'
import type { Way } from '@jackdaw/core/ways'
import { X } from 'lucide-react'
import { Suspense, useEffect, useMemo, useRef, useState, type RefObject } from 'react'
import { Button, dayOf, lazyPart, StepRuler, whenOf, type RulerMark, TextLink } from '../../ui'
import { useTexts, type Texts } from '../../ui/words/texts'
import { FavouriteMark } from '../../items'
import { isPassedIn } from '../FlatRuler'
import { useIsGuest } from '../readBy'
import { DRAFT } from '../used'
import { usePieces } from '../usePieces'
import { useWhereverOneIs } from '../whereverOneIs'
import { ReaderTools } from './ReaderTools'
import type { View } from './useView'

// Guides that can only be read do without.
export const UseMenu = lazyPart(async () => (await import('../UseMenu')).UseMenu)

/** The ruler's marks for an edition, wherever its reader is. */
function marksOf(
  { document }: ReaderEdition,
  play: Play,
  state: PlayerState,
  quizzes: readonly QuizAmongSteps[],
  t: Texts['t'],
): RulerMark[] {
  let index = -1
  const open = openTo(play, state)
  return document.items.map((item): RulerMark => {
    if (item.kind === 'section') return { id: item.id, kind: 'section', name: item.title }
    const at = isPassedIn(play, state, item.id) ? 'done' : open.has(item.id) ? 'open' : 'shut'
    if (item.kind === 'quiz') {
      const title = quizzes.find(({ guideQuizId }) => guideQuizId === item.id)?.title
      return { id: item.id, kind: 'step', name: title === undefined ? t('Quiz') : t('Quiz: {{title}}', { title }), state: at }
    }
    index++
    return {
      id: item.id,
      kind: 'step',
      name: stepName(item),
      number: index + 1,
      state: at,
      // Only drafts have such parts.
      ...(item.notReady ? { figure: <span className="text-xs text-ochre font-semibold">{t('Not ready')}</span> } : {}),
    }
  })
}

/** So many marks of the ruler are drawn at once: more than fit on a screen. */
const MARKS = 40
/** The ruler's marks for an edition and where its reader is. */
function useMarks(edition: ReaderEdition, play: Play, state: PlayerState, quizzes: readonly QuizAmongSteps[]): RulerMark[] {
  const { t } = useTexts()
  const done = useWhereverOneIs(state)
  const marks = useMemo(() => marksOf(edition, play, done, quizzes, t), [edition, play, done, quizzes, t])
  const [from] = useState(() => marks.findIndex(({ id }) => id === state.at))
  const { there } = usePieces(marks.length, { first: Math.max(from, 0) + MARKS, more: MARKS })
  return marks.slice(0, there).map((mark) => (mark.kind === 'step' && mark.id === state.at ? { ...mark, state: 'here' } : mark))
}

/** Room that is kept above and below the tick where somebody is, in CSS pixels. */
const ROOM_PX = 60
/** Scrolls a column, and nothing else, so that the tick where somebody is can be seen. */
function keepInSight(column: HTMLElement): void {
  const tick = column.querySelector('[aria-current=step]')
  if (!tick) return
  const [frame, at] = [column.getBoundingClientRect(), tick.getBoundingClientRect()]
  if (at.top < frame.top + ROOM_PX) column.scrollTop -= frame.top + ROOM_PX - at.top
  else if (at.bottom > frame.bottom - ROOM_PX) column.scrollTop += at.bottom - frame.bottom + ROOM_PX
}

/** A column that follows where somebody is while the page beside it scrolls. */
function useInSight(at: string | null): RefObject<HTMLDivElement | null> {
  const column = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (at !== null && column.current) keepInSight(column.current)
  }, [at])
  return column
}

/** Beside the text: what is read, what else it can be used for, and the ruler. On a narrow screen it opens over the page. */
export function ReaderColumn({
  edition,
  play,
  state,
  quizzes,
  ways,
  favourite,
  open,
  view,
  onView,
  onPrint,
  onPick,
  onClose,
}: {
  edition: ReaderEdition
  play: Play
  state: PlayerState
  quizzes: readonly QuizAmongSteps[]
  ways: readonly Way[]
  favourite: { favourite: boolean; toggle: () => void }
  open: boolean
  view: View
  onView: (view: View) => void
  onPrint: () => void
  onPick: (id: string) => void
  onClose: () => void
}) {
  const { t } = useTexts()
  const guest = useIsGuest()
  const { document } = edition
  const marks = useMarks(edition, play, state, quizzes)
  const column = useInSight(view === 'page' ? state.at : null)
  return (
    <aside
      className={`${open ? 'fixed inset-0 z-40 bg-page overflow-auto' : 'hidden'} lg:block lg:static lg:bg-transparent border-r border-hair`}
    >
      <div
        ref={column}
        className="lg:sticky lg:top-[var(--preview-bar,56px)] lg:max-h-[calc(100dvh-var(--preview-bar,56px))] overflow-auto p-4"
      >
        <div className="flex justify-between items-center lg:hidden mb-3">
          <strong>{t('Steps')}</strong>
          <Button look="quiet" onClick={onClose}>
            <X size={18} aria-hidden />
            {t('Close')}
          </Button>
        </div>
        <p className="text-sm text-soft mb-1">
          {!guest && (
            <>
              <TextLink to="/">{t('Today')}</TextLink> ·{' '}
            </>
          )}
          {t('Guide {{n}}', { n: edition.number })}
        </p>
        <div className="flex items-start gap-2 mb-1">
          <p className="font-serif text-lg leading-6 grow">{document.title}</p>
          {edition.edition !== DRAFT && !guest && <FavouriteMark {...favourite} className="-mt-1.5" />}
        </div>
        <p className="text-sm text-soft mb-4">
          {edition.edition === DRAFT
            ? t('Draft of {{owner}}', { owner: edition.owner })
            : `${t('Edition {{n}}', { n: edition.edition })}, ${whenOf(edition.publishedAt)}`}{' '}
          · {t('{{minutes}} min', { minutes: edition.minutes })}
          {edition.dueOn && !state.finished ? ` · ${t('due {{day}}', { day: dayOf(edition.dueOn) })}` : ''}
        </p>
        <div className="mb-4 flex flex-wrap items-center gap-x-4 gap-y-2">
          {ways.length > 1 && (
            <Suspense>
              <UseMenu guideId={edition.guideId} ways={ways} place="column" />
            </Suspense>
          )}
        </div>
        {edition.edition !== DRAFT && <ReaderTools {...{ edition, view, onView, onPrint }} at={view === 'steps' ? state.at : null} />}
        <StepRuler marks={marks} label={t('Steps')} onPick={onPick} />
      </div>
    </aside>
  )
}
