import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { PostRoom } from './postRoom'
import { postRoomPages } from './server'
import { smtpFor } from './smtp'

const host = process.env['HOST'] ?? '127.0.0.1'
const room = new PostRoom()
const smtp = smtpFor(room, () => Date.now())
const pages = createServer(postRoomPages(room))

const failed = (error: Error): never => {
  process.stderr.write(`post room: ${error.message}\n`)
  process.exit(1)
}
const stop = (): void => {
  pages.closeAllConnections()
  smtp.close(() => pages.close(() => process.exit(0)))
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)

const portOf = (server: Pick<Server, 'address'>): number => (server.address() as AddressInfo).port
// A sender that breaks off is told here as well; that is no reason to end.
smtp.on('error', (error) => (smtp.server.listening ? process.stderr.write(`post room: ${error.message}\n`) : failed(error)))
pages.on('error', failed)
// Mail is only taken from this machine, wherever the pages are shown.
smtp.listen(Number(process.env['SMTP_PORT'] ?? 0), '127.0.0.1', () =>
  pages.listen(Number(process.env['PORT'] ?? 0), host, () => process.send?.({ listening: portOf(pages), smtp: portOf(smtp.server) })),
)
