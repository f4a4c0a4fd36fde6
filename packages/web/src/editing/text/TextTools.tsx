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
    selector: ({ editor: now }) => ({
      bold: now?.isActive('bold') ?? false,
      italic: now?.isActive('italic') ?? false,
      code: now?.isActive('code') ?? false,
      keyCap: now?.isActive('keyCap') ?? false,
      link: now?.isActive('link') ?? false,
      bulletList: now?.isActive('bulletList') ?? false,
      orderedList: now?.isActive('orderedList') ?? false,
      codeBlock: now?.isActive('codeBlock') ?? false,
      table: now?.isActive('table') ?? false,
    }),
  })
  const tool = (name: string, on: boolean, run: (editor: Editor) => void, icon: ReactNode) => (
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
  const chain = (now: Editor) => now.chain().focus()
  return (
    <div role="toolbar" aria-label={t('Text')} className="flex items-center" data-keeps-editor>
      {tool(t('Bold (Ctrl+B)'), active?.bold ?? false, (now) => chain(now).toggleBold().run(), <Bold size={17} aria-hidden />)}
      {tool(t('Italics (Ctrl+I)'), active?.italic ?? false, (now) => chain(now).toggleItalic().run(), <Italic size={17} aria-hidden />)}
      {tool(
        t('Key cap (Ctrl+Shift+K)'),
        active?.keyCap ?? false,
        (now) => chain(now).toggleMark('keyCap').run(),
        <Keyboard size={17} aria-hidden />,
      )}
      {tool(t('Code (Ctrl+E)'), active?.code ?? false, (now) => chain(now).toggleCode().run(), <Code size={17} aria-hidden />)}
      {tool(t('Link'), active?.link ?? false, () => setLinking((now) => !now), <Link2 size={17} aria-hidden />)}
      <span className="w-px h-5 bg-hair mx-1" aria-hidden />
      {tool(t('List with dots'), active?.bulletList ?? false, (now) => chain(now).toggleBulletList().run(), <List size={17} aria-hidden />)}
      {tool(
        t('List with numbers'),
        active?.orderedList ?? false,
        (now) => chain(now).toggleOrderedList().run(),
        <ListOrdered size={17} aria-hidden />,
      )}
      {tool(
        t('Split the step at the cursor (Ctrl+Shift+Enter)'),
        false,
        (now) => {
          const stepId = now.view.dom.closest<HTMLElement>('[data-step]')?.dataset['step'] as StepId | undefined
          if (stepId)
            splitStepAt(now.state, {
              onSplit: (first, second) => actions.split(stepId, first, second),
              onNewStep: (where) => actions.addStepBeside(stepId, where),
            })
        },
        <SplitSquareVertical size={17} aria-hidden />,
      )}
      {tool(
        t('Block of code'),
        active?.codeBlock ?? false,
        (now) => chain(now).toggleCodeBlock().run(),
        <FileCode2 size={17} aria-hidden />,
      )}
      {tool(
        t('Table'),
        active?.table ?? false,
        (now) => !now.isActive('table') && chain(now).insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run(),
        <Table size={17} aria-hidden />,
      )}
      {active?.table && editor && !linking && <TableTools editor={editor} />}
      {linking && editor && <LinkForm {...{ editor, guideId }} document={actions.document} onClose={() => setLinking(false)} />}
    </div>
  )
})
