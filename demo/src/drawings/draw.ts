import { mkdir, readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { BlobSource, BufferTarget, Conversion, Input, Output, WEBM, WebMOutputFormat } from 'mediabunny'
import puppeteer from 'puppeteer-core'
import sharp from 'sharp'
import { EQUIPMENT } from './equipment'
import { face, FACES } from './faces'
import { FILMS, type Film } from './films'
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
const FRAMES_A_SECOND = 12
const FILM = { width: 640, height: 400 }
/** Plays a film onto a canvas and records that: runs in the page, and gives back the file in base64. */
const FILMED = `async (frames, how) => {
  const canvas = Object.assign(document.createElement('canvas'), { width: how.width, height: how.height })
  const pictures = await Promise.all(frames.map(async (svg) => {
    const picture = new Image()
    picture.src = 'data:image/svg+xml;base64,' + btoa(unescape(encodeURIComponent(svg)))
    await picture.decode()
    return picture
  }))
  const brush = canvas.getContext('2d')
  brush.drawImage(pictures[0], 0, 0, how.width, how.height)
  const sound = new AudioContext()
  const heard = sound.createMediaStreamDestination()
  const tone = (hz, loud, from, until) => {
    const source = Object.assign(sound.createOscillator(), {})
    source.frequency.value = hz
    const volume = sound.createGain()
    volume.gain.value = loud
    source.connect(volume).connect(heard)
    source.start(sound.currentTime + from)
    source.stop(sound.currentTime + until)
  }
  const stream = canvas.captureStream(how.a)
  stream.addTrack(heard.stream.getAudioTracks()[0])
  const recorder = new MediaRecorder(stream, { mimeType: 'video/webm;codecs=vp9,opus', videoBitsPerSecond: 160000, audioBitsPerSecond: 48000 })
  const pieces = []
  recorder.ondataavailable = ({ data }) => pieces.push(data)
  const over = new Promise((resolve) => (recorder.onstop = resolve))
  recorder.start()
  tone(200, 0.0001, 0, how.seconds)
  for (const share of how.clicks) tone(1800, 0.4, share * how.seconds, share * how.seconds + 0.03)
  for (const picture of pictures) {
    brush.drawImage(picture, 0, 0, how.width, how.height)
    await new Promise((resolve) => setTimeout(resolve, 1000 / how.a))
  }
  recorder.stop()
  await over
  const bytes = new Uint8Array(await new Blob(pieces).arrayBuffer())
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''))
}`
/** A recording with its length in front, so that players can go to any place in it. */
async function inOrder(recorded: Buffer): Promise<Uint8Array> {
  const target = new BufferTarget()
  const input = new Input({ source: new BlobSource(new Blob([new Uint8Array(recorded)])), formats: [WEBM] })
  const output = new Output({ format: new WebMOutputFormat(), target })
  await (await Conversion.init({ input, output })).execute()
  return new Uint8Array(target.buffer!)
}
/** Renders the films of the demo into `demo/clips`. */
async function drawFilms(): Promise<void> {
  const browser = await puppeteer.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--autoplay-policy=no-user-gesture-required'],
  })
  const page = await browser.newPage()
  await mkdir('demo/clips', { recursive: true })
  for (const [name, { seconds, at, clicks }] of Object.entries<Film>(FILMS)) {
    const count = seconds * FRAMES_A_SECOND
    const frames = Array.from({ length: count }, (_, n) => at(n / (count - 1)))
    const how = { ...FILM, a: FRAMES_A_SECOND, clicks, seconds }
    const recorded = (await page.evaluate(`(${FILMED})(${JSON.stringify(frames)}, ${JSON.stringify(how)})`)) as string
    await writeFile(join('demo/clips', `${name}.webm`), await inOrder(Buffer.from(recorded, 'base64')))
  }
  await browser.close()
}
await drawAll()
await drawFaces()
await drawFilms()
