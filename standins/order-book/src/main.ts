import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import { join } from 'node:path'
import { orderBook } from './server'

const server = createServer(orderBook(join(import.meta.dirname, 'web'), process.env['TODAY'] ?? new Date().toISOString().slice(0, 10)))
const stop = (): void => {
  server.close(() => process.exit(0))
  server.closeAllConnections()
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
server.on('error', (error) => {
  process.stderr.write(`order book: ${error.message}\n`)
  process.exit(1)
})
server.listen(Number(process.env['PORT'] ?? 0), process.env['HOST'] ?? '127.0.0.1', () =>
  process.send?.({ listening: (server.address() as AddressInfo).port }),
)
