import type { ClipKind } from '@jackdaw/core/clips'
import { Maximize, Pause, Play, RotateCcw } from 'lucide-react'
import { useId, useRef, useState, type ReactNode, type Ref } from 'react'
import { chosen, Message } from '../ui'
import { spoken, useTexts } from '../ui/words/texts'
import { clockTime } from './clockTime'
import { languageName } from './languageName'
import { useCaptions, type CaptionsOfClip } from './useCaptions'
import { useClip } from './useClip'

const SPEEDS = [0.5, 0.75, 1, 1.25, 1.5, 2] as const
const NONE: readonly CaptionsOfClip[] = []

export type ClipPlayerProps = {
  kind: ClipKind
  src: string
  /** What it is called, for everybody. */
  title: string
  durationMs: number | null
  poster?: string | null
  captions?: readonly CaptionsOfClip[]
  /** The media element, for whoever takes a picture of it. */
  media?: Ref<HTMLMediaElement>
}

/** Plays sound or video: on and off, to any place, faster and slower, with captions. */
export function ClipPlayer({ kind, src, title, durationMs, poster = null, captions = NONE, media }: ClipPlayerProps) {
  const { t } = useTexts()
  const page = spoken()
  const element = useRef<HTMLVideoElement & HTMLAudioElement>(null)
  const frame = useRef<HTMLDivElement>(null)
  const { playing, at, length, failed } = useClip(element, durationMs)
  const { language, choose, lines } = useCaptions(element, captions, page)
  const take = (found: (HTMLVideoElement & HTMLAudioElement) | null) => {
    element.current = found
    if (typeof media === 'function') media(found)
    else if (media) media.current = found
  }
  const Media = kind === 'video' ? 'video' : 'audio'
  const words = lines.join('\n')
  const toggle = () => {
    const now = element.current
    if (!now) return
    // Refused where the browser wants to be pressed once more; the button then still says that it plays.
    if (now.paused) void now.play().catch(() => undefined)
    else now.pause()
  }
  return (
    <figure
      ref={frame}
      role="group"
      aria-label={title}
      className="max-w-[640px] bg-sheet border border-edge fullscreen:max-w-none fullscreen:flex fullscreen:flex-col"
      data-clip
    >
      <div className={kind === 'video' ? 'relative bg-ink grow flex items-center justify-center min-h-0' : 'hidden'}>
        <Media
          ref={take}
          src={src}
          {...(kind === 'video'
            ? {
                poster: poster ?? undefined,
                playsInline: true,
                onClick: toggle,
                className: 'block w-full max-h-[60vh] in-fullscreen:max-h-full',
              }
            : {})}
          preload="metadata"
          aria-label={title}
        >
          {captions.map((each) => (
            <track key={each.language} kind="captions" srcLang={each.language} src={each.src} label={languageName(each.language, page)} />
          ))}
        </Media>
        {kind === 'video' && words !== '' && <Captions over>{words}</Captions>}
      </div>
      <Controls
        {...{ playing, at, length, title }}
        ended={length > 0 && at >= length - 0.05 && !playing}
        onToggle={toggle}
        onSeek={(seconds) => element.current && (element.current.currentTime = seconds)}
        onSpeed={(speed) => element.current && (element.current.playbackRate = speed)}
      >
        {captions.length > 0 && <CaptionsChoice {...{ captions, language, page }} onChoose={choose} />}
        {kind === 'video' && document.fullscreenEnabled && (
          <button
            type="button"
            className="size-11 inline-flex items-center justify-center rounded-md hover:bg-wash shrink-0"
            aria-label={t('Over the whole screen')}
            title={t('Over the whole screen')}
            onClick={() => void (document.fullscreenElement ? document.exitFullscreen() : frame.current?.requestFullscreen())}
          >
            <Maximize size={18} aria-hidden />
          </button>
        )}
      </Controls>
      {kind === 'sound' && language !== null && <Captions>{words}</Captions>}
      <figcaption className="px-3 py-1.5 text-sm text-soft border-t border-hair [overflow-wrap:anywhere]">{title}</figcaption>
      {failed && (
        <Message tone="bad" title={t('It cannot be played here.')}>
          {t('Load the page again. If that does not help, the file is gone or of a kind that this browser does not know.')}
        </Message>
      )}
    </figure>
  )
}

