import type { RawAction } from '@jackdaw/core/recording'
import type { Page } from 'puppeteer-core'
import sharp from 'sharp'
import { sleep, type Recorder } from './recorder'

type Kept = { actions: RawAction[]; shots: Map<string, Buffer> }

/** What the extension keeps of the running recording: actions in order, and the pictures that they use. */
export async function keptRecording(recorder: Recorder): Promise<Kept> {
  const worker = await recorder.worker()
  const all = (await worker.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve, reject) => {
      const open = indexedDB.open('recorder', 1)
      open.onerror = () => reject(open.error as Error)
      open.onsuccess = () => resolve(open.result)
    })
    const read = (store: string) =>
      new Promise<any[]>((resolve) => {
        const get = db.transaction(store).objectStore(store).getAll()
        get.onsuccess = () => resolve(get.result as any[])
      })
    const [actions, shots] = [await read('actions'), await read('shots')]
    db.close()
    const base64 = async (blob: Blob) => {
      const bytes = new Uint8Array(await blob.arrayBuffer())
      let text = ''
      for (const byte of bytes) text += String.fromCharCode(byte)
      return btoa(text)
    }
    const used = shots.filter((shot) => shot.used)
    return {
      actions: actions.filter((each) => !each.dropped).map((each) => each.action),
      shots: await Promise.all(used.map(async (shot) => [shot.id, await base64(shot.blob)])),
    }
  })) as { actions: RawAction[]; shots: [string, string][] }
  return {
    actions: all.actions.sort((a, b) => a.at - b.at),
    shots: new Map(all.shots.map(([id, text]) => [id, Buffer.from(text, 'base64')])),
  }
}

/** Waits until a picture of this page has been taken ahead of the next action, as a person waits until the bar is there. */
export async function pictureReady(recorder: Recorder, page: Page): Promise<void> {
  const since = await page.evaluate(() => performance.timeOrigin)
  for (let tries = 0; tries < 200; tries++) {
    const ready = await (
      await recorder.worker()
    ).evaluate(async (from) => {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const open = indexedDB.open('recorder', 1)
        open.onsuccess = () => resolve(open.result)
      })
      const shots = await new Promise<{ used: boolean; takenAt: number }[]>((resolve) => {
        const get = db.transaction('shots').objectStore('shots').getAll()
        get.onsuccess = () => resolve(get.result as { used: boolean; takenAt: number }[])
      })
      db.close()
      return shots.some((shot) => !shot.used && shot.takenAt > from)
    }, since)
    if (ready) return sleep(80)
    await sleep(60)
  }
  throw new Error('no picture was taken ahead')
}

/** Mean colour of a small area of a picture, in pixels of it. */
export async function colourAt(picture: Buffer, x: number, y: number, width = 4, height = 4): Promise<[number, number, number]> {
  const { channels } = await sharp(
    await sharp(picture)
      .extract({ left: Math.round(x), top: Math.round(y), width, height })
      .png()
      .toBuffer(),
  ).stats()
  return channels.slice(0, 3).map((channel) => Math.round(channel.mean)) as [number, number, number]
}

/** How much of an area is flat ink, 0 to 1. */
export async function inkShare(picture: Buffer, area: { x: number; y: number; width: number; height: number }): Promise<number> {
  const { data, info } = await sharp(picture)
    .extract({
      left: Math.round(area.x),
      top: Math.round(area.y),
      width: Math.max(1, Math.round(area.width)),
      height: Math.max(1, Math.round(area.height)),
    })
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  let ink = 0
  for (let i = 0; i < data.length; i += info.channels)
    if (Math.abs(data[i]! - 0x17) < 14 && Math.abs(data[i + 1]! - 0x21) < 14 && Math.abs(data[i + 2]! - 0x2b) < 14) ink++
  return ink / (data.length / info.channels)
}
