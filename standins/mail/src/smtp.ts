import { SMTPServer } from 'smtp-server'
import type { PostRoom } from './postRoom'

const MOST_BYTES = 10 * 1024 * 1024

/** Takes every mail in from whoever is on this machine, and passes none on. */
export function smtpFor(room: PostRoom, clock: () => number): SMTPServer {
  return new SMTPServer({
    name: 'post-room',
    banner: 'Larkmoor post room, a stand-in: nothing leaves it',
    disabledCommands: ['AUTH', 'STARTTLS'],
    size: MOST_BYTES,
    onData(stream, session, callback) {
      const parts: Buffer[] = []
      stream.on('data', (part: Buffer) => parts.push(part))
      stream.on('end', () => {
        if (stream.sizeExceeded) return callback(Object.assign(new Error('too large'), { responseCode: 552 }))
        const to = session.envelope.rcptTo.map(({ address }) => address)
        room.take(Buffer.concat(parts), to, clock()).then(
          () => callback(),
          (error: unknown) => callback(error instanceof Error ? error : new Error(String(error))),
        )
      })
    },
  })
}
