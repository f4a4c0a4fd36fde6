import { useRef, type ReactNode } from 'react'
import { Button, Failed } from '../ui'
import { useTexts } from '../ui/words/texts'

/** A picture that is chosen, or taken with the camera of a phone, and stored at once. @param camera whether a phone offers its camera first */
export function PictureField({
  shown,
  words,
  camera = false,
  send,
  onPick,
  onRemove,
}: {
  /** Where the picture is that is there already. */
  shown: { src: string; alt: string } | null
  words: { choose: string; other: string; remove: string }
  camera?: boolean
  send: { isPending: boolean; isError: boolean; error: unknown }
  onPick: (file: File) => void
  onRemove: () => void
}): ReactNode {
  const { t } = useTexts()
  const input = useRef<HTMLInputElement>(null)
  return (
    <div className="space-y-2">
      {shown && <img src={shown.src} alt={shown.alt} className="max-h-64 max-w-full border border-hair bg-page" />}
      <div className="flex flex-wrap gap-2">
        <input
          ref={input}
          type="file"
          accept="image/png,image/jpeg,image/webp,image/gif"
          {...(camera ? { capture: 'environment' as const } : {})}
          className="sr-only"
          tabIndex={-1}
          aria-label={words.choose}
          onChange={(event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            if (file) onPick(file)
          }}
        />
        <Button className={camera ? 'min-h-12' : ''} disabled={send.isPending} onClick={() => input.current?.click()}>
          {send.isPending ? t('Storing …') : shown ? words.other : words.choose}
        </Button>
        {shown && (
          <Button look="quiet" disabled={send.isPending} onClick={onRemove}>
            {words.remove}
          </Button>
        )}
      </div>
      {send.isError && <Failed error={send.error} />}
    </div>
  )
}
