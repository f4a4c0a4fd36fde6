import type { RemarkId } from '@jackdaw/contracts/remarks'
import { nanoid } from 'nanoid'
import { useRef, useState } from 'react'
import { Button, Failed } from '../ui'
import { useTexts } from '../ui/words/texts'
import { deviceWords } from './deviceWords'
import { useSayWrong } from './queries'
import type { About } from './about'

/** What was written and not sent yet stays in this browser: a lost network or a wrong key loses nothing. */
const keyOf = ({ guideId, stepId }: About): string => `jackdaw-remark ${guideId} ${stepId}`

/** Where a reader writes what is wrong. @param onClose told whether it was sent */
export function RemarkForm({ about, onClose }: { about: About; onClose: (sent: boolean) => void }) {
  const { t } = useTexts()
  const say = useSayWrong(about.guideId)
  const key = keyOf(about)
  const [words, setWords] = useState(() => localStorage.getItem(key) ?? '')
  const id = useRef(nanoid<RemarkId>())
  const send = () => {
    if (say.isPending || words.trim() === '') return
    const device = deviceWords(navigator.userAgent, window.innerWidth, window.innerHeight)
    const { edition, stepId, way } = about
    say.mutate(
      { id: id.current, edition, stepId, way, words: words.trim(), device },
      {
        onSuccess: () => {
          localStorage.removeItem(key)
          onClose(true)
        },
      },
    )
  }
  return (
    <form
      className="border-l-4 border-ochre bg-page p-3 mt-5 space-y-2"
      aria-label={t('Something is wrong here')}
      onSubmit={(event) => {
        event.preventDefault()
        send()
      }}
      onKeyDown={(event) => {
        // Keys that turn steps belong to the words here.
        event.stopPropagation()
        if (event.key === 'Escape') {
          event.preventDefault()
          onClose(false)
        }
      }}
    >
      <label className="block font-semibold">
        {t('What is wrong at this step?')}
        <textarea
          autoFocus
          rows={3}
          maxLength={1_000}
          value={words}
          className="block w-full bg-sheet border border-edge px-2 py-1 mt-1 font-normal"
          onChange={(event) => {
            setWords(event.target.value)
            try {
              localStorage.setItem(key, event.target.value)
            } catch {
              // Full or forbidden: the words are kept on the page only.
            }
          }}
        />
      </label>
      <p className="text-sm text-soft">{t('It goes to the owner of the guide with your name, the step and what you read it on.')}</p>
      {say.isError && (
        <>
          <Failed error={say.error} />
          <p className="text-sm">{t('What you wrote is kept here; send it again.')}</p>
        </>
      )}
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="primary" className="min-h-11" disabled={say.isPending || words.trim() === ''}>
          {say.isPending ? t('Sending …') : t('Send to the owner')}
        </Button>
        <Button className="min-h-11" onClick={() => onClose(false)}>
          {t('Cancel')}
        </Button>
      </div>
    </form>
  )
}
