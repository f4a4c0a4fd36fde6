import type { Editor } from '@tiptap/react'
import { Popover } from 'radix-ui'
import { useMemo, type ReactNode } from 'react'

/** Where something in the text stands in the window: the table in which the cursor is, or the cursor itself. */
function rectOf(editor: Editor, of: 'table' | 'selection'): DOMRect {
  const { from, to } = editor.state.selection
  if (of === 'table') {
    const { node } = editor.view.domAtPos(from)
    const table = (node instanceof Element ? node : node.parentElement)?.closest('table')
    if (table) return table.getBoundingClientRect()
  }
  const [start, end] = [editor.view.coordsAtPos(from), editor.view.coordsAtPos(to)]
  const left = Math.min(start.left, end.left)
  return new DOMRect(left, start.top, Math.max(start.right, end.right) - left, Math.max(1, end.bottom - start.top))
}

/** Tools that float below what they are for, so that nothing on the page gives way to them. They stay with the text while it is written and
 * scrolled, inside the window. */
export function AtSelection({
  editor,
  of,
  label,
  takesFocus = false,
  onClose,
  children,
}: {
  editor: Editor
  of: 'table' | 'selection'
  label: string
  takesFocus?: boolean
  onClose?: () => void
  children: ReactNode
}) {
  const anchor = useMemo(() => ({ current: { getBoundingClientRect: () => rectOf(editor, of) } }), [editor, of])
  return (
    <Popover.Root open>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content
          side="bottom"
          align="start"
          sideOffset={6}
          collisionPadding={{ top: 132, bottom: 64, left: 12, right: 12 }}
          // Measured anew in every frame: the text under it changes with every key.
          {...{ updatePositionStrategy: 'always' }}
          aria-label={label}
          className="z-30 bg-sheet border border-edge shadow-[0_4px_14px_rgb(23_33_43/0.14)]"
          data-keeps-editor
          data-floats-at={of}
          onOpenAutoFocus={(event) => !takesFocus && event.preventDefault()}
          onCloseAutoFocus={(event) => event.preventDefault()}
          onInteractOutside={(event) => {
            event.preventDefault()
            if (event.type !== 'dismissableLayer.pointerDownOutside' || !onClose) return
            onClose()
            // The press that follows takes the cursor out of the text as any other does.
            editor.view.focus()
          }}
          onEscapeKeyDown={(event) => {
            if (!onClose) return event.preventDefault()
            onClose()
            editor.commands.focus()
          }}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
