import type { WritingAnswer, WritingMessage } from './jobs'
import { writeGuideZip } from './guideFile/writeGuideZip'
import { writeMarkdownZip } from './markdown/writeMarkdownZip'
import { writePageFile } from './page/writePageFile'
import { writePdf } from './pdf/writePdf'
import { writeWord } from './word/writeWord'

// The process in which guides are written as files: it holds nothing of the server's but what it is given.

const send = (answer: WritingAnswer): void => void process.send!(answer)

/** What people are told of an error of ours; what it was is for the log. */
const OUR_FAULT = 'Something went wrong here while the file was written. Whoever looks after Jackdaw finds the reason in its log.'

function carryOut(job: WritingMessage, progress: (done: number, of: number) => void) {
  switch (job.kind) {
    case 'pdf':
      return writePdf(job.asked, progress)
    case 'word':
      return writeWord(job.asked, progress)
    case 'page':
      return writePageFile(job.asked, progress)
    case 'markdown':
      return writeMarkdownZip(job.asked, progress)
    case 'guide-file':
      return writeGuideZip(job.asked, progress)
  }
}

process.on('message', (job: WritingMessage) => {
  carryOut(job, (done, of) => send({ n: job.n, progress: { done, of } }))
    .then((done) => send({ n: job.n, outcome: { ok: true, ...done }, rss: process.memoryUsage.rss() }))
    .catch((error: unknown) =>
      send({
        n: job.n,
        outcome: { ok: false, words: OUR_FAULT, fault: (error as Error).stack ?? String(error) },
        rss: process.memoryUsage.rss(),
      }),
    )
})
process.on('disconnect', () => process.exit(0))
