import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ticked } from '@jackdaw/core/audiences'
import type { Annotation, Change, GuideDocument } from '@jackdaw/core/guides'
import type { GuideId, PictureId, SectionId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { aGuide, documentOf, type Client, type Company, type TestServer } from './testServer'

/** A photograph of small pieces of many colours, with a red field in its middle. */
async function photo(): Promise<Buffer> {
  const noise = Buffer.from(Array.from({ length: 400 * 240 * 3 }, (_, n) => (n * 7_919) % 251))
  const field = await sharp({ create: { width: 120, height: 60, channels: 3, background: '#ff0000' } })
    .png()
    .toBuffer()
  return sharp(noise, { raw: { width: 400, height: 240, channels: 3 } })
    .composite([{ input: field, left: 140, top: 90 }])
    .png()
    .toBuffer()
}
const label: Annotation = { id: 'label-one', kind: 'label', at: { to: 'picture', at: 'middle', gapPx: 0 }, words: 'Zawór główny' }
const section = (title: string): GuideDocument['items'][number] => ({ kind: 'section', id: nanoid<SectionId>(), title })

/** What is to be put out, and how. */
export const order = (what: object, more: object = {}) => ({ what, as: { format: 'pdf', paper: 'a4' }, title: '', draft: false, ...more })
export const ofGuides = (...guides: string[]) => ({ of: 'guides', guides })

/** A guide with a picture on its first step, on which a label stands. */
export type WithPicture = { id: GuideId; steps: string[]; picture: PictureId; sections: SectionId[] }

/** Makes guides and has files made of them, for tests. */
export class ExportHand {
  private constructor(
    private readonly server: TestServer,
    private readonly company: Company,
    private readonly author: Client,
    private readonly lead: Client,
    /** Where the files are saved. */
    readonly folder: string,
  ) {}
  static async of(server: TestServer, company: Company): Promise<ExportHand> {
    const [author, lead, folder] = await Promise.all([
      company.as('author'),
      company.as('lead'),
      mkdtemp(join(tmpdir(), 'jackdaw-exported-')),
    ])
    return new ExportHand(server, company, author, lead, folder)
  }
  close = (): Promise<void> => rm(this.folder, { recursive: true, force: true })

  /** Makes such a guide and publishes it. */
  async aGuideWithPicture(title = 'Opróżnij zbiornik'): Promise<WithPicture> {
    const plain = documentOf(title, 'Close the valve', 'Open the drain', 'Wait')
    const document: GuideDocument = {
      ...plain,
      language: 'pl',
      items: [section('Before'), plain.items[0]!, section('After'), ...plain.items.slice(1)],
    }
    const { id } = await aGuide(this.server, this.company, 'author', { published: false, document })
    const steps = plain.items.map((item) => item.id)
    const sections = document.items.flatMap((item) => (item.kind === 'section' ? [item.id] : []))
    const sent = await this.author.send('post', `/api/guides/${id}/pictures`, new Uint8Array(await photo()), {
      'content-type': 'image/png',
    })
    const { id: picture } = (await sent.json()) as { id: PictureId }
    const shown = { id: picture, alt: 'The tank from the front', annotations: [label] }
    await this.change(id, [{ type: 'insert-picture', stepId: steps[0] as StepId, picture: shown, after: null }])
    await this.publish(id)
    return { id, steps, picture, sections }
  }
  async change(id: GuideId, changes: Change[]): Promise<void> {
    const { revision } = await this.author.json('get', `/api/guides/${id}/draft`)
    await this.author.json('post', `/api/guides/${id}/draft/changes`, { baseRevision: revision, changeSetId: nanoid(), changes })
  }
  async publish(id: GuideId): Promise<void> {
    const { revision } = await this.lead.json('get', `/api/guides/${id}/draft`)
    const audience = ticked([this.company.team], [])
    await this.lead.json('post', `/api/guides/${id}/editions`, {
      revision,
      changeNote: 'More',
      mustReread: false,
      audience,
      openToAll: false,
      due: { kind: 'none' },
    })
  }
  /** Has a file made, and waits until it is. */
  async made(client: Client, body: object): Promise<any> {
    const { id } = await client.json('post', '/api/exports', body)
    await this.server.runner.drain()
    return client.json('get', `/api/exports/${id}`)
  }
  /** Saves a file. @returns its path */
  async saved(client: Client, id: string, type = 'application/pdf'): Promise<string> {
    const answer = await client.send('get', `/exports/${id}/file`)
    if (answer.status !== 200 || answer.headers.get('content-type') !== type)
      throw new Error(`${answer.status} ${answer.headers.get('content-type')}`)
    const path = join(this.folder, id)
    await writeFile(path, Buffer.from(await answer.arrayBuffer()))
    return path
  }
}
