import type { ClipKind } from '@jackdaw/core/clips'
import { Camera, Circle, FileUp, Mic, Square, SwitchCamera } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Button, Message } from '../ui'
import { useWarnUnsaved } from '../ui/useWarnUnsaved'
import { useTexts } from '../ui/words/texts'
import { clockTime } from './clockTime'
import { CLIP_FILES, fileClip, type FileClip } from './fileClip'
import { useRecorder, type CannotRecord, type RecorderState } from './useRecorder'

type Props = {
  /** What may be recorded or chosen. */
  kinds: readonly ClipKind[]
  mostMs: number
  /** How long a file may be that is chosen, where that is more. */
  mostFileMs?: number
  /** How large a file may be that is chosen. */
  mostBytes: number
  /** Whether there is something already, which this takes the place of. */
  again?: boolean
  disabled?: boolean
  onClip: (clip: FileClip) => void
}

/** Records sound or video with what this device has, or takes a file of it. */
export function ClipRecorder({ kinds, mostMs, mostFileMs = mostMs, mostBytes, again = false, disabled = false, onClip }: Props) {
  const { t } = useTexts()
  const recorder = useRecorder(mostMs, onClip)
  const { state } = recorder
  const live = state.at === 'open' || state.at === 'recording'
  useWarnUnsaved(state.at === 'recording')
  return (
    <div className="space-y-3" data-recorder={state.at}>
      {live && <Live {...{ state, recorder, mostMs }} />}
      {state.at === 'asking' && <p role="status">{t('Your browser asks whether it may use microphone and camera.')}</p>}
      {state.at === 'ending' && <p role="status">{t('Putting it into order …')}</p>}
      {state.at === 'failed' && (
        <Message tone="bad" role="alert" title={t('Nothing can be recorded here.')}>
          {whyNotWords(t, state.why)}
        </Message>
      )}
      {!live && (
        <div className="flex flex-wrap gap-2">
          {kinds.includes('video') && (
            <Button
              className="min-h-14 px-5 text-lg"
              disabled={disabled || state.at === 'asking'}
              onClick={() => void recorder.open('video')}
            >
              <Camera size={20} aria-hidden />
              {again ? t('Record video anew') : t('Record video')}
            </Button>
          )}
          {kinds.includes('sound') && (
            <Button
              className="min-h-14 px-5 text-lg"
              disabled={disabled || state.at === 'asking'}
              onClick={() => void recorder.open('sound')}
            >
              <Mic size={20} aria-hidden />
              {again ? t('Record sound anew') : t('Record sound')}
            </Button>
          )}
          <ChooseFile {...{ kinds, mostBytes, disabled, onClip }} mostMs={mostFileMs} />
        </div>
      )}
    </div>
  )
}

const whyNotWords = (t: ReturnType<typeof useTexts>['t'], why: CannotRecord): string =>
  ({
    'not-safe': t('That needs a safe address (https) and a browser of today. Send a file instead.'),
    'not-allowed': t('The browser was not allowed to use microphone or camera. Allow it beside the address of this page, or send a file.'),
    'nothing-there': t('There is no microphone or camera. Connect one, or send a file.'),
    'in-use': t('Something else is using the microphone or the camera. Close it and try again, or send a file.'),
  })[why]

type Live = Extract<RecorderState, { at: 'open' | 'recording' }>
/** What camera and microphone give, and how long it is. */
function Live({ state, recorder, mostMs }: { state: Live; recorder: ReturnType<typeof useRecorder>; mostMs: number }) {
  const { t } = useTexts()
  const { kind, stream } = state
  const [facing, setFacing] = useState<'user' | 'environment'>('user')
  const turn = () => {
    const next = facing === 'user' ? 'environment' : 'user'
    setFacing(next)
    void recorder.open('video', next)
  }
  return (
    <div className="max-w-[640px] border-2 border-ink bg-sheet">
      {kind === 'video' && <Preview stream={stream} />}
      <div className="flex flex-wrap items-center gap-3 px-3 py-2">
        {state.at === 'recording' ? (
          <>
            <Button look="primary" className="min-h-14 px-6 text-lg" onClick={recorder.stop}>
              <Square size={18} aria-hidden />
              {t('Stop and take it')}
            </Button>
            <p role="timer" className="text-lg tabular-nums font-semibold">
              <span className="text-brick">●</span>{' '}
              {t('{{at}} of {{length}}', { at: clockTime(state.ms / 1_000), length: clockTime(mostMs / 1_000) })}
            </p>
          </>
        ) : (
          <Button look="primary" className="min-h-14 px-6 text-lg" onClick={() => recorder.start(kind)}>
            <Circle size={18} aria-hidden />
            {t('Begin')}
          </Button>
        )}
        {kind === 'sound' && <Level stream={stream} />}
        {state.at === 'open' && (
          <Button look="quiet" className="min-h-11" onClick={turn}>
            <SwitchCamera size={18} aria-hidden />
            {t('The other camera')}
          </Button>
        )}
        <Button look="quiet" className="min-h-11" onClick={recorder.close}>
          {t('Leave it')}
        </Button>
      </div>
    </div>
  )
}

