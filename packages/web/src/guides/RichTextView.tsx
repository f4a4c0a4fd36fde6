import { isSafeLink, readGuideLink, type Block, type Inline, type Mark, type RichText } from '@jackdaw/core/guides'
import { createContext, Fragment, useContext, type ReactNode } from 'react'
import { Link } from 'react-router'

const LeadsAway = createContext(false)

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
        return <LinkView href={mark.attrs.href}>{soFar}</LinkView>
    }
  }, inner)
}
/** Guides of this Jackdaw are gone to; everything else opens beside it. */
function LinkView({ href, children }: { href: string; children: ReactNode }) {
  const leadsAway = useContext(LeadsAway)
  if (!isSafeLink(href)) return children
  if (readGuideLink(href) && !leadsAway) return <Link to={href}>{children}</Link>
  return (
    <a href={href} target="_blank" rel="noopener noreferrer nofollow">
      {children}
    </a>
  )
}

const inline = (nodes: readonly Inline[] | undefined): ReactNode =>
  (nodes ?? []).map((node, index) => <Fragment key={index}>{node.type === 'hardBreak' ? <br /> : marked(node.text, node.marks)}</Fragment>)

function BlockView({ block }: { block: Block }): ReactNode {
  const each = (blocks: readonly Block[]) => blocks.map((inner, index) => <BlockView key={index} block={inner} />)
  switch (block.type) {
    case 'paragraph':
      // An empty line is as high as any other, as it is where it is written.
      return <p>{block.content && block.content.length > 0 ? inline(block.content) : <br />}</p>
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

/** Rich text as it is read. Built from elements, never from HTML.
 * @param leadsAway links to guides open beside this page, too: somebody is in the middle of something here */
export function RichTextView({ text, className = '', leadsAway = false }: { text: RichText; className?: string; leadsAway?: boolean }) {
  return (
    <LeadsAway value={leadsAway}>
      <div className={`guide-text ${className}`}>
        {text.content.map((block, index) => (
          <BlockView key={block.attrs?.id ?? index} block={block} />
        ))}
      </div>
    </LeadsAway>
  )
}
