import { cleanRichText, type RichText } from '@jackdaw/core/guides'
import type { EditorProps } from '@tiptap/pm/view'
import { useEditor, type Editor } from '@tiptap/react'
import { nanoid } from 'nanoid'
import { useEffect, useRef } from 'react'
import { bodyExtensions } from './bodyExtensions'

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

type Written = Pick<EditorProps, 'handlePaste' | 'handleDrop' | 'handleKeyDown'> & {
  body: RichText
  label: string
  className: string
  /** Attributes of what is written in, beside its name. */
  attributes?: Record<string, string>
  onChange: (body: RichText) => void
  /** Somebody has gone elsewhere, and not to the tools of the text. */
  onLeave: () => void
}

/** An editor for rich text. What is written comes cleaned; a text that has come from elsewhere (undone, or written by somebody else) takes the
 * place of what stands there. */
export function useWrittenText({ body, label, className, attributes = {}, onChange, onLeave, ...handlers }: Written): Editor | null {
  const lastSaid = useRef(body)
  const calls = useRef({ onChange, onLeave })
  calls.current = { onChange, onLeave }
  const editor = useEditor({
    extensions: bodyExtensions,
    content: body,
    injectCSS: false,
    editorProps: {
      // The bars above and below the sheet lie over it.
      scrollThreshold: { top: 150, bottom: 90, left: 0, right: 0 },
      scrollMargin: { top: 160, bottom: 100, left: 0, right: 0 },
      attributes: { class: className, 'aria-label': label, role: 'textbox', 'aria-multiline': 'true', ...attributes },
      ...handlers,
    },
    onUpdate: ({ editor: written }) => {
      const clean = cleanRichText(written.getJSON(), nanoid)
      if (!clean.ok) throw new Error(clean.detail)
      if (same(clean.text, lastSaid.current)) return
      lastSaid.current = clean.text
      calls.current.onChange(clean.text)
    },
    onBlur: ({ event }) => {
      const to = event.relatedTarget as HTMLElement | null
      if (!to?.closest('[data-keeps-editor]')) calls.current.onLeave()
    },
  })
  useEffect(() => {
    if (!editor || same(body, lastSaid.current)) return
    lastSaid.current = body
    const { from } = editor.state.selection
    editor.commands.setContent(body, { emitUpdate: false })
    editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size))
  }, [editor, body])
  return editor
}
