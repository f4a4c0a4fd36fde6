import { passagesOf, type PrivatePassage } from './passages'

/** A word of a name: with a capital, or one of those that stand between them. */
const CAPITAL = String.raw`\p{Lu}[\p{L}.']{0,30}`
const SMALL = String.raw`(?:de la|de las|de los|del|della|delle|dello|dei|des|de|du|da|das|do|dos|di|la|las|le|les|los|van|van de|van der|den|der|dem|d'|l')`
const NAME = String.raw`(?:(?:${SMALL} ?){0,2}(?:${CAPITAL}|\d{1,3}(?:st|nd|rd|th)))(?:[ -](?:${SMALL} ?){0,2}(?:${CAPITAL}|\d{1,3}(?:st|nd|rd|th))){0,4}`
/** A house: with a letter, a stair, a floor, a flat. */
const HOUSE = String.raw`\d{1,5}(?: ?[A-Za-z]\b(?!\.))?(?:[-/]\d{1,4}[A-Za-z]?|[-/][A-Z]{1,3}\b)*(?: (?:bis|ter)\b)?`
const FLAT = String.raw`(?:(?:,| )+(?:(?:[Aa]pto?|[Ss]uite|[Ss]te|[Uu]nit|[Ff]lat|[Ff]loor|[Rr]oom|m|kv|кв|[Pp]iso)\.? ?\d+[A-Za-z]?\b|\d{1,2}\.?[ºª°] ?[A-Z]?\b))*`
const TOWN = String.raw`\p{Lu}[\p{L}.']{1,30}(?:[ -](?:${SMALL} ?)?\p{Lu}[\p{L}.']{1,30}){0,3}(?: \d{1,2}\b)?`
const CODE = String.raw`(?:[A-Z]{1,2}-)?(?:\d{2}-\d{3}|\d{5}-\d{3,4}|\d{3} \d{2}|\d{4} ?[A-Z]{2}|\d{4,6}|[A-Z]{1,2}\d[A-Z\d]? ?\d[A-Z]{2})\b`
/** The place behind a street: its code, its name, in either order, and a state. */
const PLACE = String.raw`(?:(?:, ?| +)${CODE}(?: +${TOWN})?|, ?${TOWN}(?:,? +(?:[A-Z]{2} +)?${CODE}|,? +[A-Z]{2}\b)?| +${TOWN},? +(?:[A-Z]{2} +)?${CODE})*`

const STREET = String.raw`(?:Street|St|Road|Rd|Avenue|Ave|Lane|Ln|Drive|Dr|Close|Court|Ct|Way|Place|Pl|Square|Sq|Crescent|Cres|Terrace|Gardens|Grove|Mews|Boulevard|Blvd|Highway|Hwy|Parkway|Pkwy|Nagar|Marg)\b\.?`
const GERMANIC = String.raw`\p{L}{0,40}(?:straße|strasse|str\.|weg|platz|gasse|allee|damm|ufer|straat|laan|plein|gracht|kade|dijk|gatan|vägen|vej|gade|gränd)`

/** A way to write a street and a house. `hint` is quick to ask: the pattern itself, which takes the browser long to make, is made only for
 * text in which it may be found. */
type Street = { hint: RegExp; pattern: () => RegExp }
const street = (hint: RegExp, source: string): Street => {
  let made: RegExp | undefined
  return { hint, pattern: () => (made ??= new RegExp(`(?<![\\p{L}\\p{N}])${source}${FLAT}${PLACE}`, 'gu')) }
}

