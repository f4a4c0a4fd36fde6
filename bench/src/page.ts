import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { signedInBrowser } from './browser'

export type FirstLoad = { scriptKb: number; fontKb: number; styleKb: number; scripts: string[]; fonts: string[] }

/** What a member of staff's browser fetches to open a guide for the first time: scripts after `gzip -9`, fonts as they are. kB of 1000 bytes. */
export async function firstLoadOfReader(address: string, guideId: string): Promise<FirstLoad> {
  const { browser } = await signedInBrowser(address, 'ines@larkmoor.example')
  const cookies = await browser.cookies()
  const fresh = await browser.createBrowserContext()
  await fresh.setCookie(...cookies)
  const reader = await fresh.newPage()
  const fetched = new Set<string>()
  reader.on('request', (request) => void fetched.add(new URL(request.url()).pathname))
  await reader.goto(`${address}/guides/${guideId}`)
  await reader.waitForSelector('article h1')
  await reader.waitForNetworkIdle({ idleTime: 500 })
  await browser.close()
  const assets = new Set(readdirSync('dist/web/assets'))
  const names = [...fetched].map((path) => path.replace('/assets/', '')).filter((name) => assets.has(name))
  const size = (end: RegExp, pack: boolean) =>
    names
      .filter((name) => end.test(name))
      .reduce((sum, name) => {
        const bytes = readFileSync(join('dist/web/assets', name))
        return sum + (pack ? gzipSync(bytes, { level: 9 }).length : bytes.length)
      }, 0) / 1000
  return {
    scriptKb: size(/\.js$/, true),
    fontKb: size(/\.woff2$/, false),
    styleKb: size(/\.css$/, true),
    scripts: names.filter((name) => name.endsWith('.js')),
    fonts: names.filter((name) => name.endsWith('.woff2')),
  }
}
