import { isSafeLink, type RichText } from '@jackdaw/core/guides'
import type { StepId } from '@jackdaw/core/shared'
import { useEditorState, type Editor } from '@tiptap/react'
import { Bold, Code, FileCode2, Italic, Keyboard, Link2, List, ListOrdered, SplitSquareVertical, Table } from 'lucide-react'
import { memo, useState, type ReactNode } from 'react'
import { useTexts } from '../ui/texts'
import { Button, IconButton } from '../ui'
import { splitAtCursor } from './StepBody'

/** The tools for the text in which the cursor stands. */
export const TextTools = memo(function TextTools({
  editor,
  onSplit,
}: {
  editor: Editor | null
  onSplit: (stepId: StepId, first: RichText, second: RichText) => void
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
    <div role="toolbar" aria-label={t('Text')} className="flex flex-wrap items-center" data-keeps-editor>
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
          const stepId = now.view.dom.closest<HTMLElement>('[data-step]')?.dataset['step']
          const parts = splitAtCursor(now.state)
          if (stepId && parts) onSplit(stepId as StepId, ...parts)
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
      {active?.table && editor && <TableTools editor={editor} />}
      {linking && editor && <LinkField editor={editor} onClose={() => setLinking(false)} />}
    </div>
  )
})

function TableTools({ editor }: { editor: Editor }) {
  const { t } = useTexts()
  const act = (name: string, run: () => void) => (
    <Button look="quiet" className="text-sm px-2" onPointerDown={(event) => event.preventDefault()} onClick={run}>
      {name}
    </Button>
  )
  return (
    <>
      {act(t('+ Row'), () => editor.chain().focus().addRowAfter().run())}
      {act(t('+ Column'), () => editor.chain().focus().addColumnAfter().run())}
      {act(t('− Row'), () => editor.chain().focus().deleteRow().run())}
      {act(t('− Column'), () => editor.chain().focus().deleteColumn().run())}
      {act(t('Remove table'), () => editor.chain().focus().deleteTable().run())}
    </>
  )
}

function LinkField({ editor, onClose }: { editor: Editor; onClose: () => void }) {
  const { t } = useTexts()
  const [href, setHref] = useState<string>((editor.getAttributes('link')['href'] as string | undefined) ?? '')
  const full = /^[\w-]+(\.[\w-]+)+/.test(href) ? `https://${href}` : href.trim()
  const wrong = full !== '' && !isSafeLink(full)
  const set = () => {
    if (wrong) return
    const at = editor.chain().focus().extendMarkRange('link')
    if (full === '') at.unsetLink().run()
    else if (editor.state.selection.empty && !editor.isActive('link'))
      at.insertContent({ type: 'text', text: full, marks: [{ type: 'link', attrs: { href: full } }] }).run()
    else at.setLink({ href: full }).run()
    onClose()
  }
  return (
    <form
      className="flex items-center gap-2 w-full py-1"
      onSubmit={(event) => {
        event.preventDefault()
        event.stopPropagation()
        set()
      }}
    >
      <label className="text-sm grow flex items-center gap-2">
        {t('Address')}
        <input
          autoFocus
          value={href}
          onChange={(event) => setHref(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && onClose()}
          aria-invalid={wrong}
          className="grow border border-edge min-h-9 px-2 aria-invalid:border-brick"
          placeholder="https://"
        />
      </label>
      <Button type="submit">{full === '' ? t('Remove link') : t('Set link')}</Button>
      {wrong && (
        <span role="alert" className="text-sm text-brick">
          {t('Only web, mail and telephone addresses')}
        </span>
      )}
    </form>
  )
}
