import { NOBODY } from '@jackdaw/core/audiences'
import { richTextOf, type Change } from '@jackdaw/core/guides'
import type { PictureId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import sharp from 'sharp'
import { get, type Session } from './server'

/** Where the button of each step stands on its picture of 1280 × 800 pixels. */
export const BUTTON = { x: 400, y: 300, width: 200, height: 60 }

/** Posts something as somebody who is signed in. */
export const send = async <T>(address: string, session: Session, path: string, body: unknown, type = 'application/json'): Promise<T> => {
  const response = await fetch(address + path, {
    method: 'POST',
    headers: { cookie: session.cookie, 'x-csrf-token': session.csrf, 'content-type': type },
    body: (type === 'application/json' ? JSON.stringify(body) : body) as BodyInit,
  })
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`)
  return (await response.json()) as T
}

/** A guide of many steps, each with a picture of its own that has a frame and two labels. Each step asks for its button to be selected.
 * @returns its id */
export async function longGuide(address: string, session: Session, steps: number): Promise<string> {
  const { id } = await send<{ id: string }>(address, session, '/api/guides', { title: 'A long guide', kind: 'how-to', folderId: null })
  const { document } = await get<{ document: { items: { id: StepId }[] } }>(address, session, `/api/guides/${id}/draft`)
  const changes: Change[] = [{ type: 'remove-item', itemId: document.items[0]!.id }]
  for (let n = 0; n < steps; n++) {
    const png = await sharp({
      create: { width: 1280, height: 800, channels: 3, background: { r: 200, g: (n * 7) % 255, b: (n * 13) % 255 } },
    })
      .png()
      .toBuffer()
    const picture = await send<{ id: PictureId; widthPx: number; heightPx: number }>(
      address,
      session,
      `/api/guides/${id}/pictures`,
      png,
      'image/png',
    )
    const of = { widthPx: 1280, heightPx: 800 }
    changes.push({
      type: 'insert-item',
      item: {
        kind: 'step',
        id: nanoid() as StepId,
        body: richTextOf(`Step ${n + 1}: select the button that is framed, and look at what the two labels say about it.`),
        pictures: [
          {
            id: picture.id,
            alt: 'A page',
            annotations: [
              { id: 'frame-element', kind: 'frame', area: { to: 'element', gapPx: 3 } },
              { id: 'label-one', kind: 'label', words: 'What it is', at: { to: 'element', at: 'right', gapPx: 0 } },
              { id: 'label-two', kind: 'label', words: 'What happens then', at: { to: 'element', at: 'bottom', gapPx: 0 } },
            ],
          },
        ],
        action: {
          verb: 'select',
          page: { address: '', title: '', application: '' },
          element: { pictureId: picture.id, rect: BUTTON, of, role: 'button', name: 'Save', frame: [], locators: [] },
        },
      },
      after: null,
    })
  }
  for (let at = 0; at < changes.length; at += 500)
    await send(address, session, `/api/guides/${id}/draft/changes`, {
      baseRevision: at / 500,
      changeSetId: nanoid(),
      changes: changes.slice(at, at + 500),
    })
  return id
}

/** Publishes a draft as its next edition, open to all and given to nobody. */
export async function publishToAll(address: string, session: Session, id: string): Promise<void> {
  const { revision } = await get<{ revision: number }>(address, session, `/api/guides/${id}/publication`)
  await send(address, session, `/api/guides/${id}/editions`, {
    revision,
    changeNote: '',
    mustReread: false,
    audience: NOBODY,
    openToAll: true,
    due: { kind: 'none' },
  })
}
