import { END, indexOf, numberAt } from '@jackdaw/core/flow'
import { canFinish, choicesAt, isClosed, isWaiting, type Play, type PlayerState } from '@jackdaw/core/players'
import { ArrowLeft, ArrowRight, Check, ListOrdered } from 'lucide-react'
import { useTexts } from '../../ui/words/texts'
import { Button, ButtonLink } from '../../ui'
import { useIsGuest } from '../readBy'
import type { Doing } from '../usePlayer'

/** Where a step stands, from 0; the number of steps for the end. */
export const placeAt = ({ script }: Play, id: string): number => (id === END ? script.steps.length : indexOf(script, id))

/** The one thing to do next: confirm, go on, say "Done", or leave. */
function Onward({ play, state, act, className }: { play: Play; state: PlayerState; act: (doing: Doing) => void; className: string }) {
  const { t } = useTexts()
  const guest = useIsGuest()
  const look = { look: 'primary' as const, className, 'data-onward': true }
  // There is nothing beside the guide for a guest.
  if (state.at === END && state.finished && guest) return null
  if (state.at === END && state.finished)
    return (
      <ButtonLink to="/" {...look}>
        {t('Go to Today')}
      </ButtonLink>
    )
  if (state.at === END)
    return (
      <Button {...look} disabled={!canFinish(play, state)} onClick={() => act({ type: 'finish' })}>
        <Check size={20} aria-hidden />
        {t('Done')}
      </Button>
    )
  if (isWaiting(play, state, state.at))
    return (
      <Button {...look} onClick={() => document.querySelector<HTMLElement>('[data-caution] button')?.focus()}>
        {t('Read the caution')}
      </Button>
    )
  const quiz = play.script.steps[placeAt(play, state.at)]?.quiz ?? null
  if (quiz !== null && isClosed(play, state, state.at))
    return (
      <Button {...look} onClick={() => document.querySelector<HTMLElement>('[data-quiz-on]')?.focus()}>
        {t('To the quiz')}
      </Button>
    )
  if (quiz === null && play.script.confirmSteps && !state.confirmed.includes(state.at))
    return (
      <Button {...look} onClick={() => act({ type: 'confirm' })}>
        <Check size={20} aria-hidden />
        {t('Confirm')}
      </Button>
    )
  if (choicesAt(play, state))
    return (
      <Button {...look} onClick={() => document.querySelector<HTMLElement>('[data-ways] button')?.focus()}>
        <span className="sm:hidden">{t('Choose')}</span>
        <span className="max-sm:hidden">{t('Choose how it goes on')}</span>
      </Button>
    )
  return (
    <Button {...look} onClick={() => act({ type: 'next' })}>
      {placeAt(play, state.at) === play.script.steps.length - 1 ? t('To the end') : t('Next')}
      <ArrowRight size={20} aria-hidden />
    </Button>
  )
}

/** The next action, always at the bottom and always in the same place. */
export function ReaderBar({
  play,
  state,
  act,
  waits,
  openRuler,
}: {
  play: Play
  state: PlayerState
  act: (doing: Doing) => void
  /** Why a key did not lead on, in words. */
  waits: string
  openRuler: () => void
}) {
  const { t } = useTexts()
  const wide = 'min-h-14 text-lg'
  const at = placeAt(play, state.at)
  const [n, of] = [numberAt(play.script, at), numberAt(play.script, play.script.steps.length)]
  return (
    <div className="fixed bottom-0 inset-x-0 lg:left-[264px] bg-sheet border-t border-hair z-20">
      <div className="max-w-[860px] mx-auto px-4 md:px-8 py-2 flex items-center gap-2">
        <Button className={`${wide} px-4 sm:px-5`} onClick={() => act({ type: 'back' })} disabled={at === 0}>
          <ArrowLeft size={20} aria-hidden />
          <span className="max-sm:sr-only">{t('Back')}</span>
        </Button>
        <button
          type="button"
          className="lg:hidden grow min-h-14 text-sm text-petrol whitespace-nowrap inline-flex items-center justify-center gap-2"
          onClick={openRuler}
          aria-label={t('{{at}} / {{of}}, all steps', { at: n, of })}
        >
          <ListOrdered size={18} aria-hidden />
          {n} / {of}
        </button>
        <span role="status" className="hidden lg:block grow text-center text-sm">
          {waits ? <strong className="text-ochre">{waits}</strong> : <span className="text-soft">{t('Keys ← and → turn the steps')}</span>}
        </span>
        <Onward {...{ play, state, act }} className={`${wide} px-6`} />
      </div>
    </div>
  )
}
