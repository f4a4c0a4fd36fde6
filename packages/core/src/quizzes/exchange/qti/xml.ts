import { escapeUTF8 } from 'entities'
import { storable } from '../../../shared'

/** A piece of XML: words in it are escaped already. */
export type Xml = string & { readonly xml: unique symbol }
type Attributes = Readonly<Record<string, string | number | boolean | undefined>>

const escaped = (text: string): string => escapeUTF8(storable(text))

/** Words as XML. */
export const words = (text: string): Xml => escaped(text) as Xml
/** An element. Attributes that are `undefined` are left out. */
export function element(name: string, attributes: Attributes = {}, ...children: readonly (Xml | readonly Xml[])[]): Xml {
  const given = Object.entries(attributes).flatMap(([key, value]) => (value === undefined ? [] : [` ${key}="${escaped(String(value))}"`]))
  const inside = children.flat().join('')
  return (inside === '' ? `<${name}${given.join('')}/>` : `<${name}${given.join('')}>${inside}</${name}>`) as Xml
}
/** A whole document. */
export const xmlFile = (root: Xml): string => `<?xml version="1.0" encoding="UTF-8"?>\n${root}\n`
