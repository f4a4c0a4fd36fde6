import { readFile } from 'node:fs/promises'
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'

export type PageServer = { port: number; close: () => Promise<void> }

/** Serves the made-up pages of `e2e/pages` on a port of its own, as `localhost` and as `127.0.0.1`: two origins.
 * @param made pages that stand nowhere else, by their path */
export async function servePages(made: (path: string) => string | undefined = () => undefined): Promise<PageServer> {
  const server = createServer((request, response) => {
    const path = (request.url ?? '').replace(/\?.*$/, '')
    const page = (text: string | Buffer) =>
      response.writeHead(200, { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' }).end(text)
    const known = made(path)
    if (known !== undefined) return void page(known)
    const name = /^\/([\w-]+\.html)$/.exec(path)?.[1]
    if (!name) return void response.writeHead(404).end()
    readFile(join(process.cwd(), 'e2e/pages', name)).then(page, () => response.writeHead(404).end())
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
