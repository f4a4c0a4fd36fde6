import { escapeUTF8 } from 'entities'

/** A piece of XML: words in it are escaped already. */
export type Xml = string & { readonly xml: unique symbol }
type Attributes = Readonly<Record<string, string | number | boolean | undefined>>

/** Characters that XML 1.0 cannot hold, escaped or not (its production `Char`). */
const NOT_XML =
  /[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g
const escaped = (text: string): string => escapeUTF8(text.replace(NOT_XML, ''))

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
