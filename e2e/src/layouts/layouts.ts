/** Pages in which private text stands in every place that a page can give it. What is private is magenta (`<i>`), what may be read is green
 * (`<u>`). Every third layout was set aside while the recorder was made. `/a/…` is a frame of the same origin, `/b/…` of another. */
export type Layout = {
  name: string
  html: string
  /** What the frames show, by name. */
  frames?: Record<string, string>
  /** Done in the page once it is there. */
  then?: string
}

const MAIL = '<i>anna@reed.example</i>'
const CARD = '<i>4539 1488 0343 6467</i>'
const PHONE = '<i>(415) 555-2610</i>'
const IBAN = '<i>GB33 BUKB 2020 1555 5555 55</i>'
const NAME = '<i>Anna Reed</i>'
const FREE = '<u>Crates of mint</u>'
const WORDS = '<u>Twelve crates of mint for the quay, packed by noon.</u> '
const lines = (n: number, line: (i: number) => string) => Array.from({ length: n }, (_, i) => line(i)).join('')
const MIXED = `<p>${FREE} ${MAIL}</p><p>${PHONE}</p><p>${FREE}</p><p>${CARD}</p>`

export const LAYOUTS: readonly Layout[] = [
  { name: 'plain', html: MIXED },
  {
    name: 'frame with border and padding',
    html: '<iframe src="/a/in" style="border:9px solid #ccc;padding:23px 31px 17px 41px" width="420" height="240"></iframe>',
    frames: { in: MIXED },
  },
  {
    name: 'frame of another origin, with border and padding in percent',
    html: '<div style="width:600px"><iframe src="/b/in" style="border:5px dashed #ccc;padding:4%" width="420" height="240"></iframe></div>',
    frames: { in: MIXED },
  },
  {
    name: 'frame made smaller',
    html: '<iframe src="/b/in" style="transform:scale(.6);transform-origin:0 0;border:8px solid #ccc" width="500" height="320"></iframe>',
    frames: { in: MIXED },
  },
  {
    name: 'frame made larger and moved',
    html: '<iframe src="/a/in" style="transform:translate(60px,40px) scale(1.3);transform-origin:0 0;padding:12px" width="420" height="260"></iframe>',
    frames: { in: MIXED },
  },
  {
    name: 'frame turned',
    html: '<iframe src="/b/in" style="transform:rotate(12deg);margin:80px" width="380" height="220"></iframe>',
    frames: { in: `<p>${MAIL}</p>` },
  },
  {
    name: 'frame in something zoomed',
    html: '<div style="zoom:1.4"><iframe src="/b/in" style="border:6px solid #ccc;padding:10px" width="380" height="200"></iframe></div>',
    frames: { in: MIXED },
  },
  {
    name: 'frame in a frame, both with padding',
    html: '<iframe src="/b/mid" style="padding:20px;border:4px solid #ccc" width="560" height="360"></iframe>',
    frames: { mid: `<p>${FREE}</p><iframe src="/a/in" style="padding:15px;border:0" width="420" height="220"></iframe>`, in: MIXED },
  },
  {
    name: 'frame that is scrolled',
    html: '<iframe src="/a/in" style="padding:9px" width="420" height="160"></iframe>',
    frames: { in: lines(12, (i) => `<p>${i % 2 ? MAIL : FREE}</p>`) },
    then: 'frames[0].scrollTo(0, 190)',
  },
  {
    name: 'frame in a box that is scrolled',
    html: `<div id="s" style="height:220px;overflow:auto;border:3px solid #ccc">${lines(4, () => `<p>${FREE}</p>`)}<iframe src="/b/in" width="400" height="300"></iframe></div><p>${FREE}</p><p>${FREE}</p>`,
    frames: { in: lines(8, () => `<p>${FREE} ${MAIL}</p>`) },
    then: 's.scrollTop = 90',
  },
  {
    name: 'frame in a shadow root',
    html: '<x-in></x-in>',
    frames: { in: MIXED },
    then: `document.querySelector('x-in').attachShadow({ mode: 'open' }).innerHTML = '<iframe src="/b/in" style="padding:14px" width="420" height="240"></iframe>'`,
  },
  { name: 'a page zoomed', html: `<div style="zoom:1.5">${MIXED}</div>` },
  { name: 'a page made smaller by zoom in zoom', html: `<div style="zoom:.8"><div style="zoom:.9">${MIXED}</div></div>` },
  {
    name: 'sticky head over a scrolled table',
    html: `<div id="s" style="height:200px;overflow:auto"><table style="border-spacing:0"><thead style="position:sticky;top:0;background:#fff"><tr><th style="padding:14px"><u>Customer and how to reach them</u></th></tr></thead><tbody>${lines(20, () => `<tr><td>${MAIL}</td></tr>`)}</tbody></table></div>`,
    then: 's.scrollTop = 37',
  },
  {
    name: 'text scrolled out of an inner box',
    html: `<p>${FREE} ${FREE} ${FREE}</p><div id="s" style="height:90px;overflow:auto">${lines(9, (i) => `<p>${i < 5 ? `${MAIL} ${CARD}` : FREE}</p>`)}</div><p>${FREE} ${FREE}</p>`,
    then: 's.scrollTop = 250',
  },
  {
    name: 'text below the fold of an inner box',
    html: `<div style="height:60px;overflow:hidden"><p>${FREE}</p>${lines(6, () => `<p>${MAIL}</p>`)}</div>${lines(5, () => `<p>${FREE} ${FREE}</p>`)}`,
  },
  {
    name: 'box scrolled sideways',
    html: `<div id="s" style="width:260px;overflow:auto;white-space:nowrap">${FREE} ${MAIL} ${FREE} ${CARD} ${FREE}</div><p>${FREE} ${FREE} ${FREE}</p>`,
    then: 's.scrollLeft = 150',
  },
  {
    name: 'what is positioned reaches out of a box that cuts off others',
    html: `<div style="height:50px;width:200px;overflow:hidden"><p style="position:absolute;left:300px;top:120px">${MAIL}</p><p>${FREE}</p></div>`,
  },
  {
    name: 'what is fixed in a box that is scrolled',
    html: `<div id="s" style="height:80px;overflow:auto"><p style="position:fixed;left:30px;top:300px">${CARD}</p>${lines(9, () => `<p>${FREE}</p>`)}</div>`,
    then: 's.scrollTop = 100',
  },
  { name: 'three columns', html: `<div style="columns:3;width:700px;height:130px">${lines(6, () => WORDS + MAIL + ' ')}</div>` },
  { name: 'right to left', html: `<div dir="rtl" lang="he"><p>הזמנה ${MAIL} <u>נענע וריחן</u></p><p>${PHONE} <u>בצהריים</u></p></div>` },
  { name: 'right to left in left to right', html: `<p><u>Order of</u> <bdo dir="rtl">${CARD}</bdo> <u>is packed</u></p>` },
  {
    name: 'words before an element, by its style',
    html: `<style>.m::before{content:"anna@reed.example";color:#f0f}</style><p class="m"></p><p>${FREE}</p>`,
  },
  {
    name: 'words from an attribute, before and after',
    html: `<style>[data-v]::after{content:" " attr(data-v);color:#f0f}</style><p data-v="4539 1488 0343 6467"></p><p data-v="+44 1632 960127"></p><p>${FREE}</p>`,
  },
  {
    name: 'a table that becomes cards',
    html: `<style>td{display:block}td::before{content:attr(data-l) ": ";color:#0a0}</style><table><tr><td data-l="Mail">${MAIL}</td><td data-l="Crates">${FREE}</td></tr></table>`,
  },
  {
    name: 'cut by an ellipsis',
    html: `<p style="width:190px;overflow:hidden;text-overflow:ellipsis;white-space:nowrap">${FREE} ${MAIL} ${MAIL}</p><p>${FREE}</p>`,
  },
  { name: 'wrapped over lines', html: `<p style="width:110px">${FREE} ${IBAN} ${FREE}</p>` },
  {
    name: 'in pieces of many elements',
    html: `<p><u>Mail</u> <i>an</i><b><i>na</i></b><span><i>@re</i></span><em><i>ed.example</i></em> <u>today</u></p>`,
  },
  {
    name: 'a card in four boxes',
    html: `<div style="display:flex;gap:10px">${['4539', '1488', '0343', '6467'].map((part) => `<div style="border:1px solid #ccc;padding:4px"><i>${part}</i></div>`).join('')}</div><p>${FREE}</p>`,
  },
  {
    name: 'a card in four fields',
    html: `<p>${['4539', '1488', '0343', '6467'].map((part) => `<input style="width:60px;color:#f0f" value="${part}">`).join(' ')}</p><p><input style="color:#0a0" value="Mint"></p>`,
  },
  {
    name: 'drawn as letters of a picture',
    html: `<svg width="500" height="80"><text x="10" y="30" fill="#f0f">anna@reed.example</text><text x="10" y="60" fill="#0a0">Crates of mint</text></svg>`,
  },
  { name: 'letters turned', html: `<p style="writing-mode:vertical-rl;height:300px">${FREE} ${MAIL}</p>` },
  { name: 'turned by a transform', html: `<div style="transform:rotate(20deg);width:300px;margin:90px"><p>${MAIL}</p></div>` },
  {
    name: 'moved by a transform in a box that cuts off',
    html: `<div style="overflow:hidden;height:60px;transform:translate(120px,90px) scale(1.2)"><p>${MAIL}</p></div><p style="margin-top:140px">${FREE}</p>`,
  },
  {
    name: 'a dialog over a list',
    html: `${lines(8, () => `<p>${MAIL}</p>`)}<dialog id="d" style="width:400px;height:220px;background:#fff"><p><u>Order of twelve crates</u></p><p>${NAME}</p></dialog>`,
    then: 'd.showModal()',
  },
  {
    name: 'a menu in the top layer',
    html: `<div style="overflow:hidden;height:40px"><div popover="manual" id="d" style="inset:90px auto auto 60px"><p>${MAIL}</p><p>${FREE}</p></div></div>`,
    then: 'd.showPopover()',
  },
  {
    name: 'a list in a closed box of its own',
    html: '<x-list></x-list>',
    then: `document.querySelector('x-list').attachShadow({ mode: 'open' }).innerHTML = '<style>i{color:#f0f}u{color:#0a0}</style><div style="overflow:hidden;height:70px"><p><u>Crates of mint</u> <i>anna@reed.example</i></p></div>'`,
  },
  {
    name: 'what shows through another thing',
    html: `<div style="position:relative;height:80px"><p style="position:absolute;top:0">${MAIL}</p><div style="position:absolute;inset:0;background:rgba(255,255,255,.5)"></div></div><p>${FREE}</p>`,
  },
  {
    name: 'fields and lists',
    html: `<p><input style="color:#f0f;width:260px" value="anna@reed.example"> <textarea style="color:#f0f" cols="40">Ring (415) 555-2610</textarea></p><p><select style="color:#f0f"><option>Anna Reed</option></select> <input style="color:#0a0" value="Mint"></p>`,
  },
  { name: 'large letters with a narrow line', html: `<p style="font-size:44px;line-height:30px">${MAIL}</p><p>${FREE}</p>` },
  { name: 'letters with room between and a shadow', html: `<p style="letter-spacing:6px">${PHONE} ${FREE}</p>` },
  {
    name: 'a grid that leaves gaps',
    html: `<div style="display:grid;grid-template-columns:repeat(3,1fr);gap:20px">${lines(6, (i) => `<div>${i % 2 ? NAME : FREE}</div>`)}</div>`,
  },
]
