import { describe, expect, it } from 'vitest'
import { GuideDocument, stepsOf, tooMuchIn, type Block, type Inline, type RichText } from '../../guides'
import { seededIds, seededRandom } from '../../shared'
import { valueOf } from '../../testing'
import { cautionIn, isAside } from '../importing/cautionIn'
import { importMarkdown } from '../importing/importMarkdown'
import { aDocument, aGuideQuiz, aHandoutGuide, aStep, plainWords } from '../paper/testing'
import { outsideLink } from '../text/blocksHtml'
import { writeMarkdown } from './writeMarkdown'

const HOME = 'https://guides.example'
const written = (document: GuideDocument) => writeMarkdown(aHandoutGuide(document), HOME, plainWords)
const again = (document: GuideDocument): GuideDocument => {
  const read = importMarkdown(written(document).text, 'guide.md', seededIds(5))
  if (!read.ok) throw new Error(read.words)
  return read.draft.document
}

const plain = (text: string): string => text.replace(/\s+/g, ' ').trim()
/** Runs of words by what each letter says and how it is set off; blanks count once, and not at the edges. */
function inlineShape(nodes: readonly Inline[] | undefined): string {
  const letters = (nodes ?? []).flatMap((node) => {
    if (node.type === 'hardBreak') return ['\n']
    const marks = (node.marks ?? []).map((mark) => (mark.type === 'link' ? `link ${outsideLink(mark.attrs.href, HOME)}` : mark.type)).sort()
    const set = [...new Set(marks)].join(' ')
    return [...node.text].map((letter) => (/\s/.test(letter) ? ' ' : set === '' ? letter : `${letter}{${set}}`))
  })
  return letters
    .join('')
    .replace(/ +/g, ' ')
    .replace(/ *\n */g, '\n')
    .replace(/^\s+|\s+$/g, '')
}
/** Blocks as far as Markdown can hold them: without their ids, and without what is empty. */
function blocksShape(blocks: readonly Block[]): unknown[] {
  return blocks.flatMap((block): unknown[] => {
    switch (block.type) {
      case 'paragraph': {
        const words = inlineShape(block.content)
        return words === '' ? [] : [words]
      }
      case 'codeBlock': {
        const code = (block.content ?? []).map((node) => node.text).join('')
        return code.trim() === '' ? [] : [{ code: code.replace(/\n+$/, '') }]
      }
      case 'bulletList':
      case 'orderedList': {
        const items = block.content.map((item) => blocksShape(item.content)).filter((item) => item.length > 0)
        return items.length === 0 ? [] : [{ [block.type]: items }]
      }
      case 'table':
        return [
          {
            table: block.content.map((row) =>
              row.content.map((cell) => [cell.type, cell.attrs?.colspan ?? 1, cell.attrs?.rowspan ?? 1, blocksShape(cell.content)]),
            ),
          },
        ]
    }
  })
}
const isHeld = (document: GuideDocument): boolean =>
  tooMuchIn(document).length === 0 &&
  stepsOf(document).every(
    (step) => step.body.content.every((block) => !cautionIn(block) && !isAside(block)) && step.body.content.length <= 40,
  )
function shape(document: GuideDocument) {
  return document.items.flatMap((item): unknown[] => {
    if (item.kind === 'quiz') return []
    if (item.kind === 'section') return plain(item.title) === '' ? [] : [{ section: plain(item.title) }]
    const cautions = (item.cautions ?? []).flatMap(({ level, words }) => (plain(words) === '' ? [] : [[level, plain(words)]]))
    const blocks = blocksShape(item.body.content)
    // A step that says and shows nothing is none in a text.
    return blocks.length === 0 && item.pictures.length === 0
      ? []
      : [{ blocks, cautions, pictures: item.pictures.map((picture) => plain(picture.alt)) }]
  })
}
const body = (...content: Block[]): RichText => ({ type: 'doc', content })
const text = (words: string, ...marks: ('bold' | 'italic' | 'code' | 'keyCap')[]): Inline => ({
  type: 'text',
  text: words,
  ...(marks.length > 0 ? { marks: marks.map((type) => ({ type })) } : {}),
})
const paragraph = (...content: Inline[]): Block => ({ type: 'paragraph', content })

