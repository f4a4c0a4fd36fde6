import { cleanRichText, plainText, type RichText } from '@jackdaw/core/guides'
import type { EditorState } from '@tiptap/pm/state'
import type { EditorView } from '@tiptap/pm/view'
import { EditorContent, type Editor } from '@tiptap/react'
import { nanoid } from 'nanoid'
import { useEffect, useRef, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { RichTextView } from '../../guides/RichTextView'
import { useWrittenText } from './useWrittenText'

type Props = {
  body: RichText
  label: string
  /** The cursor is to go here; each wish is an object of its own. */
  focus: FocusAt | null
  onChange: (body: RichText) => void
  onEditor: (editor: Editor | null) => void
  onPictures: (files: File[]) => void
  onNewStep: (where: 'before' | 'after') => void
  /** Ctrl+Shift+Enter: what stands behind the cursor becomes a step of its own. */
  onSplit: (first: RichText, second: RichText) => void
  /** Backspace at the very beginning: the step becomes part of the one before it. */
  onJoin: () => void
}

/** Where in a text the cursor goes: to its beginning, its end, or the beginning of a block at the top, counted from 0. */
export type FocusAt = { at: 'start' | 'end' | number }
type At = FocusAt | { at: { x: number; y: number } }

/** The text of a step, written where it stands. Only the step in which somebody writes has an editor; the others are plain pages. */
export function StepBody(props: Props) {
  const { t } = useTexts()
  const [at, setAt] = useState<At | null>(props.focus)
  const asked = useRef(props.focus)
  useEffect(() => {
    if (props.focus && asked.current !== props.focus) setAt(props.focus)
    asked.current = props.focus
  }, [props.focus])
  if (at !== null) return <Writing {...props} at={at.at} onLeave={() => setAt(null)} />
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
        if (window.getSelection()?.isCollapsed !== false) setAt({ at: { x: event.clientX, y: event.clientY } })
      }}
      onFocus={(event) => {
        // By key only: a press of the pointer places the cursor itself when it ends.
        if (event.target === event.currentTarget && event.currentTarget.matches(':focus-visible')) setAt({ at: 'end' })
      }}
    >
      {empty ? <p className="guide-text text-[#5d6975]">{t('What is to be done here')}</p> : <RichTextView text={props.body} leadsAway />}
    </div>
  )
}

function pictureFiles(data: DataTransfer | null): File[] {
  return [...(data?.files ?? [])].filter((file) => file.type.startsWith('image/'))
}

/** The text before the cursor and that behind it, or on which side of it there is nothing. */
function splitAtCursor({ doc, selection }: EditorState): [RichText, RichText] | 'nothing-before' | 'nothing-behind' {
  const [first, second] = [doc.cut(0, selection.from), doc.cut(selection.from)].map((part) => cleanRichText(part.toJSON(), nanoid))
  if (!second?.ok || plainText(second.text).trim() === '') return 'nothing-behind'
  if (!first?.ok || plainText(first.text).trim() === '') return 'nothing-before'
  return [first.text, second.text]
}

/** Splits the step at the cursor, or makes a new one on the side on which there is nothing. */
export function splitStepAt(state: EditorState, { onSplit, onNewStep }: Pick<Props, 'onSplit' | 'onNewStep'>): void {
  const parts = splitAtCursor(state)
  if (parts === 'nothing-behind') onNewStep('after')
  else if (parts === 'nothing-before') onNewStep('before')
  else onSplit(...parts)
}

const isAtBeginning = ({ selection, doc }: EditorState): boolean =>
  selection.empty &&
  selection.$from.parentOffset === 0 &&
  selection.$from.depth === 1 &&
  selection.$from.before(1) === 0 &&
  doc.childCount > 0

/** The place of the document that is meant. */
function placeIn(view: EditorView, at: At['at']): number {
  const { doc } = view.state
  if (at === 'start') return 1
  if (at === 'end') return doc.content.size
  if (typeof at === 'object') return view.posAtCoords({ left: at.x, top: at.y })?.pos ?? doc.content.size
  let place = 0
  for (let n = 0; n < Math.min(at, doc.childCount); n++) place += doc.child(n).nodeSize
  return at < doc.childCount ? place + 1 : doc.content.size
}

type Calls = Pick<Props, 'onChange' | 'onPictures' | 'onNewStep' | 'onSplit' | 'onJoin'>

/** What keys do beyond writing. @returns whether the key was meant */
function keyed(view: EditorView, event: KeyboardEvent, { onJoin, onNewStep, onSplit }: Calls): boolean {
  const command = event.ctrlKey || event.metaKey
  if (event.key === 'F10' && event.altKey) {
    const tools = document.querySelector<HTMLElement>('[data-floats-at="table"] button')
    tools?.focus()
    return tools !== null
  }
  if (event.key === 'Backspace' && !command && !event.altKey && isAtBeginning(view.state)) {
    // Held down it deletes letters, and must not run on into other steps.
    if (!event.repeat) onJoin()
    return true
  }
  if (event.key !== 'Enter' || !command) return false
  if (event.shiftKey) splitStepAt(view.state, { onSplit, onNewStep })
  else onNewStep('after')
  return true
}

/** The text's own editor. */
function useWriting({ body, label, onLeave, ...now }: Calls & Pick<Props, 'body' | 'label'> & { onLeave: () => void }): Editor | null {
  const calls = useRef<Calls>(now)
  calls.current = now
  return useWrittenText({
    ...{ body, label, onLeave, className: 'guide-text py-1 min-h-9', attributes: { 'data-step-text': '' } },
    onChange: (text) => calls.current.onChange(text),
    handlePaste: (_view, event) => {
      const files = pictureFiles(event.clipboardData)
      if (files.length === 0 || event.clipboardData?.types.includes('text/html')) return false
      calls.current.onPictures(files)
      return true
    },
    handleDrop: (_view, event) => pictureFiles(event.dataTransfer).length > 0,
    handleKeyDown: (view, event) => keyed(view, event, calls.current),
  })
}

function Writing({ at, onEditor, ...props }: Props & { at: At['at']; onLeave: () => void }) {
  const editor = useWriting(props)
  useEffect(() => {
    if (!editor) return
    onEditor(editor)
    // At once, not a frame later as the editor's own command does: the next key must not land in the step before.
    editor.view.focus()
    editor.commands.setTextSelection(placeIn(editor.view, at))
    if (typeof at !== 'object') editor.commands.scrollIntoView()
    return () => onEditor(null)
    // The place of the first press is wanted once, when the editor opens.
  }, [editor])
  return <EditorContent editor={editor} />
}