/** What is said at the moment: over video, or under sound. */
const Captions = ({ over = false, children }: { over?: boolean; children: string }) => (
  <p
    dir="auto"
    data-captions
    className={
      over
        ? 'absolute inset-x-0 bottom-3 mx-auto w-fit max-w-[92%] bg-ink/85 text-white px-3 py-1 text-lg text-center whitespace-pre-line pointer-events-none'
        : 'px-3 pb-2 min-h-9 text-lg whitespace-pre-line'
    }
  >
    {children}
  </p>
)

type ControlsProps = {
  playing: boolean
  ended: boolean
  at: number
  length: number
  title: string
  onToggle: () => void
  onSeek: (seconds: number) => void
  onSpeed: (speed: number) => void
  children: ReactNode
}
function Controls({ playing, ended, at, length, title, onToggle, onSeek, onSpeed, children }: ControlsProps) {
  const { t } = useTexts()
  const name = playing ? t('Pause: {{title}}', { title }) : t('Play: {{title}}', { title })
  return (
    <div className="flex flex-wrap items-center gap-x-2 px-2 py-1">
      <button
        type="button"
        className="size-11 inline-flex items-center justify-center rounded-md bg-petrol text-white hover:bg-petrol-dark shrink-0"
        aria-label={name}
        title={name}
        onClick={onToggle}
      >
        {playing ? <Pause size={20} aria-hidden /> : ended ? <RotateCcw size={20} aria-hidden /> : <Play size={20} aria-hidden />}
      </button>
      <input
        type="range"
        className="grow basis-32 min-w-24 h-11 accent-petrol"
        aria-label={t('Place in: {{title}}', { title })}
        aria-valuetext={t('{{at}} of {{length}}', { at: clockTime(at), length: clockTime(length) })}
        min={0}
        max={Math.max(length, 0.1)}
        step={length > 60 ? 1 : 0.1}
        value={Math.min(at, Math.max(length, 0.1))}
        disabled={length === 0}
        onChange={(event) => onSeek(Number(event.target.value))}
      />
      <span className="tabular-nums text-sm whitespace-nowrap">
        {clockTime(at)} / {length === 0 ? '–' : clockTime(length)}
      </span>
      <Speed onSpeed={onSpeed} />
      {children}
    </div>
  )
}

const select = 'h-11 bg-sheet border border-transparent hover:border-edge rounded-md px-1 text-sm tabular-nums'
function Speed({ onSpeed }: { onSpeed: (speed: number) => void }) {
  const { t } = useTexts()
  const [speed, setSpeed] = useState(1)
  return (
    <select
      className={select}
      aria-label={t('Speed')}
      title={t('Speed')}
      value={speed}
      onChange={(event) => {
        setSpeed(Number(event.target.value))
        onSpeed(Number(event.target.value))
      }}
    >
      {SPEEDS.map((each) => (
        <option key={each} value={each}>
          {each} ×
        </option>
      ))}
    </select>
  )
}

type ChoiceProps = {
  captions: readonly CaptionsOfClip[]
  language: string | null
  page: string
  onChoose: (language: string | null) => void
}
function CaptionsChoice({ captions, language, page, onChoose }: ChoiceProps) {
  const { t } = useTexts()
  const id = useId()
  return (
    <label htmlFor={id} className="text-sm inline-flex items-center gap-1">
      {t('Captions')}
      <select id={id} className={select} value={language ?? ''} onChange={chosen<string>((next) => onChoose(next === '' ? null : next))}>
        <option value="">{t('off')}</option>
        {captions.map((each) => (
          <option key={each.language} value={each.language}>
            {languageName(each.language, page)}
          </option>
        ))}
      </select>
    </label>
  )
}
