import { join } from 'node:path'
import { buildServer, realParts } from '../buildServer'
import { Decoder } from '../decoding'
import { Writer } from '../writing'
import { demoServices } from '../demoServices'
import type { TestServer } from './testServer'

/** A server's own services over a database, for what trials begin with; an hour before now.
 * @returns with what ends it */
export function servicesOver(databaseUrl: string, storageDir: string): { server: TestServer; stop: () => Promise<void> } {
  const parts = realParts(
    {
      ...{ databaseUrl, sessionSecret: 'd'.repeat(40), storageDir, webDir: '', company: 'Larkmoor Glasshouses' },
      port: 0,
      host: '127.0.0.1',
      https: false,
      trustedProxies: [],
      logLevel: 'silent',
      dbConnections: 4,
      demo: false,
      demoAnchor: '',
      runsJobs: false,
      publicUrl: 'http://localhost',
      smtpUrl: '',
      mailGatherS: 0,
      mailFrom: '',
    },
    {
      decoder: new Decoder(new URL(`file://${join(process.cwd(), 'dist/server/decoding.mjs')}`)),
      writer: new Writer(new URL(`file://${join(process.cwd(), 'dist/server/writing.mjs')}`)),
    },
  )
  const built = buildServer(parts)
  const server = { ...built, parts, clock: { now: Date.now() - 3_600_000 }, services: demoServices(parts), address: '' }
  return { server: server as unknown as TestServer, stop: () => built.stop() }
}
