import express, { type Express } from 'express'
import { letterPage, listPage } from './page'
import type { PostRoom } from './postRoom'

/** The pages that show what came, and the same as JSON at `/api/letters`. */
export function postRoomPages(room: PostRoom): Express {
  const app = express()
  app.disable('x-powered-by')
  app.use((_req, res, next) => {
    res.setHeader('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; frame-src 'self'; form-action 'self'")
    next()
  })
  const toIn = (query: Record<string, unknown>): string => (typeof query['to'] === 'string' ? query['to'] : '')
  app.get('/', (req, res) => void res.type('html').send(listPage(room.list(toIn(req.query)), toIn(req.query))))
  app.get('/letters/:id', (req, res) => {
    const letter = room.find(req.params.id)
    if (!letter) return void res.status(404).type('text').send('There is no such mail.')
    res.type('html').send(letterPage(letter))
  })
  app.get('/letters/:id/html', (req, res) => {
    const letter = room.find(req.params.id)
    if (!letter) return void res.status(404).type('text').send('There is no such mail.')
    // Links open in a new page; nothing of it may run.
    res.setHeader(
      'Content-Security-Policy',
      "default-src 'none'; style-src 'unsafe-inline'; sandbox allow-popups allow-popups-to-escape-sandbox",
    )
    res.type('html').send(letter.html.replace('<body', '<base target="_blank"><body'))
  })
  app.post('/empty', (_req, res) => {
    room.empty()
    res.redirect(303, '/')
  })
  app.get('/api/letters', (req, res) => void res.json(room.list(toIn(req.query))))
  return app
}
