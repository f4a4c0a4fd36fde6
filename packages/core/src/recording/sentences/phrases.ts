import type { Verb } from '../../guides'
import type { Glyph } from '../glyph'
import type { Place } from '../place'
import type { PrivateKind } from '../rawAction'

/** What a nameless element is called by its kind. */
export type Thing = 'icon' | 'button' | 'link' | 'field' | 'box' | 'picture' | 'area' | 'row'

/** How a language says what is to be done. In the templates `{name}`, `{list}` and `{onto}` become bold, `{value}` is set as what is typed,
 * `{key}` as a key; `{row}` is bold too. A more special key (`select.tab`) comes before the general one (`select`). */
export type Phrases = {
  templates: Record<Verb, string> & Record<string, string>
  /** An element without a name: `{thing}` and where it stands. */
  nameless: { inPlace: string; nextTo: string; withGlyph: string }
  things: Record<Thing, string>
  places: Record<Place, string>
  /** What the picture of an icon shows, as it stands behind “with”. */
  glyphs: Record<Glyph, string>
  /** Added to a sentence when several elements are called the same. */
  inRow: string
  inGroup: string
  waitFirst: string
  scrollFirst: { down: string; up: string; left: string; right: string }
  /** What is typed when it was hidden. */
  hidden: Partial<Record<PrivateKind, string>>
  keys: Record<string, string>
  /** The title of a guide. */
  title: { goalInApplication: string; workIn: string; without: string }
  /** Verbs on buttons that only say that something is sent: then the heading tells more than the button. */
  sends: RegExp
  /** Words on buttons that keep what was done, whatever else they say: “Save and close”, “Place order”. */
  saves: RegExp
  /** Words on buttons that only lead away. */
  leaves: RegExp
  /** Headings such as “New standing order” → what one does there. */
  newThing: readonly (readonly [pattern: RegExp, goal: string])[]
  section: { application: string }
  alt: { before: string; plain: string }
}
