import { AlertDialog } from 'radix-ui'
import type { ReactNode } from 'react'
import { Button } from '../Button'
import { Failed } from '../Waiting'
import { useTexts } from '../words/texts'

/** Asked before something that cannot be undone: says what would happen, and goes on only when told so. */
export function Question({
  title,
  about,
  yes,
  no,
  pending = false,
  ready = true,
  error = null,
  children,
  onYes,
  onNo,
}: {
  title: string
  about: ReactNode
  /** What is done, as a verb: the words of the button. */
  yes: string
  no?: string
  pending?: boolean
  /** Whether it is known what would happen. */
  ready?: boolean
  error?: unknown
  children?: ReactNode
  onYes: () => void
  onNo: () => void
}) {
  const { t } = useTexts()
  return (
    <AlertDialog.Root open onOpenChange={(open) => !open && !pending && onNo()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 bg-ink/45 z-40" />
        <AlertDialog.Content className="fixed z-50 left-1/2 top-[18vh] -translate-x-1/2 w-[min(480px,calc(100vw-24px))] max-h-[76vh] overflow-auto bg-sheet border border-ink border-t-4 border-t-brick p-5 space-y-4">
          <AlertDialog.Title className="font-serif text-xl">{title}</AlertDialog.Title>
          <AlertDialog.Description asChild>
            <div>{about}</div>
          </AlertDialog.Description>
          {children}
          {error !== null && <Failed error={error} />}
          <div className="flex flex-wrap justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button disabled={pending}>{no ?? t('Cancel')}</Button>
            </AlertDialog.Cancel>
            <Button look="danger" disabled={pending || !ready} onClick={onYes}>
              {yes}
            </Button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  )
}
