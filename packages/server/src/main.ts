import { reasonOf } from '@jackdaw/core/shared'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import type { AddressInfo } from 'node:net'
import { buildServer, realParts } from './buildServer'
import { readConfig } from './config'
import { migrateUp } from './db'
import { DOMAINS } from './domains'
import { recount } from './events'
import { loadDemoOnce } from './loadDemo'

/** Where the demo's texts and pictures lie: beside the bundle, or in the repository. */
const demoFolder = (): string =>
  ['demo', '../demo'].map((each) => join(import.meta.dirname, each)).find((each) => existsSync(join(each, 'guides'))) ?? 'demo'

async function main(): Promise<void> {
  const config = readConfig(process.env)
  const parts = realParts(config)
  const { log, database } = parts
  const done = await migrateUp(database)
  if (done.length > 0) log.info({ migrations: done }, 'migrated')
  for (const domain of DOMAINS) await domain.atStart?.(parts)
  if (config.demo) await loadDemoOnce(parts, demoFolder(), process.argv[2] === 'reload-demo')
  if (process.argv[2] === 'reload-demo') return database.close()
  if (process.argv[2] === 'recount') {
    await recount(parts)
    await database.close()
    return
  }
  const { server, stop } = buildServer(parts)

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
  // Whoever started this server is gone: nobody could stop it any more.
  process.on('disconnect', () => end('disconnect'))

  server.on('error', (error: NodeJS.ErrnoException) => {
    const why = error.code === 'EADDRINUSE' ? `port ${config.port} is taken; set PORT to another one` : error.message
    log.error({ reason: why }, 'cannot listen')
    process.exit(error.code === 'EADDRINUSE' ? 98 : 1)
  })
  server.listen(config.port, config.host, () => {
    const { port } = server.address() as AddressInfo
    log.info({ port }, 'listening')
    process.send?.({ listening: port })
  })
}

main().catch((error: unknown) => {
  process.stderr.write(`jackdaw: ${reasonOf(error)}\n`)
  process.exit(1)
})
