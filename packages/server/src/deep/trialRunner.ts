import pino from 'pino'
import * as z from 'zod/mini'
import { openDatabase } from '../db'
import { Runner, type Job } from '../jobs'
import { mailer } from '../mail'

// A runner as a process of its own, to be killed at any moment. Its job sends a mail, and has one effect in the database.
const { DATABASE_URL = '', SMTP_URL = '' } = process.env
const database = openDatabase(DATABASE_URL, 6)
const mail = mailer({ smtpUrl: SMTP_URL, mailFrom: 'trials@example.org', publicUrl: 'http://trials.example.org' })
const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

const job: Job = {
  name: 'trial',
  data: z.object({ n: z.int() }),
  run: async (data, { finish }) => {
    const { n } = data as { n: number }
    await sleep(Math.random() * 12)
    const [to, stopUrl] = [{ name: '', address: 'one@example.org' }, 'http://trials.example.org/stop']
    await mail?.({ id: `job-${n}`, to, subject: String(n), text: 'x', html: 'x', stopUrl })
    await sleep(Math.random() * 12)
    await finish(async (tx) => {
      await tx.rows('insert into effect (n) values ($1)', [n])
      await sleep(Math.random() * 12)
    })
  },
}
const carrier = { database, clock: () => Date.now(), log: pino({ level: 'silent' }), jobs: new Map([[job.name, job]]) }
const runner = new Runner(carrier, DATABASE_URL, { pollMs: 150, tidyMs: 250, graceMs: 2_000 })
process.on('SIGTERM', () => void runner.stop().then(() => process.exit(0)))
process.on('disconnect', () => process.exit(0))
await runner.start()
process.send?.('working')
