import type { Endpoint } from '@jackdaw/contracts/endpoint'
import { request } from 'node:http'
import type { Client } from '../testServer'
import type { Input } from './special'

export type Answer = { status: number; type: string; text: string; ms: number }

const encoded = (text: string): string => {
  try {
    return encodeURIComponent(text)
  } catch {
    // Half a surrogate pair cannot be encoded: it goes as the bytes that a careless program would send.
    return '%ED%A0%80'
  }
}

/** Sends a request as it stands, byte for byte, without the help of a browser's rules. */
export function sendInput(client: Client, endpoint: Endpoint, input: Input, headers: Record<string, string>): Promise<Answer> {
  const path = endpoint.path.replace(/:(\w+)/g, (_, name: string) => encoded(input.params[name] ?? ''))
  const search = Object.entries(input.query)
    .map(([key, value]) => `${encoded(key)}=${encoded(value)}`)
    .join('&')
  const { hostname, port } = new URL(client.address)
  const bytes = input.bytes ?? (input.body === undefined ? undefined : Buffer.from(JSON.stringify(input.body)))
  const startedAt = performance.now()
  return new Promise((resolve, reject) => {
    const call = request(
      {
        hostname,
        port,
        path: search ? `${path}?${search}` : path,
        method: endpoint.method.toUpperCase(),
        headers: {
          ...(client.cookie ? { cookie: client.cookie } : {}),
          ...(client.csrf ? { 'x-csrf-token': client.csrf } : {}),
          ...(bytes && !input.bytes ? { 'content-type': 'application/json' } : {}),
          ...(bytes ? { 'content-length': String(bytes.length) } : {}),
          ...headers,
          ...Object.fromEntries(Object.entries(input.headers).map(([key, value]) => [key, value.replace(/[^\t\x20-\x7e]/g, '?')])),
        },
      },
      (answer) => {
        const parts: Buffer[] = []
        answer.on('data', (part: Buffer) => parts.push(part))
        answer.on('end', () =>
          resolve({
            status: answer.statusCode ?? 0,
            type: answer.headers['content-type'] ?? '',
            text: Buffer.concat(parts).toString('utf8'),
            ms: performance.now() - startedAt,
          }),
        )
        answer.on('error', reject)
      },
    )
    call.on('error', reject)
    call.end(bytes)
  })
}
