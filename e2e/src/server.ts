import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'
import pg from 'pg'

/** The day on which the demo of the journeys ends. */
const ANCHOR = '2026-03-10'

/** Name of the database with the demo in it, to be cloned. */
export const DEMO_DATABASE = 'template_demo'

/** A server that runs. `setUp`: the link that it prints while nobody is there. */
export type Running = { child: ChildProcess; port: number; setUp: string | null }

/** Makes a database as a copy of another one. */
export async function cloneDatabase(cluster: string, database: string, from: string): Promise<void> {
  const admin = new pg.Client(`${cluster}/postgres`)
  await admin.connect()
  await admin.query(`create database ${database} template ${from}`)
  await admin.end()
}

/** Runs the built application with the demo. Where it is not loaded yet, it is loaded first.
 * @param files folder for stored pictures
 * @param port  0: any that is free
 * @param more  further environment variables */
export function launch({
  cluster,
  database,
  files,
  port = 0,
  more = {},
}: {
  cluster: string
  database: string
  files: string
  port?: number
  more?: Record<string, string>
}): Promise<Running> {
  const child = spawn(process.execPath, [join(process.cwd(), 'dist/server/main.mjs')], {
    env: {
      ...process.env,
      DATABASE_URL: `${cluster}/${database}`,
      PORT: String(port),
      SESSION_SECRET: 'e'.repeat(40),
      STORAGE_DIR: files,
      WEB_DIR: join(process.cwd(), 'dist/web'),
      DEMO: 'yes',
      DEMO_ANCHOR: ANCHOR,
      LOG_LEVEL: 'error',
      // Jobs would come and go while a journey looks; the one about them has them carried out.
      JOBS: 'no',
      ...more,
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  return new Promise((resolve, reject) => {
    child.once('message', (message: { listening: number; setUp: string | null }) =>
      resolve({ child, port: message.listening, setUp: message.setUp }),
    )
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
}

/** Ends a server and waits until it has ended. */
export function stop(child: ChildProcess, signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
  child.kill(signal)
  return new Promise((resolve) => (child.exitCode !== null || child.signalCode !== null ? resolve() : child.once('exit', () => resolve())))
}