describe('a guide as Markdown', () => {
  it('is a text that people read: title, summary, numbered steps, cautions, pictures', () => {
    const step = { ...aStep(), body: body(paragraph(text('Close the '), text('inlet', 'bold'), text(' with '), text('F2', 'keyCap'))) }
    step.cautions = [{ id: 'caution-1', level: 'warning', words: 'Hot\nwater', acknowledge: false }]
    step.pictures = [{ id: 'picture-0000000000001' as never, alt: 'The [red] valve' }]
    const document = { ...aDocument(step, aStep('Wait *here*')), summary: 'Once a week.' }
    expect(written(document)).toEqual({
      text: [
        '# Rinse the trays\n\nOnce a week.\n\n1. > [!WARNING]\n   > Hot\\\n   > water\n\n   Close the **inlet** with <kbd>F2</kbd>\n',
        '   ![The \\[red\\] valve](pictures/step-01.png)\n\n2. Wait \\*here\\*\n',
      ].join('\n'),
      pictures: [{ stepId: step.id, index: 0, path: 'pictures/step-01.png' }],
    })
  })
  it('says what it has no form for in asides, which an import leaves out and lists', () => {
    const [one, two] = [aStep('One'), aStep('Two')]
    one.signs = ['M004']
    one.flow = { ask: 'Which?', choices: [{ id: 'choice-1', words: 'The second', to: two.id }] }
    const quiz = aGuideQuiz()
    const read = importMarkdown(
      writeMarkdown(aHandoutGuide(aDocument(one, quiz, two), { quizzes: { [quiz.quizId]: 'Trays' } }), HOME, plainWords).text,
      'a.md',
      seededIds(5),
    )
    if (!read.ok) throw new Error(read.words)
    expect(shape(read.draft.document)).toEqual(shape(aDocument(one, two)))
    expect(read.draft.notPlaced.flatMap((each) => each.words)).toEqual(expect.arrayContaining(['protection', 'second', 'Quiz']))
  })
  it.each([
    ['words that look like Markdown', body(paragraph(text('# no heading * _x_ `y` [z](w) <b> &amp; 1. ~~a~~ | b')))],
    [
      'a line that begins like a list',
      body(paragraph(text('1. not a list'), { type: 'hardBreak' }, text('- nor this'), { type: 'hardBreak' }, text('+ that'))),
    ],
    ['strong words within a word', body(paragraph(text('Nähr'), text('stoff', 'bold'), text('tank')))],
    ['strong blanks and signs', body(paragraph(text('a'), text(' b ', 'bold'), text('(c)', 'italic'), text('d', 'bold', 'italic')))],
    [
      'code with backticks',
      body(paragraph(text('press '), text('a`b', 'code')), { type: 'codeBlock', content: [{ type: 'text', text: '```\nx\n\n  y' }] }),
    ],
    [
      'two lists, one behind the other',
      body(
        ...[1, 2].map((): Block => ({
          type: 'bulletList',
          content: [
            {
              type: 'listItem',
              content: [
                paragraph(text('a')),
                { type: 'orderedList', attrs: { start: 3 }, content: [{ type: 'listItem', content: [paragraph(text('b'))] }] },
              ],
            },
          ],
        })),
      ),
    ],
    [
      'a table with a pipe and one with spans',
      body(
        {
          type: 'table',
          content: [
            { type: 'tableRow', content: [{ type: 'tableHeader', content: [paragraph(text('a|b'))] }] },
            { type: 'tableRow', content: [{ type: 'tableCell', content: [paragraph(text('c'))] }] },
          ],
        },
        {
          type: 'table',
          content: [
            {
              type: 'tableRow',
              content: [{ type: 'tableCell', attrs: { colspan: 2 }, content: [paragraph(text('a')), paragraph(text('b'))] }],
            },
          ],
        },
      ),
    ],
  ])('comes back as it was: %s', (_, content) => {
    const document = aDocument({ ...aStep(), body: content })
    expect(shape(again(document))).toEqual(shape(document))
  })
  it('comes back as far as Markdown can hold it, whatever is in it', () => {
    const random = seededRandom(181)
    let tried = 0
    for (let n = 0; n < 150; n++) {
      const document = valueOf(GuideDocument, { random, hint: () => undefined }) as GuideDocument
      if (!isHeld(document)) continue
      tried++
      expect(shape(again({ ...document, title: 'T', summary: '' }))).toEqual(shape(document))
    }
    expect(tried).toBeGreaterThan(60)
  })
})
