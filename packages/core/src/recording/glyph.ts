import * as z from 'zod/mini'

/** What a picture on a button shows, where something about it says so. */
export const Glyph = z.enum([
  'arrow-down',
  'arrow-left',
  'arrow-right',
  'arrow-up',
  'bell',
  'bin',
  'bookmark',
  'calendar',
  'chart',
  'clock',
  'cog',
  'copy',
  'cross',
  'disk',
  'dots',
  'envelope',
  'eye',
  'flag',
  'folder',
  'funnel',
  'heart',
  'house',
  'key',
  'lines',
  'link',
  'lock',
  'magnifier',
  'map',
  'minus',
  'paperclip',
  'pencil',
  'person',
  'phone',
  'play',
  'plus',
  'printer',
  'question-mark',
  'speech-bubble',
  'star',
  'tick',
  'trolley',
  'turning-arrows',
])
/** Read by {@link Glyph}. */
export type Glyph = z.infer<typeof Glyph>

/** Words in the names that programs give to such pictures, and signs that are such pictures themselves. Earlier ones win. */
const WORDS: readonly (readonly [Glyph, RegExp])[] = [
  ['bin', /\b(?:trash|bin|delete|garbage|recycle)\b|🗑/],
  ['pencil', /\b(?:pencil|edit|pen|write|compose)\b|[✎✏🖉]/u],
  ['magnifier', /\b(?:search|magnify|magnifier|magnifying|lens|zoom)\b|[🔍🔎]/u],
  ['cog', /\b(?:cogs?|gears?|settings|preferences|wrench)\b|⚙/],
  ['printer', /\b(?:print|printer)\b|🖨/],
  ['funnel', /\b(?:filter|funnel|filters)\b/],
  ['bell', /\b(?:bell|notifications?|alarm)\b|🔔/],
  ['envelope', /\b(?:mail|envelope|email|inbox)\b|[✉📧]/u],
  ['calendar', /\b(?:calendar|date|event|schedule)\b|[📅📆]/u],
  ['paperclip', /\b(?:paperclip|attach|attachment|clip)\b|📎/],
  ['copy', /\b(?:copy|duplicate|clone|clipboard)\b|📋/],
  ['disk', /\b(?:save|floppy|disk|diskette)\b|💾/],
  ['lock', /\b(?:lock|locked|unlock|padlock)\b|[🔒🔓]/u],
  ['key', /\bkey\b|🔑/],
  ['eye', /\b(?:eye|visibility|view|preview)\b|👁/],
  ['star', /\b(?:star|favou?rite|rate|rating)\b|[★☆⭐]/u],
  ['heart', /\b(?:heart|like)\b|[❤♥♡]/u],
  ['bookmark', /\bbookmark\b|🔖/],
  ['flag', /\bflag\b|⚑/],
  ['person', /\b(?:user|person|account|profile|avatar|contact)s?\b|👤/],
  ['house', /\b(?:home|house)\b|[🏠⌂]/u],
  ['phone', /\b(?:phone|telephone|call|handset)\b|[☎📞]/u],
  ['speech-bubble', /\b(?:chat|comments?|message|bubble|speech)\b|💬/],
  ['trolley', /\b(?:cart|basket|trolley|bag)\b|🛒/],
  ['folder', /\b(?:folder|directory)\b|📁/],
  ['chart', /\b(?:chart|graph|bar_chart|analytics|stats|insights)\b|[📈📊]/u],
  ['clock', /\b(?:clock|time|history|recent)\b|[🕐⏰]/u],
  ['map', /\b(?:map|location|pin|marker|place)\b|📍/],
  ['link', /\b(?:link|chain)\b|🔗/],
  ['play', /\b(?:play|start|run)\b|[▶►]/u],
  ['turning-arrows', /\b(?:refresh|reload|sync|rotate|redo|undo|repeat|renew)\b|[↻⟳🔄]/u],
  ['question-mark', /\b(?:help|question)\b|^[?❓]$/u],
  ['dots', /\b(?:dots|ellipsis|more|kebab|overflow|more_vert|more_horiz)\b|^(?:[⋮⋯…]|\.\.\.)$/],
  ['lines', /\b(?:hamburger|menu|bars|burger)\b|[☰≡]/],
  ['arrow-left', /\b(?:arrow|chevron|caret|angle)[-_ ]?left\b|\b(?:back|previous|prev)\b|^[←‹«◀]$/],
  ['arrow-right', /\b(?:arrow|chevron|caret|angle)[-_ ]?right\b|\b(?:forward|next)\b|^[→›»]$/],
  ['arrow-up', /\b(?:arrow|chevron|caret|angle)[-_ ]?up\b|\b(?:upload|expand_less)\b|^[↑▲]$/],
  ['arrow-down', /\b(?:arrow|chevron|caret|angle)[-_ ]?down\b|\b(?:download|expand_more|dropdown)\b|^[↓▼▾]$/],
  ['tick', /\b(?:check|checkmark|tick|done|confirm|ok)\b|^[✓✔]$/],
  ['cross', /\b(?:close|cross|times|cancel|dismiss|clear|remove|x)\b|^[×✕✖✗]$/],
  ['plus', /\b(?:plus|add|create|new)\b|^[+➕]$/u],
  ['minus', /\b(?:minus|less|subtract|collapse)\b|^[-−–]$/],
]

/** What a picture shows, by what its program calls it or by the sign that it is.
 * @param marks class names, names of files and of symbols, the sign itself; words of several kinds may stand in it */
export function glyphIn(marks: string): Glyph | undefined {
  const words = marks
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .replace(/\.(?:svg|png|webp|gif|jpe?g)\b/gi, ' ')
    .toLowerCase()
    .trim()
  const apart = words.replace(/[-_/#:.]+/g, ' ')
  return WORDS.find(([, pattern]) => pattern.test(words) || pattern.test(apart))?.[0]
}
