import { reasonOf } from '@jackdaw/core/shared'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import type { AddressInfo } from 'node:net'
import { buildServer, realParts, runnerFor } from './buildServer'
import { offerSetUp } from './beginning'
import { readConfig } from './config'
import { migrateUp } from './db'
import { recount } from './events'
import type { Parts } from './http'
import { loadDemoOnce } from './loadDemo'

/** Where the demo's texts and pictures lie: beside the bundle, or in the repository. */
const demoFolder = (): string =>
  ['demo', '../demo'].map((each) => join(import.meta.dirname, each)).find((each) => existsSync(join(each, 'guides'))) ?? 'demo'

/** Ends the process when it is told to, once what it does has been stopped. */
function endWhenTold({ log }: Parts, stop: () => Promise<void>): void {
  let stopping = false
  const end = (signal: string) => {
    if (stopping) return
    stopping = true
    log.info({ signal }, 'stopping')
    stop().then(
      () => process.exit(0),
      (error: unknown) => {
        log.error({ reason: reasonOf(error) }, 'stopping failed')
        process.exit(1)
      },
    )
  }
  process.on('SIGTERM', () => end('SIGTERM'))
  process.on('SIGINT', () => end('SIGINT'))
  // Whoever started this process is gone: nobody could stop it any more.
  process.on('disconnect', () => end('disconnect'))
}

/** Answers requests, and carries out jobs unless somebody else is to. */
async function serve(parts: Parts): Promise<void> {
  const { config, log } = parts
  const { server, runner, stop } = buildServer(parts)
  endWhenTold(parts, stop)
  server.on('error', (error: NodeJS.ErrnoException) => {
    const why = error.code === 'EADDRINUSE' ? `port ${config.port} is taken; set PORT to another one` : error.message
    log.error({ reason: why }, 'cannot listen')
    process.exit(error.code === 'EADDRINUSE' ? 98 : 1)
  })
  if (config.runsJobs) await runner.start()
  const setUp = config.demo ? null : await offerSetUp(parts)
  server.listen(config.port, config.host, () => {
    const { port } = server.address() as AddressInfo
    log.info({ port }, 'listening')
    // Whoever starts the server by hand reads it here; it stands in no log.
    if (setUp && !process.send) process.stdout.write(`Nobody is here yet. Open this link once, to set the company up: ${setUp}\n`)
    process.send?.({ listening: port, setUp })
  })
}

/** Carries out jobs and answers no requests. */
async function work(parts: Parts): Promise<void> {
  const runner = runnerFor(parts)
  endWhenTold(parts, async () => {
    await runner.stop()
    await parts.database.close()
    parts.decoder.stop()
    parts.writer.stop()
  })
  await runner.start()
  parts.log.info('carrying out jobs')
  process.send?.({ working: true })
}

async function main(): Promise<void> {
  const config = readConfig(process.env)
  const parts = realParts(config)
  const { log, database } = parts
  const done = await migrateUp(database)
  if (done.length > 0) log.info({ migrations: done }, 'migrated')
  const command = process.argv[2]
  if (command === 'worker') return work(parts)
  if (config.demo) await loadDemoOnce(parts, demoFolder(), command === 'reload-demo')
  if (command === 'reload-demo') return database.close()
  if (command === 'recount') {
    await recount(database, parts.events)
    return database.close()
  }
  await serve(parts)
}

main().catch((error: unknown) => {
  process.stderr.write(`jackdaw: ${reasonOf(error)}\n`)
  process.exit(1)
})
