import { readFile } from 'node:fs/promises'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'

/** Serves the made-up pages of `e2e/pages` on a port of its own, as `localhost` and as `127.0.0.1`: two origins. */
export async function servePages(): Promise<{ port: number; close: () => Promise<void> }> {
  const server = createServer((request, response) => {
    const name = /^\/([\w-]+\.html)(?:\?|$)/.exec(request.url ?? '')?.[1]
    if (!name) return void response.writeHead(404).end()
    readFile(join(process.cwd(), 'e2e/pages', name)).then(
      (text) => response.writeHead(200, { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' }).end(text),
      () => response.writeHead(404).end(),
    )
  })
  await new Promise<void>((resolve) => server.listen(0, resolve))
  return {
    port: (server.address() as AddressInfo).port,
    close: () =>
      new Promise((resolve) => {
        server.close(() => resolve())
        server.closeAllConnections()
      }),
  }
}
