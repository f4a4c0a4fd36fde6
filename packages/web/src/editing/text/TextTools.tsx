import type { GuideId, StepId } from '@jackdaw/core/shared'
import { useEditorState, type Editor } from '@tiptap/react'
import { Bold, Code, FileCode2, Italic, Keyboard, Link2, List, ListOrdered, SplitSquareVertical, Table } from 'lucide-react'
import { memo, useState, type ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { IconButton } from '../../ui'
import type { ItemActions } from '../itemActions'
import { LinkForm } from './LinkForm'
import { splitStepAt } from './StepBody'
import { TableTools } from './TableTools'

const MARKED = ['bold', 'italic', 'code', 'keyCap', 'link', 'bulletList', 'orderedList', 'codeBlock', 'table'] as const
type Marked = (typeof MARKED)[number]

const chain = (editor: Editor) => editor.chain().focus()
/** What is done to the text, beside what is asked about first. */
const RUNS: Record<Exclude<Marked, 'link'>, (editor: Editor) => void> = {
  bold: (editor) => chain(editor).toggleBold().run(),
  italic: (editor) => chain(editor).toggleItalic().run(),
  code: (editor) => chain(editor).toggleCode().run(),
  keyCap: (editor) => chain(editor).toggleMark('keyCap').run(),
  bulletList: (editor) => chain(editor).toggleBulletList().run(),
  orderedList: (editor) => chain(editor).toggleOrderedList().run(),
  codeBlock: (editor) => chain(editor).toggleCodeBlock().run(),
  table: (editor) => !editor.isActive('table') && chain(editor).insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run(),
}

/** Splits the step in which the cursor stands. */
function split(editor: Editor, actions: ItemActions): void {
  const stepId = editor.view.dom.closest<HTMLElement>('[data-step]')?.dataset['step'] as StepId | undefined
  if (stepId)
    splitStepAt(editor.state, {
      onSplit: (first, second) => actions.split(stepId, first, second),
      onNewStep: (where) => actions.addStepBeside(stepId, where),
    })
}

/** The tools for the text in which the cursor stands. */
export const TextTools = memo(function TextTools({
  editor,
  guideId,
  actions,
}: {
  editor: Editor | null
  guideId: GuideId
  actions: ItemActions
}) {
  const { t } = useTexts()
  const [linking, setLinking] = useState(false)
  const active = useEditorState({
    editor,
    selector: ({ editor: now }) =>
      Object.fromEntries(MARKED.map((name) => [name, now?.isActive(name) ?? false])) as Record<Marked, boolean>,
  })
  const press = (name: string, icon: ReactNode, on: boolean, run: (editor: Editor) => void) => (
    <IconButton
      name={name}
      aria-pressed={on}
      disabled={!editor}
      onPointerDown={(event) => event.preventDefault()}
      onClick={() => editor && run(editor)}
    >
      {icon}
    </IconButton>
  )
  const tool = (of: keyof typeof RUNS, name: string, icon: ReactNode) => press(name, icon, active?.[of] ?? false, RUNS[of])
  return (
    <div role="toolbar" aria-label={t('Text')} className="flex items-center" data-keeps-editor>
      {tool('bold', t('Bold (Ctrl+B)'), <Bold size={17} aria-hidden />)}
      {tool('italic', t('Italics (Ctrl+I)'), <Italic size={17} aria-hidden />)}
      {tool('keyCap', t('Key cap (Ctrl+Shift+K)'), <Keyboard size={17} aria-hidden />)}
      {tool('code', t('Code (Ctrl+E)'), <Code size={17} aria-hidden />)}
      {press(t('Link'), <Link2 size={17} aria-hidden />, active?.link ?? false, () => setLinking((now) => !now))}
      <span className="w-px h-5 bg-hair mx-1" aria-hidden />
      {tool('bulletList', t('List with dots'), <List size={17} aria-hidden />)}
      {tool('orderedList', t('List with numbers'), <ListOrdered size={17} aria-hidden />)}
      {press(t('Split the step at the cursor (Ctrl+Shift+Enter)'), <SplitSquareVertical size={17} aria-hidden />, false, (now) =>
        split(now, actions),
      )}
      {tool('codeBlock', t('Block of code'), <FileCode2 size={17} aria-hidden />)}
      {tool('table', t('Table'), <Table size={17} aria-hidden />)}
      {active?.table && editor && !linking && <TableTools editor={editor} />}
      {linking && editor && (
        <LinkForm editor={editor} guide={{ id: guideId, document: actions.document() }} onClose={() => setLinking(false)} />
      )}
    </div>
  )
})
