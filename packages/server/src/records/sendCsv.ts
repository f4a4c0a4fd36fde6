import { setImmediate } from 'node:timers/promises'
import { csvHead, csvLines } from '@jackdaw/core/shared'
import type { Response } from 'express'
import type { Table } from './tables'

/** Lines that are written in one go: others get their turn in between. */
const AT_ONCE = 500

/** Sends a table as a file. */
export async function sendCsv(res: Response, name: string, { header, rows }: Table): Promise<void> {
  res.setHeader('Cache-Control', 'no-store')
  res.setHeader('Content-Disposition', `attachment; filename="${name}"`)
  res.type('text/csv; charset=utf-8')
  res.write(csvHead(header))
  for (let at = 0; at < rows.length; at += AT_ONCE) {
    res.write(csvLines(rows.slice(at, at + AT_ONCE)))
    await setImmediate()
    if (res.destroyed) return
  }
  res.end()
}
