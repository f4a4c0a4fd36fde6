import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import express from 'express'
import pg from 'pg'

/** A bare Express route with one PostgreSQL query: what the machine gives without any of our work. */
export async function bareRoute(databaseUrl: string): Promise<{ address: string; close: () => void }> {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 10 })
  const app = express()
  app.get('/', async (_req, res) => void res.json((await pool.query('select id, name from person order by id limit 20')).rows))
  const server = createServer(app)
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.close()
      void pool.end()
    },
  }
}
