import { importHtml, linesOfWord } from '@jackdaw/core/exchange'
import type { NewId } from '@jackdaw/core/shared'
import { unzipSync, strFromU8 } from 'fflate'
import mammoth from 'mammoth'
import type { Outcome } from './jobs'

/** Parts of a Word file in which words stand that people see. */
const WITH_WORDS = /^word\/(document|header\d*|footer\d*|footnotes|endnotes)\.xml$/
const MOST_XML_BYTES = 60 * 1024 * 1024
/** Styles that mean more than how they look. */
const STYLES = ["p[style-name='Title'] => h1:fresh", "p[style-name='Subtitle'] => p:fresh"]

/** The lines of a Word file: everything that people see in it, also where no draft has a place for it. */
function linesIn(bytes: Uint8Array): string[] {
  let total = 0
  const files = unzipSync(bytes, {
    filter: ({ name, originalSize }) => {
      if (!WITH_WORDS.test(name)) return false
      total += originalSize
      return total <= MOST_XML_BYTES
    },
  })
  return Object.keys(files)
    .sort()
    .flatMap((name) => linesOfWord(strFromU8(files[name]!)))
}

/** Makes a draft from a Word file (.docx), with its pictures.
 * @param say is told how many of its three rounds are over: its words as they are, its structure, the draft
 * @returns the pictures by the paths that the draft names */
export async function readWord(
  bytes: Buffer,
  fileName: string,
  newId: NewId,
  say: (done: number, of: number) => void,
): Promise<Outcome<'document'>> {
  const pictures: { path: string; bytes: Uint8Array }[] = []
  let html: string
  let lines: string[]
  try {
    lines = linesIn(bytes)
    say(1, 3)
    const read = await mammoth.convertToHtml(
      { buffer: bytes },
      {
        styleMap: STYLES,
        convertImage: mammoth.images.imgElement(async (image) => {
          const path = `media/${pictures.length + 1}`
          pictures.push({ path, bytes: await image.readAsBuffer() })
          return { src: path }
        }),
      },
    )
    html = read.value
    say(2, 3)
  } catch {
    // Whatever the packages stumble over: the file is not what it says.
    return { ok: false, words: 'The Word file is damaged, or is none. Save it once more as .docx and import that. Nothing was imported.' }
  }
  const draft = importHtml(html, fileName, newId, lines)
  if (!draft.ok) return draft
  const { document, ...rest } = draft.draft
  return { ok: true, draft: { documentText: JSON.stringify(document), ...rest }, files: pictures, rough: false }
}
