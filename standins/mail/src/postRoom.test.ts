import type { AddressInfo } from 'node:net'
import { createTransport } from 'nodemailer'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { PostRoom } from './postRoom'
import { letterPage } from './page'
import { smtpFor } from './smtp'

const room = new PostRoom()
const smtp = smtpFor(room, () => 1_000)
let port = 0
beforeAll(() =>
  new Promise<void>((resolve) => smtp.listen(0, '127.0.0.1', resolve)).then(
    () => void (port = (smtp.server.address() as AddressInfo).port),
  ),
)
afterAll(() => new Promise<void>((resolve) => smtp.close(resolve)))

it('keeps what is sent to it, once, as text and HTML, and finds it by address', async () => {
  const transport = createTransport({ host: '127.0.0.1', port, secure: false, ignoreTLS: true })
  const mail = {
    from: 'jackdaw@example.org',
    to: 'Inés <ines@example.org>',
    subject: 'Grüße',
    text: 'plain',
    html: '<body><p>rich</p>',
    messageId: '<one@example.org>',
  }
  await transport.sendMail(mail)
  await transport.sendMail(mail)
  await transport.sendMail({ ...mail, to: 'ada@example.org', messageId: '<two@example.org>' })
  expect(room.list('INES@example.org')).toMatchObject([
    { subject: 'Grüße', text: 'plain\n', html: '<body><p>rich</p>\n', times: 2, at: 1_000 },
  ])
  expect(room.list()).toHaveLength(2)
})
it('shows what it was sent without taking it for its own page', () => {
  const letter = { id: 'x', from: 'a', to: ['b'], subject: '<script>alert(1)</script>', text: '</pre><script>', html: '', at: 0, times: 1 }
  expect(letterPage(letter)).not.toContain('<script>')
})
