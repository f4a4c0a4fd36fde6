import { X } from 'lucide-react'
import { Dialog as Radix } from 'radix-ui'
import { useRef, type ReactNode } from 'react'
import { useTexts } from '../words/texts'

/** What is written in comes before the button that closes. */
const FIELD = 'input:not([type=checkbox], [type=radio], [type=hidden], [type=file]), textarea'
/** What opened a dialog, to go back to: of an entry of a menu, which is gone by then, the button of the menu. */
function openerOf(element: Element | null): HTMLElement | null {
  const menu = element?.closest('[role=menu]')
  return menu ? document.getElementById(menu.getAttribute('aria-labelledby') ?? '') : null
}

/** A decision that has to be taken before going on. */
export function Dialog({
  open,
  onClose,
  title,
  about,
  children,
}: {
  open: boolean
  onClose: () => void
  title: string
  about?: string
  children: ReactNode
}) {
  const { t } = useTexts()
  const opener = useRef<HTMLElement | null>(null)
  return (
    <Radix.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-ink/45 z-40" />
        <Radix.Content
          className="fixed z-50 left-1/2 top-[12vh] -translate-x-1/2 w-[min(560px,calc(100vw-24px))] max-h-[80vh] overflow-auto bg-sheet border border-ink p-5"
          {...(about ? {} : { 'aria-describedby': undefined })}
          onOpenAutoFocus={(event) => {
            opener.current = openerOf(document.activeElement)
            const field = (event.currentTarget as Element).querySelector<HTMLElement>(FIELD)
            if (!field) return
            event.preventDefault()
            field.focus()
          }}
          onCloseAutoFocus={(event) => {
            if (!opener.current?.isConnected) return
            event.preventDefault()
            opener.current.focus()
          }}
        >
          {/* Stays in sight, however long the rest is. */}
          <div className="flex items-start gap-4 mb-4 sticky -top-5 -mt-5 pt-5 pb-2 bg-sheet z-10">
            <Radix.Title className="font-serif text-xl grow">{title}</Radix.Title>
            <Radix.Close className="size-9 inline-flex items-center justify-center hover:bg-wash rounded-md" aria-label={t('Close')}>
              <X size={18} aria-hidden />
            </Radix.Close>
          </div>
          {about && <Radix.Description className="mb-4 text-soft">{about}</Radix.Description>}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  )
}
