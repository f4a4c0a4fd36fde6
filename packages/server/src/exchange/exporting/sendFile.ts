import { cutTo } from '@jackdaw/core/shared'
import type { Response } from 'express'
import { fail, type Parts } from '../../http'
import type { ExportFile } from './model'

const TYPES = {
  pdf: ['application/pdf', 'pdf'],
  word: ['application/vnd.openxmlformats-officedocument.wordprocessingml.document', 'docx'],
  page: ['text/html; charset=utf-8', 'html'],
  markdown: ['application/zip', 'zip'],
  'guide-file': ['application/zip', 'jackdaw.zip'],
} as const satisfies Record<ExportFile['toldAs']['format'], readonly [type: string, ending: string]>

const MOST_LETTERS = 120
/** A name that every system takes: letters, figures and a few signs. `plain`: the same in ASCII. */
export function fileName(title: string, ending: string): { plain: string; full: string } {
  const blank = title.replace(/[\\/:*?"<>|\p{Cc}]+/gu, ' ').replace(/\s+/g, ' ')
  const name = cutTo(blank.trim(), MOST_LETTERS).trim() || 'guide'
  const plain = name
    .normalize('NFKD')
    .replace(/[^\x20-\x7e]+/g, '')
    .trim()
  return { plain: `${plain || 'guide'}.${ending}`, full: `${name}.${ending}` }
}

/** Sends a file to whoever has had it made. */
export async function sendFile({ content }: Pick<Parts, 'content'>, row: ExportFile, res: Response): Promise<void> {
  if (row.state !== 'ready' || !row.hash) return fail('export-not-ready', 'The file is not ready, or is gone again.')
  const bytes = (await content.get(row.hash)) ?? fail('export-not-ready', 'The file is missing from the storage. Have it made anew.')
  const [type, ending] = TYPES[row.toldAs.format]
  const { plain, full } = fileName(row.title, ending)
  res.setHeader('Cache-Control', 'private, no-store')
  res.setHeader('Content-Security-Policy', "default-src 'none'")
  res.setHeader('Content-Disposition', `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(full)}`)
  res.type(type).send(bytes)
}
