import { X } from 'lucide-react'
import { Toast } from 'radix-ui'
import { useTexts } from '../words/texts'
import { dropToast, useToasts } from './shownToasts'

const SHOWN_MS = 8_000

/** What was said a moment ago. It stays while somebody points at it or works in it; F8 leads there. */
export function ToastList() {
  const { t } = useTexts()
  const toasts = useToasts()
  return (
    <Toast.Provider duration={SHOWN_MS} label={t('Notice')} swipeDirection="down">
      {toasts.map(({ id, words, undo }) => (
        <Toast.Root
          key={id}
          className="bg-ink text-white rounded-md pl-4 pr-1 py-1 flex items-center gap-3"
          onOpenChange={(open) => !open && dropToast(id)}
        >
          <Toast.Description className="grow py-2">{words}</Toast.Description>
          {undo && (
            <Toast.Action
              altText={t('Undo: {{words}}', { words })}
              className="min-h-9 px-3 font-semibold underline underline-offset-3 focus-visible:outline-white"
              onClick={undo}
            >
              {t('Undo')}
            </Toast.Action>
          )}
          <Toast.Close className="size-9 inline-flex items-center justify-center focus-visible:outline-white" aria-label={t('Close')}>
            <X size={16} aria-hidden />
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="fixed z-50 bottom-16 md:bottom-16 left-4 right-4 md:right-auto md:w-[420px] flex flex-col gap-2 outline-none" />
    </Toast.Provider>
  )
}
