import { execFile } from 'node:child_process'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { promisify } from 'node:util'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { ExportHand, ofGuides, order } from '../testing/exportHand'
import { smallCompany, startTestServer, type Client, type TestServer } from '../testing/testServer'

const run = promisify(execFile)
const WORD = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document'
const GUIDE = `# Fill the trays

For the crate lines.

## Before

1. Put on **gloves**, and take out:

   - trays
     - black ones
     - grey ones
   - soil

2. Set the machine:

   | Tray | Speed |
   | ---- | ----- |
   | 84   | 3     |
   | 128  | 5     |

## After

3. Read \`E7\` on the display, or see [the wiki](https://wiki.example.org/trays).
4. Sweep the floor.
`

/** A node of what pandoc has read: its kind, and what is in it. */
type Node = { t: string; c?: unknown }
/** All nodes of a kind, wherever they stand. */
function nodesOf(kind: string, within: unknown): Node[] {
  if (Array.isArray(within)) return within.flatMap((each) => nodesOf(kind, each))
  if (typeof within !== 'object' || within === null) return []
  const own = (within as Node).t === kind ? [within as Node] : []
  return [...own, ...Object.values(within).flatMap((each) => nodesOf(kind, each))]
}
const wordsOf = (within: unknown): string => {
  if (Array.isArray(within)) return within.map(wordsOf).join('')
  if (typeof within !== 'object' || within === null) return ''
  const { t, c } = within as Node
  if (t === 'Str') return String(c)
  if (t === 'Space' || t === 'SoftBreak') return ' '
  if (t === 'Code') return String((c as unknown[])[1])
  return c === undefined ? '' : wordsOf(c)
}

let server: TestServer
let author: Client
let hand: ExportHand
beforeAll(async () => {
  server = await startTestServer()
  const company = await smallCompany(server)
  author = await company.as('author')
  hand = await ExportHand.of(server, company)
})
afterAll(async () => {
  await server.close()
  await hand.close()
})

it('opens a booklet in Word with pandoc: headings, lists within lists, tables with heads, pictures with what they show', async () => {
  const { id } = await hand.aGuideWithPicture('Empty the tank')
  const sent = await author.send('post', '/api/imports?name=guide.md', new TextEncoder().encode(GUIDE), { 'content-type': 'text/markdown' })
  const { id: guideId } = (await sent.json()) as { id: never }
  await hand.publish(guideId)
  const made = await hand.made(author, order(ofGuides(guideId, id), { as: { format: 'word' }, title: 'Crate line' }))
  const file = await hand.saved(author, made.id, WORD)
  const media = join(hand.folder, 'media')
  const { stdout, stderr } = await run('pandoc', ['-f', 'docx', '-t', 'json', `--extract-media=${media}`, file], {
    maxBuffer: 64 * 1024 * 1024,
  })
  expect(stderr).toBe('')
  const { blocks } = JSON.parse(stdout) as { blocks: unknown[] }

  const headings = nodesOf('Header', blocks).map(({ c }) => [(c as [number])[0], wordsOf((c as unknown[])[2])])
  expect(headings.map(([, words]) => words)).toEqual(
    expect.arrayContaining(['Fill the trays', 'Before', 'After', 'Empty the tank', 'Before', 'After']),
  )
  const level = new Map(headings.map(([at, words]) => [words, at]))
  expect(level.get('Before')).toBe((level.get('Fill the trays') as number) + 1)

  const lists = nodesOf('OrderedList', blocks)
  expect(lists.length).toBeGreaterThanOrEqual(2)
  // Before it stand the head and the contents.
  const first = blocks.findIndex((block) => nodesOf('Header', block).some(({ c }) => (c as [number])[0] === 2))
  const words = wordsOf(blocks.slice(first))
  const inOrder = [
    'Put on gloves',
    'trays',
    'black ones',
    'soil',
    'Set the machine',
    'Read E7',
    'Sweep the floor',
    'Close the valve',
    'Wait',
  ]
  const places = inOrder.map((each) => words.indexOf(each))
  expect(places.every((place) => place >= 0)).toBe(true)
  expect(places).toEqual([...places].sort((a, b) => a - b))
  const nested = nodesOf('BulletList', nodesOf('BulletList', blocks)[0]?.c)
  expect(nested.map((list) => wordsOf(list))).toEqual(['black onesgrey ones'])
  expect(nodesOf('Strong', blocks).map((strong) => wordsOf(strong))).toContain('gloves')
  expect(nodesOf('Link', blocks).flatMap((link) => JSON.stringify(link.c))).toEqual(
    expect.arrayContaining([expect.stringContaining('https://wiki.example.org/trays')]),
  )

  const table = nodesOf('Table', blocks).find((each) => wordsOf(each).includes('Speed'))
  const [, , , head, bodies] = table!.c as unknown[]
  expect(wordsOf(head)).toBe('TraySpeed')
  expect(wordsOf(bodies)).toBe('8431285')

  const pictures = nodesOf('Image', blocks)
  const shown = pictures.find(({ c }) => wordsOf(c).includes('The tank from the front'))
  const [path] = (shown!.c as [unknown, unknown, [string, string]])[2]
  expect((await readFile(path)).subarray(1, 4).toString()).toBe('PNG')
}, 300_000)