const STREETS: readonly Street[] = [
  // 12 Harbour Street; 77 W 4th Ave
  street(
    /\b(?:street|st|road|rd|avenue|ave|lane|ln|drive|dr|close|court|ct|way|place|pl|square|sq|crescent|cres|terrace|gardens|grove|mews|boulevard|blvd|highway|hwy|parkway|pkwy|nagar|marg)\b/i,
    String.raw`(?:(?:Flat|Apt|Unit|Suite) \d+[A-Za-z]?,? +)?${HOUSE},? +${NAME}(?<=${STREET})`,
  ),
  // Lindenstraße 14b; Kerkstraat 12-II
  street(
    /stra(?:ß|ss)e|str\.|weg|platz|gasse|allee|damm|ufer|straat|laan|plein|gracht|kade|dijk|gatan|vägen|vej|gade|gränd|voorhout/i,
    String.raw`(?<!\p{L})(?:\p{Lu}[\p{L}.]{1,30}[ -]){0,3}(?:\p{Lu}${GERMANIC}|\p{Lu}\p{L}{1,30} (?:Straße|Strasse|Weg|Platz|Allee|Voorhout))\.? ${HOUSE}`,
  ),
  // Am Markt 5; Unter den Linden 77
  street(
    /\b(?:am|an der|an den|auf de[mr]|im|in der|unter den|zum|zur)\b/i,
    String.raw`(?<!\p{L})(?:Am|An der|An den|Auf dem|Auf der|Im|In der|Unter den|Zum|Zur) \p{Lu}\p{L}{2,30}(?: \p{Lu}\p{L}{1,30})? \d{1,4}[a-z]?\b(?!\.)`,
  ),
  // Calle Mayor 12; Rua das Flores, 123; Via Roma 10; ul. Długa 7/3; вул. Садова, 12
  street(
    /calle|c\/|aven|avda|av\.|plaza|paseo|camino|carretera|rua|travessa|praça|via|piazza|corso|vicolo|largo|strada|ul\.|al\.|pl\.|os\.|ulica|aleja|náměstí|вул\.|ул\.|просп\.|пл\./i,
    String.raw`(?<!\p{L})(?:Calle|C/|Avenida|Avda\.?|Av\.|Plaza|Paseo|Camino|Carretera|Rua|Travessa|Praça|Via|Viale|Piazza|Corso|Vicolo|Largo|Strada|[Uu]l\.|[Aa]l\.|[Pp]l\.|[Oo]s\.|[Uu]lica|[Aa]leja|[Nn]áměstí|[Вв]ул\.|[Уу]л\.|[Пп]росп\.|[Пп]л\.) ?${NAME},? (?:n\.?º? ?|д\. ?)?${HOUSE}`,
  ),
  // Dlouhá ulice 12/5
  street(/ulice|třída|náměstí|utca|út/i, String.raw`(?<!\p{L})${CAPITAL} (?:ulice|třída|náměstí|utca|út) ${HOUSE}`),
  // 12 bis, rue des Lilas
  street(
    /\b(?:rue|avenue|av\.|boulevard|bd|place|chemin|impasse|quai|route|cours)\b|allée/i,
    String.raw`${HOUSE},? (?:rue|avenue|av\.|boulevard|bd|place|chemin|allée|impasse|quai|route|cours) ${NAME}`,
  ),
  street(/box/i, String.raw`(?<!\p{L})P\.? ?O\.? Box \d+`),
]

/** Codes of places that stand for themselves. */
const CODES: readonly { hint: RegExp; pattern: RegExp }[] = [
  { hint: /〒/, pattern: /〒 ?\d{3}-?\d{4}/gu },
  { hint: /[A-Z]\d[A-Z\d]? \d/, pattern: /(?<![\p{L}\p{N}])[A-Z]{1,2}\d[A-Z\d]? \d[ABD-HJLNP-UW-Z]{2}(?![\p{L}\p{N}])/gu },
  {
    hint: /[市区町村]/,
    pattern:
      /(?:[\p{Script=Han}]{1,4}[都道府県])?[\p{Script=Han}\p{Script=Katakana}\p{Script=Hiragana}]{1,8}[市区町村][\p{Script=Han}\p{Script=Katakana}\p{Script=Hiragana}]{0,12}\d[\d-]*(?:丁目|番地|番|号|\d|-)*/gu,
  },
]

/** Finds postal addresses: streets with a house, with the place that follows. */
export function findPostal(level: string): PrivatePassage[] {
  if (!/\d/.test(level)) return []
  const streets = STREETS.filter(({ hint }) => hint.test(level)).map(({ pattern }) => pattern())
  const codes = CODES.filter(({ hint }) => hint.test(level)).map(({ pattern }) => pattern)
  return [...streets, ...codes].flatMap((pattern) => passagesOf(pattern, level, 'address'))
}
