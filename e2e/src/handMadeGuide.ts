import { NOBODY } from '@jackdaw/core/audiences'
import { richTextOf, type Change, type Exercise, type StepAction, type StepElement, type Verb } from '@jackdaw/core/guides'
import type { PictureId, StepId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import type { Page } from 'puppeteer-core'
import sharp from 'sharp'

const SIZE = { widthPx: 1_000, heightPx: 600 }
/** Where things stand on the one picture of the guide. */
export const THINGS = {
  'Row 7': { x: 60, y: 60, width: 300, height: 40 },
  'Row 8': { x: 60, y: 120, width: 300, height: 40 },
  Card: { x: 60, y: 220, width: 160, height: 80 },
  Done: { x: 700, y: 220, width: 200, height: 120 },
  Weight: { x: 60, y: 360, width: 200, height: 40 },
  Gloves: { x: 400, y: 420, width: 120, height: 60 },
  Coat: { x: 560, y: 420, width: 120, height: 60 },
  Boots: { x: 720, y: 420, width: 120, height: 60 },
} as const
type Thing = keyof typeof THINGS

/** Makes and publishes a guide in which everything that can be done on a picture is done once, by hand of a lead.
 * @returns its id */
export async function handMadeGuide(lead: Page): Promise<string> {
  const ask = <T>(method: string, path: string, body?: unknown): Promise<T> =>
    lead.evaluate(
      async (how, where, what) => {
        const { csrf } = (await (await fetch('/api/session')).json()) as { csrf: string }
        const png = typeof what === 'string'
        const answer = await fetch(where, {
          method: how,
          headers: { 'x-csrf-token': csrf, 'content-type': png ? 'image/png' : 'application/json' },
          ...(png
            ? { body: Uint8Array.from(atob(what), (c) => c.charCodeAt(0)) }
            : what === undefined
              ? {}
              : { body: JSON.stringify(what) }),
        })
        if (!answer.ok) throw new Error(await answer.text())
        return (await answer.json()) as never
      },
      method,
      path,
      body,
    ) as Promise<T>
  const { id } = await ask<{ id: string }>('POST', '/api/guides', { title: 'Everything once', kind: 'how-to', folderId: null })
  const boxes = Object.values(THINGS).map(
    ({ x, y, width, height }) => `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="#fff" stroke="#345"/>`,
  )
  const png = await sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="1000" height="600"><rect width="1000" height="600" fill="#eee"/>${boxes.join('')}</svg>`,
    ),
  )
    .png()
    .toBuffer()
  const { id: pictureId } = await ask<{ id: PictureId }>('POST', `/api/guides/${id}/pictures`, png.toString('base64'))
  const element = (name: Thing): StepElement => ({ pictureId, rect: THINGS[name], of: SIZE, role: '', name, frame: [], locators: [] })
  const page = { address: '', title: '', application: '' }
  const step = (words: string, more: { action?: StepAction; element?: StepElement; exercise?: Exercise } = {}): Change => ({
    type: 'insert-item',
    item: { kind: 'step', id: nanoid() as StepId, body: richTextOf(words), pictures: [{ id: pictureId, alt: 'A screen' }], ...more },
    after: null,
  })
  const act = (verb: Verb, name?: Thing, more: Partial<StepAction> = {}): StepAction => ({
    verb,
    page,
    ...(name ? { element: element(name) } : {}),
    ...more,
  })
  const several = (['Gloves', 'Coat', 'Boots'] as const).map((name) => ({ id: nanoid(), element: element(name) }))
  const buttons = [
    { id: nanoid(), words: 'Yes', right: false },
    { id: nanoid(), words: 'No', right: true },
  ]
  const changes = [
    step('Read this first', { exercise: { task: { kind: 'explain' } } }),
    step('Select Row 7 twice', { action: act('double-click', 'Row 7') }),
    step('Open the menu of Row 8', { action: act('right-click', 'Row 8') }),
    step('Drag the card to Done', { action: act('drag', 'Card', { onto: element('Done') }) }),
    step('Press Ctrl+S', { action: act('press', undefined, { key: 'Ctrl+S' }) }),
    step('Find what you wear', { exercise: { task: { kind: 'several', elements: several } } }),
    step('Enter the weight', {
      element: element('Weight'),
      exercise: { task: { kind: 'field' }, accept: { how: 'range', least: 2, most: 3 }, message: 'From 2 to 3 kg' },
    }),
    step('Answer the question', { exercise: { task: { kind: 'pop-up', title: 'Print it?', words: 'The label is printed.', buttons } } }),
  ]
  const draft = await ask<{ revision: number; document: { items: { id: StepId }[] } }>('GET', `/api/guides/${id}/draft`)
  const { revision } = await ask<{ revision: number }>('POST', `/api/guides/${id}/draft/changes`, {
    baseRevision: draft.revision,
    changeSetId: nanoid(),
    // Put in from the last to the first, each at the front; the empty step of a new guide goes.
    changes: [...changes.reverse(), { type: 'remove-item', itemId: draft.document.items[0]!.id } satisfies Change],
  })
  await ask('POST', `/api/guides/${id}/editions`, {
    revision,
    changeNote: '',
    mustReread: false,
    audience: NOBODY,
    openToAll: true,
    due: { kind: 'none' },
  })
  return id
}
