import { escapeUTF8 } from 'entities'
import type { Letter } from './postRoom'

const STYLE = `
body{margin:0;font:15px/1.5 system-ui,sans-serif;color:#222;background:#faf8f3}
header{padding:14px 20px;border-bottom:2px solid #222;display:flex;gap:20px;align-items:baseline;flex-wrap:wrap}
h1{font-size:18px;margin:0}h2{font-size:20px;margin:0 0 6px}
main{padding:16px 20px;max-width:1000px}
table{border-collapse:collapse;width:100%}th,td{text-align:left;padding:6px 12px 6px 0;border-bottom:1px solid #ddd6c8;vertical-align:top}
a{color:#6b3d10}pre{white-space:pre-wrap;overflow-wrap:anywhere;background:#fff;border:1px solid #ddd6c8;padding:14px}
iframe{width:100%;height:460px;border:1px solid #ddd6c8;background:#fff}
button{font:inherit;padding:4px 12px}dl{display:grid;grid-template-columns:auto 1fr;gap:2px 16px;margin:0 0 16px}dt{color:#665}dd{margin:0}`

const page = (title: string, body: string): string => `<!doctype html><html lang="en"><head><meta charset="utf-8">
<meta name="viewport" content="width=device-width"><title>${escapeUTF8(title)}</title><style>${STYLE}</style></head><body>
<header><h1><a href="/">Larkmoor post room</a></h1><span>A stand-in: every mail that Jackdaw sends ends here, and none goes further.</span></header>
<main>${body}</main></body></html>`
const when = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ')
const pathOf = (letter: Letter): string => `/letters/${encodeURIComponent(letter.id)}`

/** All that came, the newest first. */
export const listPage = (letters: readonly Letter[], to: string): string =>
  page(
    'Larkmoor post room',
    letters.length === 0
      ? `<p>${to ? `Nothing has come for ${escapeUTF8(to)}.` : 'Nothing has come yet.'}</p>`
      : `<form method="post" action="/empty"><p>${letters.length === 1 ? 'One mail' : `${letters.length} mails`}${to ? ` for ${escapeUTF8(to)}` : ''} <button>Empty the room</button></p></form>
<table><thead><tr><th>For</th><th>About</th><th>Came (UTC)</th></tr></thead><tbody>${letters
          .map(
            (letter) =>
              `<tr><td>${letter.to.map((each) => `<a href="/?to=${encodeURIComponent(each)}">${escapeUTF8(each)}</a>`).join(', ')}</td><td><a href="${pathOf(letter)}">${escapeUTF8(letter.subject)}</a></td><td>${when(letter.at)}</td></tr>`,
          )
          .join('')}</tbody></table>`,
  )

/** One mail: as it looks, and as a text. What it brings along is shown in a frame that may do nothing. */
export const letterPage = (letter: Letter): string =>
  page(
    letter.subject,
    `<h2>${escapeUTF8(letter.subject)}</h2>
<dl><dt>For</dt><dd>${escapeUTF8(letter.to.join(', '))}</dd><dt>From</dt><dd>${escapeUTF8(letter.from)}</dd><dt>Came (UTC)</dt><dd>${when(letter.at)}${letter.times > 1 ? `, ${letter.times} times` : ''}</dd></dl>
<h3>As it looks</h3><iframe title="The mail as it looks" sandbox="allow-popups allow-top-navigation-by-user-activation" src="${pathOf(letter)}/html"></iframe>
<h3>As a text</h3><pre>${escapeUTF8(letter.text)}</pre>`,
  )
