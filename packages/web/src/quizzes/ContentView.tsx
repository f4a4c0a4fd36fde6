import { clipsIn, isBlank, type Content, type ContentClip } from '@jackdaw/core/quizzes'
import type { CaptionsId, ClipId, PictureId } from '@jackdaw/core/shared'
import { useMemo } from 'react'
import { ClipPlayer, type ClipPlayerProps } from '../clips/ClipPlayer'
import { RichTextView } from '../guides/RichTextView'
import { useTexts } from '../ui/words/texts'

/** Where pictures, sound and video come from. */
export type FileSource = { picture: (id: PictureId) => string; clip: (id: ClipId, captions?: CaptionsId) => string }

/** What a prompt, an answer or an explanation shows. @param source where its files come from */
export function ContentView({ content, source, className = '' }: { content: Content; source: FileSource; className?: string }) {
  if (isBlank(content)) return null
  return (
    <div className={`space-y-2 min-w-0 ${className}`} dir="auto">
      <RichTextView text={content.text} leadsAway />
      {content.pictures.map(({ id, alt }) => (
        <img key={id} src={source.picture(id)} alt={alt} className="max-w-full max-h-[50vh] border border-hair bg-page" />
      ))}
      {clipsIn(content).map((clip) => (
        <ClipShown key={clip.id} {...{ clip, source }} />
      ))}
    </div>
  )
}

/** Sound or video, as it is played. */
export function ClipShown({ clip, source, media }: { clip: ContentClip; source: FileSource; media?: ClipPlayerProps['media'] }) {
  const { t } = useTexts()
  const { id, kind, title, durationMs, poster, captions } = clip
  // The addresses are new with each drawing; what is played is not.
  const from = captions.map((each) => `${each.language} ${source.clip(id, each.id)}`).join('\n')
  const shown = useMemo(
    () =>
      from === ''
        ? []
        : from.split('\n').map((line) => {
            const [language = '', src = ''] = line.split(' ')
            return { language, src }
          }),
    [from],
  )
  const name = title || (kind === 'sound' ? t('Sound') : t('Video'))
  return (
    <ClipPlayer
      {...{ kind, durationMs }}
      src={source.clip(id)}
      title={name}
      poster={poster && source.picture(poster)}
      captions={shown}
      {...(media ? { media } : {})}
    />
  )
}
