import { mkdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import puppeteer from 'puppeteer-core'
import sharp from 'sharp'
import { EQUIPMENT } from './equipment'
import { face, FACES } from './faces'
import { HEIGHT, WIDTH } from './pen'
import { PUMP } from './pump'
import { SCREENS } from './screens'
import { SEEDER } from './seeder'

const FONTS: readonly [family: string, file: string][] = [
  ['Source Sans 3 Variable', '@fontsource-variable/source-sans-3/files/source-sans-3-latin-wght-normal.woff2'],
  ['Source Code Pro Variable', '@fontsource-variable/source-code-pro/files/source-code-pro-latin-wght-normal.woff2'],
]

/** Renders every drawing as a PNG into `demo/pictures`. Run from the root of the repository. */
async function drawAll(): Promise<void> {
  const faces = await Promise.all(
    FONTS.map(
      async ([family, file]) =>
        `@font-face{font-family:"${family}";font-weight:200 900;src:url(data:font/woff2;base64,${(await readFile(join('node_modules', file))).toString('base64')})}`,
    ),
  )
  const browser = await puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-dev-shm-usage'],
  })
  const page = await browser.newPage()
  await page.setViewport({ width: WIDTH, height: HEIGHT, deviceScaleFactor: 1.5 })
  await mkdir('demo/pictures', { recursive: true })
  for (const [name, svg] of Object.entries({ ...SCREENS, ...EQUIPMENT, ...SEEDER, ...PUMP })) {
    await page.setContent(`<style>${faces.join('')}body{margin:0}svg{display:block}</style>${svg}`)
    await page.evaluate(() => (globalThis as unknown as { document: { fonts: { ready: Promise<unknown> } } }).document.fonts.ready)
    await writeFile(join('demo/pictures', `${name}.png`), await page.screenshot({ type: 'png' }))
  }
  await browser.close()
}
/** Renders the faces of the made-up people into `demo/faces`. */
async function drawFaces(): Promise<void> {
  await mkdir('demo/faces', { recursive: true })
  for (let n = 0; n < FACES; n++) {
    const file = join('demo/faces', `${String(n).padStart(2, '0')}.png`)
    await writeFile(
      file,
      await sharp(Buffer.from(face(n)))
        .png({ palette: true, colours: 48 })
        .toBuffer(),
    )
  }
}
await drawAll()
await drawFaces()
