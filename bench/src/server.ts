import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_PASSWORD } from '@jackdaw/demo'

export type Running = { child: ChildProcess; address: string; stop: (signal?: NodeJS.Signals) => Promise<void> }

/** Starts the built server on a database.
 * @param extra further environment variables */
export async function startServer(databaseUrl: string, extra: NodeJS.ProcessEnv = {}): Promise<Running> {
  const storage = extra['STORAGE_DIR'] ?? (await mkdtemp(join(tmpdir(), 'jackdaw-bench-')))
  const child = spawn(process.execPath, ['dist/server/main.mjs'], {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: '0',
      SESSION_SECRET: 'b'.repeat(40),
      STORAGE_DIR: storage,
      WEB_DIR: join(process.cwd(), 'dist/web'),
      LOG_LEVEL: 'error',
      DEMO: 'no',
      ...extra,
    },
  })
  const port = await new Promise<number>((resolve, reject) => {
    child.once('message', (message: { listening: number }) => resolve(message.listening))
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
  const stop = (signal: NodeJS.Signals = 'SIGTERM') =>
    new Promise<void>((resolve) => {
      if (child.exitCode !== null || child.signalCode !== null) return resolve()
      child.once('exit', () => resolve())
      child.kill(signal)
    })
  return { child, address: `http://127.0.0.1:${port}`, stop }
}

export type Session = { cookie: string; csrf: string; id: string }
/** Signs in and gives what requests need. */
export async function signIn(address: string, mail: string): Promise<Session> {
  const response = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ account: mail, password: DEMO_PASSWORD }),
  })
  if (response.status !== 200) throw new Error(`sign-in: ${response.status} ${await response.text()}`)
  const me = (await response.json()) as { csrf: string; id: string }
  return {
    cookie: response.headers
      .getSetCookie()
      .find((cookie) => cookie.startsWith('jackdaw='))!
      .split(';')[0]!,
    csrf: me.csrf,
    id: me.id,
  }
}
export const get = async <T>(address: string, session: Session, path: string): Promise<T> => {
  const response = await fetch(address + path, { headers: { cookie: session.cookie } })
  if (response.status !== 200) throw new Error(`${path}: ${response.status}`)
  return (await response.json()) as T
}
