import { nth, type PictureId } from '@jackdaw/core/shared'
import { randomFillSync } from 'node:crypto'
import { readHolidays } from '@jackdaw/core/calendar'
import { importHtml, importMarkdown, readGuideFile, settlePictures, withoutMissing } from '@jackdaw/core/exchange'
import { copyOfGuide } from '@jackdaw/core/editing'
import { pictureRefsOf, readDocument, stepsOf, type GuideDocument } from '@jackdaw/core/guides'
import { fillAreas } from './fillAreas'
import type { AnswerMessage, JobKind, JobMessage, Jobs, Outcome, SettledText } from './jobs'
import { readPdf } from './readPdf'
import { readPicture } from './readPicture'
import { readTable } from './readTable'
import { readWord } from './readWord'

// The process in which strangers' files are read: with limits on memory, killed when it takes too long, holding nothing of the server's.

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789_-'
const pool = Buffer.alloc(8_400)
let used = pool.length
/** Ids from a pool of random bytes: a large text needs thousands. */
const newId = <I extends string>(): I => {
  if (used + 21 > pool.length) {
    randomFillSync(pool)
    used = 0
  }
  let id = ''
  for (let i = 0; i < 21; i++) id += ALPHABET[nth(pool, used++) & 63]
  return id as I
}

function markdown({ source, fileName }: Jobs['markdown']['asked']): Outcome<'markdown'> {
  const read = importMarkdown(source, fileName, newId)
  if (!read.ok) return read
  const { document, ...rest } = read.draft
  return { ok: true, draft: { documentText: JSON.stringify(document), ...rest } }
}

/** A document as it is stored. */
function written(document: GuideDocument): SettledText {
  const steps = stepsOf(document).length
  const { title, kind, items } = document
  const sections = items.filter((item) => item.kind === 'section').length
  return { documentText: JSON.stringify(document), title, kind, steps, sections }
}

function settle({ draft, found }: Jobs['settle']['asked']): Outcome<'settle'> {
  const document: GuideDocument = JSON.parse(draft.documentText)
  const waiting = { ...draft, document, notPlaced: [] }
  return { ok: true, settled: written(settlePictures(waiting, new Set(found)).document) }
}

async function readAny(asked: Jobs['document']['asked'], say: (done: number, of: number) => void): Promise<Outcome<'document'>> {
  if (asked.kind === 'word') return readWord(Buffer.from(asked.bytes), asked.fileName, newId, say)
  if (asked.kind === 'pdf') return readPdf(Buffer.from(asked.bytes), asked.fileName, newId, say)
  const read = importHtml(asked.text, asked.fileName, newId)
  if (!read.ok) return read
  const { document, ...rest } = read.draft
  return { ok: true, draft: { documentText: JSON.stringify(document), ...rest }, files: [], rough: false }
}

function guideFile({ text }: Jobs['guide-file']['asked']): Outcome<'guide-file'> {
  const read = readGuideFile(text, newId)
  if (!read.ok) return read
  const { document, ...rest } = read.guide
  return { ok: true, documentText: JSON.stringify(document), ...rest }
}

function settleFile({ documentText, pictures, quizzes }: Jobs['settle-file']['asked']): Outcome<'settle-file'> {
  return { ok: true, settled: written(withoutMissing(JSON.parse(documentText), new Set(pictures), new Set(quizzes))) }
}

function copy({ documentText, title, pictures }: Jobs['copy']['asked']): Outcome<'copy'> {
  const document = readDocument(JSON.parse(documentText))
  const { stored, elements } = pictureRefsOf(document.items)
  return {
    ok: true,
    used: [...stored, ...elements],
    copied: written(copyOfGuide(document, title, pictures as Record<string, PictureId>, newId)),
  }
}

async function carryOut(job: JobMessage): Promise<Outcome<JobKind>> {
  switch (job.kind) {
    case 'picture':
      return readPicture(Buffer.from(job.asked.bytes))
    case 'fill':
      return fillAreas(Buffer.from(job.asked.full), job.asked.mediaType, job.asked.areas)
    case 'markdown':
      return markdown(job.asked)
    case 'table':
      return readTable(Buffer.from(job.asked.bytes), job.asked.encoding)
    case 'holidays':
      return readHolidays(new TextDecoder().decode(job.asked.bytes), job.asked.from, job.asked.until)
    case 'settle':
      return settle(job.asked)
    case 'document':
      return readAny(job.asked, (done, of) => process.send!({ n: job.n, progress: { done, of } } satisfies AnswerMessage))
    case 'guide-file':
      return guideFile(job.asked)
    case 'settle-file':
      return settleFile(job.asked)
    case 'copy':
      return copy(job.asked)
  }
}

process.on('message', (job: JobMessage) => {
  carryOut(job)
    .catch((error: unknown): Outcome<JobKind> => {
      // Deep nesting ends in a full stack; the process is as good as before.
      if (error instanceof RangeError) return { ok: false, words: 'The file is built in a way that cannot be read: too deep, or too long.' }
      throw error
    })
    .then((outcome) => process.send!({ n: job.n, outcome, rss: process.memoryUsage.rss() } satisfies AnswerMessage))
    .catch((error: unknown) => {
      process.stderr.write(`decoding failed: ${(error as Error).stack}\n`)
      process.exit(1)
    })
})
process.on('disconnect', () => process.exit(0))
