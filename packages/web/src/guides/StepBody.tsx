import { cleanRichText, plainText, type RichText } from '@jackdaw/core/guides'
import type { EditorState } from '@tiptap/pm/state'
import { EditorContent, useEditor, type Editor } from '@tiptap/react'
import { nanoid } from 'nanoid'
import { useEffect, useRef, useState } from 'react'
import { useTexts } from '../ui/texts'
import { bodyExtensions } from './bodyExtensions'
import { RichTextView } from './RichTextView'

type Props = {
  body: RichText
  label: string
  autoFocus: boolean
  onChange: (body: RichText) => void
  onEditor: (editor: Editor | null) => void
  onPictures: (files: File[]) => void
  onNewStep: () => void
  /** Ctrl+Shift+Enter: what stands behind the cursor becomes a step of its own. */
  onSplit: (first: RichText, second: RichText) => void
}

/** The text of a step, written where it stands. Only the step in which somebody writes has an editor; the others are plain pages. */
export function StepBody(props: Props) {
  const { t } = useTexts()
  const [at, setAt] = useState<{ x: number; y: number } | 'end' | null>(props.autoFocus ? 'end' : null)
  const asked = useRef(props.autoFocus)
  useEffect(() => {
    if (props.autoFocus && !asked.current) setAt('end')
    asked.current = props.autoFocus
  }, [props.autoFocus])
  if (at !== null) return <Writing {...props} at={at} onLeave={() => setAt(null)} />
  const empty = plainText(props.body).trim() === ''
  return (
    <div
      role="textbox"
      tabIndex={0}
      aria-multiline="true"
      aria-label={props.label}
      className="cursor-text min-h-9 py-1"
      data-step-text
      onPointerUp={(event) => {
        if (window.getSelection()?.isCollapsed !== false) setAt({ x: event.clientX, y: event.clientY })
      }}
      onFocus={(event) => {
        // By key only: a press of the pointer places the cursor itself when it ends.
        if (event.target === event.currentTarget && event.currentTarget.matches(':focus-visible')) setAt('end')
      }}
    >
      {empty ? <p className="guide-text text-[#5d6975]">{t('What is to be done here')}</p> : <RichTextView text={props.body} />}
    </div>
  )
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

function pictureFiles(data: DataTransfer | null): File[] {
  return [...(data?.files ?? [])].filter((file) => file.type.startsWith('image/'))
}

/** The text before the cursor and that behind it; `null` when there is nothing on one of the sides. */
export function splitAtCursor({ doc, selection }: EditorState): [RichText, RichText] | null {
  const [first, second] = [doc.cut(0, selection.from), doc.cut(selection.from)].map((part) => cleanRichText(part.toJSON(), nanoid))
  if (!first?.ok || !second?.ok || plainText(first.text).trim() === '' || plainText(second.text).trim() === '') return null
  return [first.text, second.text]
}

function Writing({
  body,
  label,
  at,
  onChange,
  onEditor,
  onPictures,
  onNewStep,
  onSplit,
  onLeave,
}: Props & { at: { x: number; y: number } | 'end'; onLeave: () => void }) {
  const told = useRef(body)
  const calls = useRef({ onChange, onPictures, onNewStep, onSplit })
  calls.current = { onChange, onPictures, onNewStep, onSplit }
  const editor = useEditor({
    extensions: bodyExtensions,
    content: body,
    injectCSS: false,
    editorProps: {
      attributes: {
        class: 'guide-text py-1 min-h-9',
        'aria-label': label,
        role: 'textbox',
        'aria-multiline': 'true',
        'data-step-text': '',
      },
      handlePaste: (_view, event) => {
        const files = pictureFiles(event.clipboardData)
        if (files.length === 0 || event.clipboardData?.types.includes('text/html')) return false
        calls.current.onPictures(files)
        return true
      },
      handleDrop: (_view, event) => pictureFiles(event.dataTransfer).length > 0,
      handleKeyDown: (view, event) => {
        if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return false
        if (!event.shiftKey) calls.current.onNewStep()
        else {
          const parts = splitAtCursor(view.state)
          if (parts) calls.current.onSplit(...parts)
        }
        return true
      },
    },
    onUpdate: ({ editor: now }) => {
      const clean = cleanRichText(now.getJSON(), nanoid)
      if (!clean.ok) throw new Error(clean.detail)
      if (same(clean.text, told.current)) return
      told.current = clean.text
      calls.current.onChange(clean.text)
    },
    onBlur: ({ event }) => {
      const to = event.relatedTarget as HTMLElement | null
      if (!to?.closest('[data-keeps-editor]')) onLeave()
    },
  })
  useEffect(() => {
    if (!editor) return
    onEditor(editor)
    const position = at === 'end' ? 'end' : (editor.view.posAtCoords({ left: at.x, top: at.y })?.pos ?? 'end')
    // At once, not a frame later as the editor's own command does: the next key must not land in the step before.
    editor.view.focus()
    editor.commands.setTextSelection(position === 'end' ? editor.state.doc.content.size : position)
    if (at === 'end') editor.commands.scrollIntoView()
    return () => onEditor(null)
    // The place of the first press is wanted once, when the editor opens.
  }, [editor])
  useEffect(() => {
    if (!editor || same(body, told.current)) return
    // The text came from elsewhere: undone, redone, or written by somebody else.
    told.current = body
    const { from } = editor.state.selection
    editor.commands.setContent(body, { emitUpdate: false })
    editor.commands.setTextSelection(Math.min(from, editor.state.doc.content.size))
  }, [editor, body])
  return <EditorContent editor={editor} />
}
