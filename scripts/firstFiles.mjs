// Tells the server which files each page begins with: writes `first-files.json` beside the pages.
import { readFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'

const PAGES = 'src/app/pages.tsx'
const LANGUAGE = /\/ui\/(german)\.ts$/
const LANGUAGE_NAMES = { german: 'de' }
/** The type in which most of what is seen first is set. */
const FONT = /^assets\/source-sans-3-latin-wght-normal-[\w-]+\.woff2$/

/** The pages of the list: their paths, and the modules that are fetched for them. */
function pagesIn(root) {
  const file = join(root, PAGES)
  // The pages for developers are not built.
  const text = readFileSync(file, 'utf8').replace(/page\('\/parts'.*/, '')
  const found = [...text.matchAll(/page\('([^']+)', async \(\) => \(await import\('([^']+)'\)\)/g)].map(([, path, module]) => ({
    path,
    framed: text.indexOf(`page('${path}',`) > text.indexOf('IN_SHELL') && text.indexOf(`page('${path}',`) < text.indexOf('ALONE'),
    module: resolve(dirname(file), module),
  }))
  const said = text.match(/\bpage\('/g)?.length ?? 0
  if (found.length !== said) throw new Error(`${PAGES}: ${said} pages, of which ${found.length} can be read`)
  return found
}

export function firstFiles() {
  let root = ''
  return {
    name: 'first-files',
    apply: 'build',
    configResolved: (config) => void (root = config.root),
    generateBundle(_options, bundle) {
      const chunks = Object.values(bundle).filter((each) => each.type === 'chunk')
      const byName = new Map(chunks.map((chunk) => [chunk.fileName, chunk]))
      /** A chunk and all that it imports. */
      const whole = (chunk, seen = new Set()) => {
        if (!chunk || seen.has(chunk.fileName)) return seen
        seen.add(chunk.fileName)
        for (const name of chunk.imports) whole(byName.get(name), seen)
        return seen
      }
      const always = whole(chunks.find((chunk) => chunk.isEntry))
      const beyond = (chunk) => [...whole(chunk)].filter((name) => !always.has(name)).map((name) => `/${name}`)
      const pages = pagesIn(root).map(({ path, framed, module }) => {
        const chunk = chunks.find(({ facadeModuleId, moduleIds }) => [facadeModuleId, ...moduleIds].includes(`${module}.tsx`))
        if (!chunk) throw new Error(`${path}: no file of the build holds ${module}`)
        return { path, framed, scripts: beyond(chunk) }
      })
      const languages = {}
      for (const chunk of chunks) {
        const name = chunk.moduleIds.map((id) => LANGUAGE.exec(id)?.[1]).find(Boolean)
        if (name) languages[LANGUAGE_NAMES[name]] = beyond(chunk)
      }
      const fonts = Object.keys(bundle).filter((name) => FONT.test(name))
      if (fonts.length !== 1) throw new Error('the font of the first view is not among the files')
      this.emitFile({
        type: 'asset',
        fileName: 'first-files.json',
        source: JSON.stringify({ fonts: fonts.map((name) => `/${name}`), pages, languages }),
      })
    },
  }
}
