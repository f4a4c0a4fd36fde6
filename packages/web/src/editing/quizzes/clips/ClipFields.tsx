import { QUIZ_LIMITS, type ContentClip } from '@jackdaw/core/quizzes'
import { useRef, useState } from 'react'
import { languageName } from '../../../clips/languageName'
import { ClipShown } from '../../../quizzes/ContentView'
import { Button, Failed, TextField } from '../../../ui'
import { spoken, useTexts } from '../../../ui/words/texts'
import { useFilesHere } from '../filesHere'
import { CaptionsDialog } from './CaptionsDialog'

/** Sound or video of a question: what it is called, its captions, and the picture that stands for a video. */
export function ClipFields({
  clip,
  onChange,
  onRemove,
}: {
  clip: ContentClip
  onChange: (more: Partial<ContentClip>) => void
  onRemove: () => void
}) {
  const { t } = useTexts()
  const { source } = useFilesHere()
  const media = useRef<HTMLMediaElement>(null)
  const [captioning, setCaptioning] = useState(false)
  const { title, kind, captions } = clip
  return (
    <div className="grid gap-x-6 gap-y-2 lg:grid-cols-[minmax(0,420px)_minmax(220px,1fr)] items-start border-l-2 border-hair pl-3">
      <ClipShown clip={clip} source={source} media={media} />
      <div className="space-y-2">
        <TextField
          label={t('What it is called')}
          hint={t('Everybody reads it under the player. It must not tell what is right.')}
          maxLength={QUIZ_LIMITS.alt}
          value={title}
          onChange={(event) => onChange({ title: event.target.value })}
        />
        <p className="text-sm">
          {captions.length === 0
            ? t('No captions yet: whoever cannot hear it misses it.')
            : t('Captions: {{languages}}', { languages: captions.map((each) => languageName(each.language, spoken())).join(', ') })}
        </p>
        <div className="flex flex-wrap gap-2">
          <Button onClick={() => setCaptioning(true)}>{t('Captions …')}</Button>
          {kind === 'video' && <Poster {...{ clip, media, onChange }} />}
          <Button look="quiet" onClick={onRemove}>
            {kind === 'video' ? t('Take the video out') : t('Take the sound out')}
          </Button>
        </div>
      </div>
      {captioning && <CaptionsDialog clip={clip} onChange={onChange} onClose={() => setCaptioning(false)} />}
    </div>
  )
}

type PosterProps = { clip: ContentClip; media: React.RefObject<HTMLMediaElement | null>; onChange: (more: Partial<ContentClip>) => void }
/** Takes the picture at which a video stands as the one that is seen before it is played. */
function Poster({ clip, media, onChange }: PosterProps) {
  const { t } = useTexts()
  const { add } = useFilesHere()
  const [state, setState] = useState<{ busy: boolean; error: unknown }>({ busy: false, error: null })
  const take = async () => {
    const video = media.current
    if (!(video instanceof HTMLVideoElement)) return
    setState({ busy: true, error: null })
    try {
      const { id } = await add(await pictureOf(video))
      onChange({ poster: id })
      setState({ busy: false, error: null })
    } catch (error) {
      setState({ busy: false, error })
    }
  }
  return (
    <>
      <Button disabled={state.busy} onClick={() => void take()}>
        {state.busy ? t('Storing …') : t('Show this picture first')}
      </Button>
      {clip.poster !== null && (
        <Button look="quiet" onClick={() => onChange({ poster: null })}>
          {t('Show none first')}
        </Button>
      )}
      {state.error != null && <Failed error={state.error} />}
    </>
  )
}
async function pictureOf(video: HTMLVideoElement): Promise<File> {
  const canvas = document.createElement('canvas')
  canvas.width = video.videoWidth
  canvas.height = video.videoHeight
  canvas.getContext('2d')?.drawImage(video, 0, 0)
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.9))
  if (!blob) throw new Error('the browser makes no picture of this video')
  return new File([blob], 'poster.jpg', { type: blob.type })
}
