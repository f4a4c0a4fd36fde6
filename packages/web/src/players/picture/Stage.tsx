import { ArrowLeft, LogOut, Maximize2, MessageSquareWarning, Minimize2 } from 'lucide-react'
import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react'
import { useKeys } from '../../ui/keys/useKeys'
import { useTexts } from '../../ui/words/texts'
import type { About } from '../../remarks'
import { RemarkForm } from '../../remarks/RemarkForm'
import { Button } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { NotReadyStrip } from '../../guides/NotReadyStrip'
import { SafetyBar, SafetyFirst, SafetyStrip, type StageSafety } from '../safety/SafetyFirst'

/** A step on the ruler that lies along the top. */
export type FlatMark = { id: string; state: 'done' | 'here' | 'open' | 'missed' }
const MARK = { done: 'h-2.5 bg-moss', here: 'h-4 bg-kingfisher', open: 'h-1.5 bg-edge', missed: 'h-2.5 bg-brick' }

type StageProps = {
  way: string
  title: string
  where: string
  marks: readonly FlatMark[]
  children: ReactNode
  bar: ReactNode
  leaving: boolean
  onAskOut: () => void
  onStay: () => void
  onLeave: () => void
  /** What becomes of what was done so far. */
  kept: string
  outWords?: string
  /** What has to be known before the step is done: asked of every way of use; `null` at the end. */
  safety: StageSafety | null
  /** What Escape closes before it asks to leave. */
  closes?: (() => void) | null
  /** Of a draft: what its author says is missing at this step; `null` when nothing is. */
  notReady?: string | null
  /** The step of which somebody may say that something is wrong. */
  about?: About | null
  /** Something about the connection that has to be known. */
  notice?: string
}

/** The whole window for a player: where one is, the way out, and what is to be done next at the bottom. Escape asks before leaving, in
 * full screen too. */
export function Stage(props: StageProps) {
  const { way, title, marks, bar, leaving, onAskOut, notice = '', safety, closes = null, about = null } = props
  const [telling, setTelling] = useState(false)
  useEffect(() => setTelling(false), [about?.stepId])
  useKeys(leaving ? {} : { leave: () => (closes ? closes() : onAskOut()) })
  return (
    <div className="h-[calc(100dvh-var(--preview-bar,0px))] flex flex-col bg-page" data-stage>
      <title>{`${way}: ${title} – Jackdaw`}</title>
      <StageHead {...props} onTell={() => setTelling((now) => !now)} />
      <FlatMarks marks={marks} />
      {telling && about && (
        <div className="px-4 md:px-6 pb-3 bg-sheet max-h-[50dvh] overflow-auto shrink-0">
          <RemarkForm about={about} onClose={() => setTelling(false)} />
        </div>
      )}
      {notice && (
        <p role="status" className="bg-ochre text-white px-4 py-1.5 text-sm shrink-0">
          {notice}
        </p>
      )}
      <main id="main" tabIndex={-1} className="grow min-h-0 overflow-auto outline-none flex flex-col">
        {safety?.waiting ? <SafetyFirst safety={safety} /> : <StageStep {...props} />}
      </main>
      <footer className="bg-sheet border-t border-hair px-3 md:px-5 py-2 shrink-0">
        {safety?.waiting ? <SafetyBar safety={safety} /> : bar}
      </footer>
      <Leaving {...props} />
    </div>
  )
}

/** The way out, where one is, and what can be done about the window. */
function StageHead({ way, title, where, about = null, onAskOut, onTell }: StageProps & { onTell: () => void }) {
  const { t } = useTexts()
  const { isFull, canBeFull, toggle } = useFullScreen(onAskOut)
  return (
    <header className="bg-sheet border-b border-hair px-3 md:px-5 flex items-center gap-3 min-h-14 shrink-0">
      <Button className="min-h-11" onClick={onAskOut}>
        <LogOut size={18} aria-hidden />
        {t('Leave')}
      </Button>
      <p className="min-w-0 grow">
        <span className="block text-xs text-soft truncate">
          <span className="font-semibold text-ink">{way}</span> · {title}
        </span>
        <span className="block text-sm truncate" data-where>
          {where}
        </span>
      </p>
      {about && <TellButton about={about} onTell={onTell} />}
      {canBeFull && (
        <Button className="min-h-11 hidden sm:inline-flex" onClick={toggle}>
          {isFull ? <Minimize2 size={18} aria-hidden /> : <Maximize2 size={18} aria-hidden />}
          <span className="hidden md:inline">{isFull ? t('Smaller') : t('Full screen')}</span>
          <span className="md:hidden sr-only">{isFull ? t('Smaller') : t('Full screen')}</span>
        </Button>
      )}
    </header>
  )
}

function StageStep({ notReady = null, safety, children }: StageProps) {
  return (
    <>
      {notReady !== null && (
        <div className="px-3 md:px-6 pt-2">
          <NotReadyStrip why={notReady} />
        </div>
      )}
      {safety && <SafetyStrip safety={safety} />}
      {children}
    </>
  )
}

/** Asks before somebody leaves, and says what becomes of what they did. */
function Leaving({ way, leaving, kept, outWords, onStay, onLeave }: StageProps) {
  const { t } = useTexts()
  return (
    <Dialog open={leaving} onClose={onStay} title={t('Leave {{way}}?', { way })} about={kept}>
      <div className="flex flex-wrap gap-2">
        <Button look="primary" className="min-h-14 px-6 text-lg" onClick={onStay} autoFocus>
          <ArrowLeft size={18} aria-hidden />
          {t('Stay')}
        </Button>
        <Button className="min-h-14 px-6 text-lg" onClick={onLeave}>
          <LogOut size={18} aria-hidden />
          {outWords ?? t('Leave')}
        </Button>
      </div>
    </Dialog>
  )
}

/** The ruler, flat along the top. */
const FlatMarks = ({ marks }: { marks: readonly FlatMark[] }) => (
  <div className="flex items-end gap-[2px] h-4 px-3 md:px-5 bg-sheet border-b-2 border-ink shrink-0" aria-hidden>
    {marks.map(({ id, state }) => (
      <span key={id} className={`flex-1 ${MARK[state]}`} />
    ))}
  </div>
)

function TellButton({ about, onTell }: { about: About; onTell: () => void }) {
  const { t } = useTexts()
  return (
    <Button className="min-h-11 px-2.5" look="quiet" data-tell={about.stepId} onClick={onTell} title={t('Something is wrong here')}>
      <MessageSquareWarning size={18} aria-hidden />
      <span className="max-lg:sr-only font-normal">{t('Something is wrong here')}</span>
    </Button>
  )
}

/** Full screen, where the browser can. Its own Escape leaves full screen without telling the page: that asks, too. */
function useFullScreen(onEscaped: () => void): { isFull: boolean; canBeFull: boolean; toggle: () => void } {
  const [isFull, setFull] = useState(false)
  const wanted = useRef(false)
  useEffect(() => {
    const changed = () => {
      const now = document.fullscreenElement !== null
      setFull(now)
      if (!now && wanted.current) onEscaped()
      wanted.current = now
    }
    document.addEventListener('fullscreenchange', changed)
    return () => document.removeEventListener('fullscreenchange', changed)
  }, [onEscaped])
  useEffect(
    () => () => {
      wanted.current = false
      if (document.fullscreenElement) void document.exitFullscreen()
    },
    [],
  )
  const toggle = useCallback(() => {
    if (!document.fullscreenElement) return void document.documentElement.requestFullscreen()
    wanted.current = false
    void document.exitFullscreen()
  }, [])
  return { isFull, canBeFull: document.fullscreenEnabled, toggle }
}
