import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'

const FACES = [
  { family: 'Source Sans 3', name: 'source-sans-3' },
  { family: 'Literata', name: 'literata' },
] as const
const WEIGHTS = [400, 600] as const
/** The parts of the fonts, and which characters ask for each. */
const PARTS = [
  { part: 'latin', range: 'U+0000-00FF,U+0131,U+0152-0153,U+02C6,U+02DA,U+02DC,U+2000-206F,U+20AC,U+2122', asked: /[\s\S]/u },
  { part: 'latin-ext', range: 'U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF', asked: /[\u0100-\u02ba\u1e00-\u1eff]/u },
  { part: 'cyrillic', range: 'U+0301,U+0400-045F,U+0490-0491,U+04B0-04B1,U+2116', asked: /[\u0400-\u04ff]/u },
] as const

/** Style rules that bring the fonts along, as far as a text asks for them. */
export function fontRules(text: string): string {
  const resolve = createRequire(import.meta.url).resolve
  return FACES.flatMap(({ family, name }) =>
    WEIGHTS.flatMap((weight) =>
      PARTS.filter(({ asked }) => asked.test(text)).map(({ part, range }) => {
        const bytes = readFileSync(resolve(`@fontsource/${name}/files/${name}-${part}-${weight}-normal.woff2`))
        return `@font-face{font-family:'${family}';font-weight:${weight};font-display:swap;unicode-range:${range};src:url(data:font/woff2;base64,${bytes.toString('base64')}) format('woff2')}`
      }),
    ),
  ).join('')
}
