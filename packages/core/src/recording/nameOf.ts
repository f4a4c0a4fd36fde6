import type { ElementSeen } from './rawAction'

const MOST = 80
/** Words that are made for programs: an id, a selector, a file name, a class, a placeholder that was never filled in. */
const ODD = [
  /^[#.][\w-]+/,
  /[{}<>$]|__|::|=>/,
  /^[a-z]+(?:[_-][a-z0-9]+)+$/,
  /^[a-z]+[A-Z]\w*\d*$/,
  /\.(?:svg|png|jpe?g|gif|webp|ico)$/i,
  /^[^\p{L}\p{N}]*\d*[^\p{L}\p{N}]*$/u,
]
const tidied = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .trim()
    // How many there are just now is no part of a name: “Packed (1)”.
    .replace(/\s*\(\d+\)$/, '')
    .replace(/(?:\s*[*:])+$/, '')
    .replace(/^\*\s*/, '')
    .trim()

/** What an element is called in a sentence. `words` is empty when it has no name that a person would recognise; `odd` says that it had one
 * made for programs, `cut` that it was shortened to 80 characters. Never a selector. */
export function nameOf(element: ElementSeen | undefined): { words: string; odd: boolean; cut: boolean } {
  if (!element) return { words: '', odd: false, cut: false }
  let odd = false
  for (const each of [element.name, element.text]) {
    const words = tidied(each)
    if (words === '' || words === '…') continue
    if (isOdd(words, element)) {
      odd = true
      continue
    }
    if (words.length <= MOST) return { words, odd: false, cut: false }
    const head = words.slice(0, MOST)
    return { words: `${head.slice(0, Math.max(head.lastIndexOf(' '), 40)).trimEnd()}…`, odd: false, cut: true }
  }
  return { words: '', odd, cut: false }
}

/** A lone number names a day in a calendar, a row or a page well enough; a lone sign names nothing. */
function isOdd(words: string, element: ElementSeen): boolean {
  if (/^\d[\d.,:/ -]*$/.test(words)) return false
  return ODD.some((pattern) => pattern.test(words)) && !(element.tag === 'option' || element.role === 'option')
}
