import { CLIP_LIMITS, type ClipKind } from '@jackdaw/core/clips'
import { percentOf, Button, Failed } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import { ClipPlayer } from '../../../clips/ClipPlayer'
import { ClipRecorder } from '../../../clips/ClipRecorder'
import { clockTime } from '../../../clips/clockTime'
import { useRepliesHere } from '../replies/repliesHere'
import type { AnswerField } from './answerField'

const KINDS: Record<'sound' | 'video' | 'either', readonly ClipKind[]> = { sound: ['sound'], video: ['video'], either: ['video', 'sound'] }

type Field = AnswerField<'recorded'>
/** A reply that is spoken or shown. */
export function RecordedAnswer(props: Field) {
  const { t } = useTexts()
  if (!props.disabled) return <Recording {...props} />
  return props.answer ? <Heard {...props} answer={props.answer} /> : <p className="text-lg text-soft">{t('No reply')}</p>
}

function Heard({ answer: { clipId, kind, durationMs }, source }: { answer: NonNullable<Field['answer']>; source: Field['source'] }) {
  const { t } = useTexts()
  return <ClipPlayer key={clipId} {...{ kind, durationMs }} src={source.clip(clipId)} title={t('The reply')} />
}

function Recording({ question: { id, ask }, answer, source, onAnswer }: Field) {
  const { t } = useTexts()
  const replies = useRepliesHere()
  const sending = replies.of(id)
  return (
    <div className="space-y-4">
      <p className="text-sm text-soft">
        {t('Your reply, recorded, at most {{length}}. A person looks at it.', { length: clockTime(ask.mostSeconds) })}
      </p>
      {answer && !sending && (
        <div className="space-y-1">
          <Heard {...{ answer, source }} />
          <Button look="quiet" className="min-h-11" onClick={() => onAnswer(null, true)}>
            {t('Take it back')}
          </Button>
        </div>
      )}
      {sending && (
        <div className="space-y-2 max-w-[640px]" role="status">
          {sending.error == null ? (
            <>
              <p>{t('Your reply is on its way: {{share}}. You can go on meanwhile.', { share: percentOf(sending.sent) })}</p>
              <div className="h-1.5 bg-hair">
                <div className="h-full bg-petrol" style={{ width: `${Math.round(sending.sent * 100)}%` }} />
              </div>
            </>
          ) : (
            <>
              <Failed error={sending.error} />
              <p>{t('What you have recorded is kept in this browser.')}</p>
              <Button className="min-h-14" onClick={() => replies.again(id)}>
                {t('Send it again')}
              </Button>
            </>
          )}
          <Button look="quiet" className="min-h-11" onClick={() => replies.drop(id)}>
            {t('Leave it')}
          </Button>
        </div>
      )}
      <ClipRecorder
        kinds={KINDS[ask.by]}
        mostMs={ask.mostSeconds * 1_000}
        mostBytes={CLIP_LIMITS.replyBytes}
        again={answer !== null}
        disabled={sending !== undefined && sending.error == null}
        onClip={(clip) => replies.send(id, clip)}
      />
    </div>
  )
}
