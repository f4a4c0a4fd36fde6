import { spawn, type ChildProcess } from 'node:child_process'
import { join } from 'node:path'

export type RunningServer = { child: ChildProcess; address: string; ended: Promise<void> }

/** Starts the built server as a process of its own, as a company would run it.
 * @param more further environment variables */
export async function startBuilt(databaseUrl: string, storageDir: string, more: NodeJS.ProcessEnv = {}): Promise<RunningServer> {
  const child = spawn(process.execPath, [join(process.cwd(), 'dist/server/main.mjs')], {
    env: {
      ...process.env,
      DATABASE_URL: databaseUrl,
      PORT: '0',
      SESSION_SECRET: 'd'.repeat(40),
      STORAGE_DIR: storageDir,
      WEB_DIR: join(process.cwd(), 'dist/web'),
      LOG_LEVEL: 'silent',
      DEMO: 'no',
      ...more,
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()))
  const port = await new Promise<number>((resolve, reject) => {
    child.once('message', (message: { listening: number }) => resolve(message.listening))
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)))
  })
  return { child, address: `http://127.0.0.1:${port}`, ended }
}