function Preview({ stream }: { stream: MediaStream }) {
  const { t } = useTexts()
  const video = useRef<HTMLVideoElement>(null)
  useEffect(() => {
    if (video.current) video.current.srcObject = stream
  }, [stream])
  return (
    <video ref={video} muted autoPlay playsInline aria-label={t('What the camera sees')} className="block w-full max-h-[45vh] bg-ink" />
  )
}

/** How loud it is: so that somebody sees that they are heard. */
function Level({ stream }: { stream: MediaStream }) {
  const { t } = useTexts()
  const [share, setShare] = useState(0)
  useEffect(() => {
    const context = new AudioContext()
    const analyser = context.createAnalyser()
    context.createMediaStreamSource(stream).connect(analyser)
    const samples = new Uint8Array(analyser.fftSize)
    const timer = setInterval(() => {
      analyser.getByteTimeDomainData(samples)
      setShare(Math.min(1, Math.max(...samples.map((each) => Math.abs(each - 128))) / 90))
    }, 100)
    return () => {
      clearInterval(timer)
      void context.close()
    }
  }, [stream])
  return (
    <span className="grow basis-24 max-w-48 h-3 bg-hair" role="img" aria-label={t('How loud it is')}>
      <span className="block h-full bg-kingfisher" style={{ width: `${Math.round(share * 100)}%` }} />
    </span>
  )
}

/** Takes a file in the place of a recording. */
function ChooseFile({ kinds, mostMs, mostBytes, disabled, onClip }: Omit<Props, 'again' | 'mostFileMs'>) {
  const { t } = useTexts()
  const input = useRef<HTMLInputElement>(null)
  const [state, setState] = useState<'' | 'reading' | 'unknown' | 'too-long' | 'too-large'>('')
  const pick = async (file: File) => {
    if (file.size > mostBytes) return setState('too-large')
    setState('reading')
    const [first] = kinds
    const kind = file.type.startsWith('audio/') ? 'sound' : file.type.startsWith('video/') ? 'video' : first!
    const clip = kinds.includes(kind) ? await fileClip(file, kind) : null
    if (!clip) return setState('unknown')
    if ((clip.durationMs ?? 0) > mostMs + 1_000) return setState('too-long')
    setState('')
    onClip(clip)
  }
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={kinds.map((kind) => CLIP_FILES[kind]).join(',')}
        className="sr-only"
        tabIndex={-1}
        aria-label={t('Choose a file')}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) void pick(file)
        }}
      />
      <Button look="quiet" className="min-h-14 px-4" disabled={disabled || state === 'reading'} onClick={() => input.current?.click()}>
        <FileUp size={18} aria-hidden />
        {state === 'reading' ? t('Looking at it …') : t('Choose a file')}
      </Button>
      {state === 'unknown' && (
        <div className="basis-full">
          <Message tone="bad" role="alert" title={t('This file cannot be played here.')}>
            {t('Nothing was sent. Take MP4 or WebM for video, MP3, M4A or WAV for sound.')}
          </Message>
        </div>
      )}
      {state === 'too-large' && (
        <div className="basis-full">
          <Message tone="bad" role="alert" title={t('This file is too large.')}>
            {t('{{most}} MB are the most. Nothing was sent; choose a smaller one.', { most: Math.floor(mostBytes / 1024 / 1024) })}
          </Message>
        </div>
      )}
      {state === 'too-long' && (
        <div className="basis-full">
          <Message tone="bad" role="alert" title={t('This file is too long.')}>
            {t('{{length}} are the most. Nothing was sent; choose a shorter one.', { length: clockTime(mostMs / 1_000) })}
          </Message>
        </div>
      )}
    </>
  )
}
