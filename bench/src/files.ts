import { fork, type ChildProcess } from 'node:child_process'
import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Handout } from '@jackdaw/core/exchange'
import { emptyDocument, PLAIN_LOOK, richTextOf, type Annotation, type GuideDocument } from '@jackdaw/core/guides'
import { seededIds, seededRandom, type GuideId, type PictureId, type StepId } from '@jackdaw/core/shared'
import sharp from 'sharp'

const STEPS = 60
const SIZE = { widthPx: 1280, heightPx: 800 }

/** A screen with many small things on it, as a PNG of some 100 kB. */
async function screen(seed: number): Promise<Buffer> {
  const random = seededRandom(seed)
  const boxes = Array.from({ length: 220 }, () => {
    const [x, y] = [random() * 1_200, random() * 760]
    return `<rect x="${x}" y="${y}" width="${20 + random() * 120}" height="12" fill="hsl(${random() * 360} 40% ${30 + random() * 50}%)"/>`
  })
  return sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1280" height="800"><rect width="1280" height="800" fill="#f4f4ec"/>${boxes.join('')}</svg>`,
    ),
  )
    .png()
    .toBuffer()
}

const label = (n: number): Annotation => ({
  id: `label-${n}`,
  kind: 'label',
  words: `What stands at place ${n}`,
  at: { to: 'picture', at: { x: 0.2 + 0.2 * n, y: 0.3 + 0.1 * n }, gapPx: 0 },
})

/** A guide of so many illustrated steps, with so many words in each. */
function guideOf(pictures: readonly PictureId[], words: number): GuideDocument {
  const ids = seededIds(60)
  const text = Array.from({ length: Math.ceil(words / 8) }, () => 'Rinse the trays with warm water, then stack').join('. ')
  return {
    ...emptyDocument('Sixty steps', 'how-to'),
    items: pictures.map((id, n) => ({
      kind: 'step' as const,
      id: ids<StepId>(),
      body: richTextOf(`Step ${n + 1}: open the valve`, ...text.match(/.{1,400}(?:\s|$)/g)!),
      pictures: [{ id, alt: `Screen ${n + 1}`, annotations: [label(0), label(1), label(2)] }],
    })),
  }
}

type Answer = { n: number; outcome?: { ok: boolean; words?: string; pages?: number | null } }
/** Has a job done in one of the built processes. @returns how long it took, and its answer */
function carryOut(
  child: ChildProcess,
  n: number,
  kind: string,
  asked: object,
): Promise<{ ms: number; outcome: NonNullable<Answer['outcome']> }> {
  const from = performance.now()
  return new Promise((resolve, reject) => {
    const listen = (answer: Answer) => {
      if (answer.n !== n || !answer.outcome) return
      child.off('message', listen)
      resolve({ ms: performance.now() - from, outcome: answer.outcome })
    }
    child.on('message', listen)
    child.once('exit', () => reject(new Error(`the process for ${kind} ended`)))
    child.send({ n, kind, asked })
  })
}
const started = (script: string): ChildProcess =>
  fork(join('dist/server', script), [], { serialization: 'advanced', stdio: ['ignore', 'ignore', 'inherit', 'ipc'] })
/** The most memory that a process has held, in MB. */
const mostMb = async ({ pid }: ChildProcess): Promise<number> =>
  Number(/VmHWM:\s+(\d+)/.exec(await readFile(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024

type FileTimes = { name: string; ms: number; bytes: number; mostMb: number; pages: number | null }

/** Writing a guide of 60 illustrated steps in each format, each in a process of its own; and reading a Word file of 100 pages with 60 pictures. */
async function fileTimes(): Promise<FileTimes[]> {
  const folder = await mkdtemp(join(tmpdir(), 'jackdaw-bench-'))
  try {
    const ids = seededIds(61)
    const pictures: Record<string, { path: string; mediaType: string }> = {}
    for (let n = 0; n < STEPS; n++) {
      const id = ids<PictureId>()
      pictures[id] = { path: join(folder, id), mediaType: 'image/png' }
      await writeFile(pictures[id].path, await screen(n))
    }
    const handoutOf = (words: number): Handout => ({
      ...{ title: 'Sixty steps', made: '3 November 2026', language: 'en', home: 'https://guides.example', look: PLAIN_LOOK },
      guides: [
        {
          ...{
            guideId: ids<GuideId>(),
            number: 1,
            edition: 1,
            published: '3 November 2026',
            owner: 'Ada Finch',
            minutes: 12,
            section: null,
            look: PLAIN_LOOK,
          },
          ...{ quizzes: {}, groups: {}, address: 'https://guides.example/guides/x', qr: { d: 'M0 0h1v1h-1z', size: 25 } },
          document: guideOf(Object.keys(pictures) as PictureId[], words),
          sizes: Object.fromEntries(Object.keys(pictures).map((id) => [id, SIZE])),
        },
      ],
    })
    const times: FileTimes[] = []
    const write = async (kind: string, words: number, name: string): Promise<string> => {
      const child = started('writing.mjs')
      const file = join(folder, `${kind}-${words}`)
      const asked = { handout: handoutOf(words), pictures, language: 'en', file, now: Date.UTC(2026, 10, 3), paper: 'a4' }
      const { ms, outcome } = await carryOut(child, 1, kind, asked)
      if (!outcome.ok) throw new Error(`${outcome.words} ${(outcome as { fault?: string }).fault ?? ''}`)
      times.push({ name, ms, bytes: (await stat(file)).size, mostMb: await mostMb(child), pages: outcome.pages ?? null })
      child.removeAllListeners()
      child.kill()
      return file
    }
    for (const kind of ['pdf', 'word', 'page', 'markdown', 'guide-file']) await write(kind, 40, `${kind} of ${STEPS} illustrated steps`)
    const word = await write('word', 320, 'word of about 100 pages')
    const child = started('decoding.mjs')
    const bytes = await readFile(word)
    const { ms, outcome } = await carryOut(child, 1, 'document', { kind: 'word', bytes, fileName: 'a.docx' })
    if (!outcome.ok) throw new Error(outcome.words)
    times.push({ name: 'reading that Word file', ms, bytes: bytes.length, mostMb: await mostMb(child), pages: null })
    child.removeAllListeners()
    child.kill()
    return times
  } finally {
    await rm(folder, { recursive: true, force: true })
  }
}

/** How long files made of guides take, and reading one. */
export async function measureFiles(say: (line: string) => void): Promise<void> {
  say('\nFiles (PDF of 60 illustrated steps under 4 s and 300 MB; a Word file of 100 pages with 60 pictures read in under 10 s):')
  for (const { name, ms, bytes, mostMb: most, pages } of await fileTimes()) {
    const size = `${(bytes / 1e6).toFixed(1).padStart(6)} MB`
    const paper = pages === null ? '' : `  ${pages} pages`
    say(`  ${name.padEnd(36)} ${ms.toFixed(0).padStart(7)} ms  ${size}  held at most ${most.toFixed(0)} MB${paper}`)
  }
}
