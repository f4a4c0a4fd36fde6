import { isSafeLink, type Block, type Inline, type Mark, type RichText } from '@jackdaw/core/guides'
import { Fragment, type ReactNode } from 'react'

function marked(inner: ReactNode, marks: readonly Mark[] | undefined): ReactNode {
  return (marks ?? []).reduce<ReactNode>((soFar, mark) => {
    switch (mark.type) {
      case 'bold':
        return <strong>{soFar}</strong>
      case 'italic':
        return <em>{soFar}</em>
      case 'code':
        return <code>{soFar}</code>
      case 'keyCap':
        return <kbd>{soFar}</kbd>
      case 'link':
        return isSafeLink(mark.attrs.href) ? (
          <a href={mark.attrs.href} target="_blank" rel="noopener noreferrer nofollow">
            {soFar}
          </a>
        ) : (
          soFar
        )
    }
  }, inner)
}
const inline = (nodes: readonly Inline[] | undefined): ReactNode =>
  (nodes ?? []).map((node, index) => <Fragment key={index}>{node.type === 'hardBreak' ? <br /> : marked(node.text, node.marks)}</Fragment>)

function BlockView({ block }: { block: Block }): ReactNode {
  const each = (blocks: readonly Block[]) => blocks.map((inner, index) => <BlockView key={index} block={inner} />)
  switch (block.type) {
    case 'paragraph':
      return <p>{inline(block.content as Inline[] | undefined) ?? null}</p>
    case 'codeBlock':
      return (
        <pre tabIndex={0}>
          <code>{(block.content ?? []).map((node) => ('text' in node ? node.text : '')).join('')}</code>
        </pre>
      )
    case 'bulletList':
      return (
        <ul>
          {block.content.map((item, index) => (
            <li key={index}>{each(item.content)}</li>
          ))}
        </ul>
      )
    case 'orderedList':
      return (
        <ol start={block.attrs?.start ?? 1}>
          {block.content.map((item, index) => (
            <li key={index}>{each(item.content)}</li>
          ))}
        </ol>
      )
    case 'table':
      return (
        <div className="table-frame">
          <table>
            <tbody>
              {block.content.map((row, index) => (
                <tr key={index}>
                  {row.content.map((cell, at) => {
                    const Cell = cell.type === 'tableHeader' ? 'th' : 'td'
                    return (
                      <Cell key={at} colSpan={cell.attrs?.colspan ?? 1} rowSpan={cell.attrs?.rowspan ?? 1}>
                        {each(cell.content)}
                      </Cell>
                    )
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )
  }
}

/** Rich text as it is read. Built from elements, never from HTML. */
export function RichTextView({ text, className = '' }: { text: RichText; className?: string }) {
  return (
    <div className={`guide-text ${className}`}>
      {text.content.map((block, index) => (
        <BlockView key={block.attrs?.id ?? index} block={block} />
      ))}
    </div>
  )
}
