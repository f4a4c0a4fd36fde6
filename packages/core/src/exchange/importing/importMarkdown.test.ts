import { describe, expect, it } from 'vitest'
import { GuideDocument, plainText, stepName, stepsOf } from '../../guides'
import { seededIds } from '../../shared'
import { importMarkdown } from './importMarkdown'
import { settlePictures } from './settlePictures'

const tryToRead = (source: string, fileName = 'clean-the-tank.md') => importMarkdown(source, fileName, seededIds(1))
const read = (source: string, fileName?: string) => {
  const result = tryToRead(source, fileName)
  if (!result.ok) throw new Error(result.words)
  return result.draft
}
const outline = (source: string) =>
  read(source).document.items.map((item) =>
    item.kind === 'step' ? plainText(item.body) : item.kind === 'section' ? `# ${item.title}` : item.kind,
  )

describe('a Markdown file as a draft', () => {
  it('gives title, summary, sections and steps', () => {
    const { document, notPlaced } = read(
      '# Clean the tank\n\nOnce a week.\n\n## Drain\n\n1. Close the **inlet**\n2. Open the drain\n\n## Rinse\n\n### Rinse twice\n\nWith warm water.\n',
    )
    expect([document.title, document.summary]).toEqual(['Clean the tank', 'Once a week.'])
    expect(
      document.items.map((item) => (item.kind === 'step' ? plainText(item.body) : item.kind === 'section' ? `# ${item.title}` : item.kind)),
    ).toEqual(['# Drain', 'Close the inlet', 'Open the drain', '# Rinse', 'Rinse twice\nWith warm water.'])
    expect(notPlaced).toEqual([])
    expect(GuideDocument.safeParse(document).success).toBe(true)
  })
  it('takes the file’s name when there is no heading', () => {
    expect(read('Just words.').document.title).toBe('clean the tank')
    expect(outline('Just words.')).toEqual(['Just words.'])
  })
  it('keeps nested lists and code inside the step', () => {
    const { document } = read('1. Prepare\n   - gloves\n   - goggles\n     1. clean ones\n2. Run\n\n   ```sh\n   start --slow\n   ```\n')
    const [first, second] = stepsOf(document)
    expect(plainText(first!.body)).toBe('Prepare\ngloves\ngoggles\nclean ones')
    expect(second!.body.content[1]).toMatchObject({ type: 'codeBlock', attrs: { language: 'sh' }, content: [{ text: 'start --slow' }] })
  })
  it('keeps tables, with HTML spans', () => {
    const { document } = read('| Dose | ml |\n|---|---|\n| A | 20 |\n\n<table><tr><td colspan="2">Both <b>tanks</b></td></tr></table>\n')
    const tables = stepsOf(document)
      .flatMap((step) => step.body.content)
      .filter((block) => block.type === 'table')
    expect(tables).toHaveLength(2)
    expect(tables[0]).toMatchObject({
      content: [
        { content: [{ type: 'tableHeader' }, { type: 'tableHeader' }] },
        { content: [{ type: 'tableCell' }, { type: 'tableCell' }] },
      ],
    })
    expect(tables[1]).toMatchObject({ content: [{ content: [{ attrs: { colspan: 2 } }] }] })
  })
  it('shows keys as keys and drops script, saying so', () => {
    const { document, notPlaced } = read('Press <kbd>F2</kbd><script>alert("pwned")</script> [now](javascript:steal)\n')
    const json = JSON.stringify(document)
    expect(json).toContain('keyCap')
    expect(json).not.toMatch(/pwned|steal/)
    expect(notPlaced.flatMap((each) => each.words)).toEqual(expect.arrayContaining(['pwned', 'steal']))
    expect(notPlaced[0]).toMatchObject({ line: 1 })
  })
  it('gives pictures to their steps and waits for their files', () => {
    const draft = read('# T\n\n1. Open ![the valve](img/valve.png)\n2. Close\n\n![](https://elsewhere.example/x.png)\n')
    expect(draft.pictures).toMatchObject([{ path: 'img/valve.png', alt: 'the valve' }])
    expect(stepsOf(draft.document)[0]!.pictures).toHaveLength(1)
    expect(draft.notPlaced.flatMap((each) => each.words)).toContain('elsewhere')
  })
  it('notes a missing picture at its step and makes no step of it', () => {
    const draft = read('## Open\n\n1. Open the valve\n\n![the red valve](valve.png)\n\n## Close\n\n![](lid.png)\n\n1. Close it\n')
    const { document, missing } = settlePictures(draft, new Set())
    expect(missing).toHaveLength(2)
    expect(stepsOf(document).map((step) => [plainText(step.body), step.pictures.length, step.notReadyWhy])).toEqual([
      ['Open the valve', 0, 'Picture missing: valve.png (the red valve).'],
      ['Close it', 0, 'Picture missing: lid.png.'],
    ])
    expect(settlePictures(draft, new Set(draft.pictures.map((each) => each.id))).document.items).toEqual(draft.document.items)
    const nothingElse = settlePictures(read('![only this](a.png)\n'), new Set()).document
    expect(stepsOf(nothingElse).map((step) => plainText(step.body))).toEqual(['only this'])
  })
  it('makes cautions of what begins with a signal word, and asks to look at them', () => {
    const { document, notPlaced } = read(
      '# Cut\n\n**Danger:** The blade runs on.\n\n1. Switch it off\n\n   Note: it hums for a while\n2. Open it\n\n> [!WARNING]\n> Sharp edges\n\n## Then\n\n1. Uwaga: gorące\n2. Take it out\n\nTake note: this is no caution.\n',
    )
    expect(
      stepsOf(document).map((step) => [plainText(step.body), step.cautions?.map((each) => [each.level, each.words, each.acknowledge])]),
    ).toEqual([
      [
        'Switch it off',
        [
          ['danger', 'The blade runs on.', true],
          ['note', 'it hums for a while', false],
        ],
      ],
      ['Open it', [['warning', 'Sharp edges', false]]],
      ['Take it out', [['caution', 'gorące', false]]],
      ['Take note: this is no caution.', undefined],
    ])
    expect(stepsOf(document)[0]).toMatchObject({ notReady: true, notReadyWhy: expect.stringContaining('see whether its level') })
    expect(notPlaced).toEqual([])
    expect(GuideDocument.safeParse(document).success).toBe(true)
  })
  it('makes steps that are confirmed of a list of boxes to be ticked, and shows boxes inside of a step as boxes', () => {
    const { document, notPlaced } = read('# Round\n\n- [ ] Look at the gauge\n- [x] Close the hatch\n  - [ ] upper\n  - [x] lower\n')
    expect(document.confirmSteps).toBe(true)
    expect(stepsOf(document).map((step) => plainText(step.body))).toEqual(['Look at the gauge', 'Close the hatch\n☐ upper\n☑ lower'])
    expect(notPlaced).toEqual([])
    expect(read('1. [ ] One\n2. Two\n').document.confirmSteps).toBe(false)
  })
  it('lists front matter, and takes its title when no heading has one', () => {
    const { document, notPlaced } = read('---\ntitle: "Lone working"\nweight: 7\n---\nStay in touch.\n')
    expect(document.title).toBe('Lone working')
    expect(notPlaced.flatMap((each) => each.words)).toEqual(['title', 'weight', '7'])
  })
  it('comes through with headings that are only pictures, setext headings and HTML headings', () => {
    expect(outline('Guide\n=====\n\n<h2 align="center">Part <i>one</i></h2>\n\ntext\n\n## ![logo](logo.png)\n\nmore\n')).toEqual([
      '# Part one',
      'text\nmore',
    ])
  })
  it('splits very long text into steps and survives deep nesting', () => {
    expect(stepsOf(read(Array.from({ length: 100 }, (_, i) => `Paragraph ${i}`).join('\n\n')).document).length).toBe(3)
    const deep = read(
      `${'<div>'.repeat(3000)}bottom${'</div>'.repeat(3000)}\n\n${'> '.repeat(500)}quoted\n\n${Array.from({ length: 60 }, (_, i) => `${' '.repeat(i * 2)}- level${i}`).join('\n')}`,
    )
    const all = JSON.stringify(deep)
    for (const word of ['bottom', 'quoted', 'level59']) expect(all).toContain(word)
    expect(GuideDocument.safeParse(deep.document).success).toBe(true)
  })
  it('refuses in words what no guide could hold', () => {
    const refused = (source: string) => {
      const result = tryToRead(source)
      return result.ok ? null : [result.reason, result.words]
    }
    expect(refused('<b>'.repeat(50_000))).toMatchObject(['too-deep', expect.stringContaining('deep')])
    expect(refused('1. a\n'.repeat(25_000))).toMatchObject(['too-many-steps', expect.stringContaining('25,000')])
    expect(refused(Array.from({ length: 5_003 }, (_, n) => `## Part ${n}\n`).join('\n'))).toMatchObject([
      'too-many-steps',
      expect.stringContaining('5,002'),
    ])
    expect(refused('1. a\n'.repeat(4_000))).toBe(null)
  })
  it('puts pictures for which a step has no room into steps behind it', () => {
    const pictures = Array.from({ length: 95 }, (_, n) => `![p${n}](p${n}.png)`).join(' ')
    const { document, pictures: wanted } = read(`# T\n\n1. Look ${pictures}\n2. Next\n`)
    expect(stepsOf(document).map((step) => step.pictures.length)).toEqual([40, 40, 15, 0])
    expect(wanted).toHaveLength(95)
    expect(GuideDocument.safeParse(document).success).toBe(true)
  })
  it('names its steps, whatever they begin with', () => {
    expect(stepsOf(read('1. ```\n   code\n   ```\n2. > quoted\n').document).map(stepName)).toEqual(['code', 'quoted'])
  })
})
