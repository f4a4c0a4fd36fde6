import { tidy, type RawAction } from '@jackdaw/core/recording'
import type { Page } from 'puppeteer-core'
import sharp from 'sharp'

/** The page as it was at a moment, pictured from outside of the extension. */
export type Sight = { at: number; png: Buffer }
/** Takes down how a page looks before each thing that is done. */
export class Sights {
  readonly all: Sight[] = []
  constructor(private readonly page: () => Page) {}
  readonly look = async (): Promise<void> => {
    const png = Buffer.from(await this.page().screenshot({ type: 'png' }))
    this.all.push({ at: Date.now(), png })
  }
}

const SHARE_OF_A_CHANGE = 0.0004
/** The bar may stand at the bottom of what is pictured from outside. */
const BAR_PX = 80

/** Share of two pictures that differs, what is filled in the first set aside. */
async function difference(picture: Buffer, sight: Buffer): Promise<number> {
  const { width = 1, height = 1 } = await sharp(picture).metadata()
  const raw = (bytes: Buffer) =>
    sharp(bytes)
      .extract({ left: 0, top: 0, width, height: height - BAR_PX })
      .removeAlpha()
      .raw()
      .toBuffer()
  const [a, b] = await Promise.all([raw(picture), raw(sight)])
  let differs = 0
  for (let i = 0; i < a.length; i += 3) {
    const isInk = Math.abs(a[i]! - 0x17) < 14 && Math.abs(a[i + 1]! - 0x21) < 14 && Math.abs(a[i + 2]! - 0x2b) < 14
    if (!isInk && [0, 1, 2].some((n) => Math.abs(a[i + n]! - b[i + n]!) > 48)) differs++
  }
  return differs / (a.length / 3)
}

/** A picture that shows what came after, with what it was compared with. */
type WrongPicture = { of: string; picture: Buffer; before: Buffer; after: Buffer }
export type JudgedPictures = { certain: number; marked: number; missing: number; wrong: WrongPicture[] }
/** Judges the pictures of a recording: one that is certain and looks like what came after, and not like what was before, is wrong. */
export async function judgePictures(
  actions: readonly RawAction[],
  shots: Map<string, Buffer>,
  sights: readonly Sight[],
): Promise<JudgedPictures> {
  const judged: JudgedPictures = { certain: 0, marked: 0, missing: 0, wrong: [] }
  for (const act of tidy(actions)) {
    const { shot } = act.action
    const picture = shot && shots.get(shot.id)
    if (act.verb === 'open' || act.verb === 'switch-tab') continue
    if (!shot || !picture) judged.missing++
    else if (!shot.certain) judged.marked++
    else {
      judged.certain++
      const begun = Math.min(...actions.filter((action) => act.from.includes(action.id)).map((action) => action.at))
      const before = sights.filter((sight) => sight.at <= begun).at(-1)
      const after = sights.find((sight) => sight.at > begun)
      if (!before || !after) continue
      const [fromBefore, fromAfter] = [await difference(picture, before.png), await difference(picture, after.png)]
      if (fromBefore > SHARE_OF_A_CHANGE && fromAfter < fromBefore / 2)
        judged.wrong.push({ of: `${act.verb} ${act.element?.name ?? ''}`, picture, before: before.png, after: after.png })
    }
  }
  return judged
}
