import { isSafeLink } from '@jackdaw/core/guides'
import { Extension, Mark, mergeAttributes } from '@tiptap/core'
import Link from '@tiptap/extension-link'
import { Table, TableCell, TableHeader, TableRow } from '@tiptap/extension-table'
import { Plugin } from '@tiptap/pm/state'
import StarterKit from '@tiptap/starter-kit'
import { nanoid } from 'nanoid'

const KeyCap = Mark.create({
  name: 'keyCap',
  parseHTML: () => [{ tag: 'kbd' }],
  renderHTML: ({ HTMLAttributes }) => ['kbd', mergeAttributes(HTMLAttributes), 0],
  addKeyboardShortcuts() {
    return { 'Mod-Shift-k': () => this.editor.commands.toggleMark(this.name) }
  },
})

const TOP_BLOCKS = ['paragraph', 'bulletList', 'orderedList', 'codeBlock', 'table']

/** Gives every block at the top an id of its own that stays with it. */
const BlockIds = Extension.create({
  name: 'blockIds',
  addGlobalAttributes: () => [{ types: TOP_BLOCKS, attributes: { id: { default: null, rendered: false, keepOnSplit: false } } }],
  addProseMirrorPlugins: () => [
    new Plugin({
      appendTransaction: (transactions, _before, state) => {
        if (!transactions.some((each) => each.docChanged)) return null
        const used = new Set<string>()
        const { tr } = state
        state.doc.forEach((node, offset) => {
          const id: string | null = node.attrs['id']
          if (id === null || used.has(id)) tr.setNodeAttribute(offset, 'id', nanoid())
          else used.add(id)
        })
        return tr.docChanged ? tr.setMeta('addToHistory', false) : null
      },
    }),
  ],
})

/** Tab goes from cell to cell and, behind the last one, on through the page: whoever works by keyboard comes out of a table. Rows have buttons. */
const TableInText = Table.extend({
  addKeyboardShortcuts() {
    return { ...this.parent?.(), Tab: () => this.editor.commands.goToNextCell() }
  },
})

/** What the text of a step may hold while it is written: the same as the schema in the core. */
export const bodyExtensions = [
  StarterKit.configure({
    heading: false,
    blockquote: false,
    horizontalRule: false,
    strike: false,
    underline: false,
    link: false,
    undoRedo: false,
    trailingNode: false,
    code: { HTMLAttributes: {} },
  }),
  Link.configure({
    openOnClick: false,
    autolink: true,
    protocols: ['http', 'https', 'mailto', 'tel'],
    isAllowedUri: (url) => isSafeLink(url),
    HTMLAttributes: { rel: 'noopener noreferrer nofollow', target: null },
  }),
  TableInText.configure({ resizable: false }),
  TableRow,
  TableHeader,
  TableCell,
  KeyCap,
  BlockIds,
]
