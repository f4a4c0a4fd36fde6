import { NewRemark, type RemarkId } from '@jackdaw/contracts/remarks'
import { nanoid } from 'nanoid'
import { Button, Failed, TextArea } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { useTexts } from '../ui/words/texts'
import { deviceWords } from './deviceWords'
import { useSayWrong } from './queries'
import type { About } from './about'

/** What was written and not sent yet stays in this browser: a lost network or a wrong key loses nothing. */
const keyOf = ({ guideId, stepId }: About): string => `jackdaw-remark ${guideId} ${stepId}`

/** What is kept of it while it is written. */
function keep(key: string, words: string): void {
  try {
    localStorage.setItem(key, words)
  } catch {
    // Full or forbidden: the words are kept on the page only.
  }
}

/** Where a reader writes what is wrong. @param onClose told whether it was sent */
export function RemarkForm({ about, onClose }: { about: About; onClose: (sent: boolean) => void }) {
  const { t } = useTexts()
  const { guideId, edition, stepId, way } = about
  const say = useSayWrong(guideId)
  const key = keyOf(about)
  const { register, sending, watch } = useFormOf(NewRemark, {
    ...{ id: nanoid<RemarkId>(), edition, stepId, way },
    words: localStorage.getItem(key) ?? '',
    device: deviceWords(navigator.userAgent, window.innerWidth, window.innerHeight),
  })
  const sent = () => {
    localStorage.removeItem(key)
    onClose(true)
  }
  const send = sending((remark) => {
    if (!say.isPending) say.mutate(remark, { onSuccess: sent })
  })
  return (
    <form
      className="border-l-4 border-ochre bg-page p-3 mt-5 space-y-2"
      aria-label={t('Something is wrong here')}
      onSubmit={send}
      onKeyDown={(event) => {
        // Keys that turn steps belong to the words here.
        event.stopPropagation()
        if (event.key !== 'Escape') return
        event.preventDefault()
        onClose(false)
      }}
    >
      <TextArea
        label={t('What is wrong at this step?')}
        autoFocus
        rows={3}
        maxLength={1_000}
        {...register('words', { onChange: (event: { target: { value: string } }) => keep(key, event.target.value) })}
        hint={t('It goes to the owner of the guide with your name, the step and what you read it on.')}
      />
      {say.isError && (
        <>
          <Failed error={say.error} />
          <p className="text-sm">{t('What you wrote is kept here; send it again.')}</p>
        </>
      )}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="primary" className="min-h-11" disabled={say.isPending || watch('words').trim() === ''}>
          {say.isPending ? t('Sending …') : t('Send to the owner')}
        </Button>
        <Button className="min-h-11" onClick={() => onClose(false)}>
          {t('Cancel')}
        </Button>
      </div>
    </form>
  )
}
