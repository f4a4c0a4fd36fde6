import type { Hand } from '../hand'
import { sleep } from '../recorder'

/** Presses what opens a file field and chooses a file. */
export async function upload(hand: Hand, spot: string, file: string): Promise<void> {
  const { x, y } = await hand.at(spot)
  const [chooser] = await Promise.all([hand.page.waitForFileChooser(), hand.press(x, y)])
  await chooser.accept([`e2e/files/${file}`])
  await hand.rest()
}
/** Drags by so many pixels from the middle of something. */
export async function dragBy(hand: Hand, spot: string, dx: number, dy: number, from = 0): Promise<void> {
  const { x, y } = await hand.at(spot)
  const { mouse } = hand.page
  await mouse.move(x + from, y)
  await mouse.down()
  await sleep(60)
  for (let n = 1; n <= 6; n++) await mouse.move(x + from + (dx * n) / 6, y + (dy * n) / 6)
  await sleep(60)
  await mouse.up()
  await hand.rest(500)
}
