import type { Editor } from '@tiptap/react'
import { useTexts } from '../../ui/words/texts'
import { Button } from '../../ui'
import { AtSelection } from './AtSelection'

/** Rows and columns of the table in which the cursor stands. */
export function TableTools({ editor }: { editor: Editor }) {
  const { t } = useTexts()
  const act = (name: string, run: () => void) => (
    <Button look="quiet" className="text-sm px-2" onPointerDown={(event) => event.preventDefault()} onClick={run}>
      {name}
    </Button>
  )
  return (
    <AtSelection editor={editor} of="table" label={t('Table')}>
      <div role="toolbar" aria-label={t('Table')} className="flex flex-wrap items-center px-1" title={t('From the keyboard: Alt+F10')}>
        {act(t('+ Row'), () => editor.chain().focus().addRowAfter().run())}
        {act(t('+ Column'), () => editor.chain().focus().addColumnAfter().run())}
        {act(t('− Row'), () => editor.chain().focus().deleteRow().run())}
        {act(t('− Column'), () => editor.chain().focus().deleteColumn().run())}
        {act(t('Remove table'), () => editor.chain().focus().deleteTable().run())}
      </div>
    </AtSelection>
  )
}
