import { CLIP_LIMITS } from '@jackdaw/core/clips'
import type { ContentClip } from '@jackdaw/core/quizzes'
import { useEffect, useRef, useState } from 'react'
import { ClipRecorder } from '../../../clips/ClipRecorder'
import type { FileClip } from '../../../clips/fileClip'
import { sendClip } from '../../../clips/sendClip'
import { Button, Failed, percentOf } from '../../../ui'
import { Dialog } from '../../../ui/over/Dialog'
import { useTexts } from '../../../ui/words/texts'
import { useFilesHere } from '../filesHere'

const KINDS = ['video', 'sound'] as const
/** Whoever records here at the bench does so for a quarter of an hour at the most; files may be longer. */
const RECORDED_MS = 15 * 60_000

/** Records sound or video for a question, or takes a file of it. */
export function AddClip({ onAdd, onClose }: { onAdd: (clip: ContentClip) => void; onClose: () => void }) {
  const { t } = useTexts()
  const { beginClip } = useFilesHere()
  const [sending, setSending] = useState<{ clip: FileClip; id: ContentClip['id'] | null; sent: number; error: unknown } | null>(null)
  const end = useRef(new AbortController())
  useEffect(() => () => end.current.abort(), [])
  const send = async (clip: FileClip, begun: ContentClip['id'] | null) => {
    const { signal } = (end.current = new AbortController())
    const { file, kind, durationMs } = clip
    let id = begun
    setSending({ clip, id, sent: 0, error: null })
    try {
      id ??= (await beginClip({ kind, bytes: file.size, durationMs })).id
      const there = id
      await sendClip(there, file, (bytes) => setSending({ clip, id: there, sent: bytes / file.size, error: null }), signal)
      onAdd({ id: there, kind, title: '', durationMs, poster: null, captions: [] })
    } catch (error) {
      if (!signal.aborted) setSending({ clip, id, sent: 0, error })
    }
  }
  return (
    <Dialog open title={t('Sound or video')} about={t('Record it here, or choose a file: MP4 or WebM, MP3, M4A or WAV.')} onClose={onClose}>
      {sending === null ? (
        <ClipRecorder
          kinds={KINDS}
          mostMs={RECORDED_MS}
          mostFileMs={CLIP_LIMITS.durationMs}
          mostBytes={CLIP_LIMITS.bytes}
          onClip={(clip) => void send(clip, null)}
        />
      ) : sending.error == null ? (
        <div role="status" className="space-y-2">
          <p>{t('Storing: {{share}}', { share: percentOf(sending.sent) })}</p>
          <div className="h-1.5 bg-hair">
            <div className="h-full bg-petrol" style={{ width: `${Math.round(sending.sent * 100)}%` }} />
          </div>
        </div>
      ) : (
        <div className="space-y-3">
          <Failed error={sending.error} />
          <div className="flex gap-2">
            <Button look="primary" onClick={() => void send(sending.clip, sending.id)}>
              {t('Go on sending it')}
            </Button>
            <Button onClick={() => setSending(null)}>{t('Take another one')}</Button>
          </div>
        </div>
      )}
    </Dialog>
  )
}
