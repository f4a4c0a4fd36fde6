import { nth } from '../shared'
/** What is needed to judge the text of a step in one language. */
export type ProseRules = {
  /** Verbs with which an instruction begins. */
  imperatives: ReadonlySet<string>
  /** The passive voice. */
  passive: RegExp
  /** Things on a screen or a machine: where one of them is spoken of, a picture says more. */
  things: RegExp
  /** Readability index (LIX, C. H. Björnsson, 1968) from which a text counts as hard; languages with long words have a higher one. */
  hardFrom: number
}

const set = (words: string) => new Set(words.split(' '))

const ENGLISH: ProseRules = {
  imperatives: set(
    'add adjust allow apply ask attach begin book bring brush call carry change check choose clean click close collect confirm connect copy count cover create cut delete disconnect drag drain dry empty enter fasten fill find fit fold follow go grease hand hang hold insert install keep label lay leave lift load lock log look loosen lower make mark measure mix move note open pack pick place plug point pour press print pull push put raise read record refill release remove repeat replace report reset rinse rotate run save scan select send set shut sign slide sort spray stack start stop store switch take tap tell test tie tighten tip turn type undo unlock unplug untick upload use wait wash wear weigh wipe write',
  ),
  passive:
    /\b(?:is|are|was|were|be|been|being|gets|get)\s+(?:\w+ly\s+)?(?:\w{2,}ed|built|bought|brought|caught|chosen|cut|done|drawn|driven|found|given|held|kept|known|laid|left|lost|made|paid|put|read|seen|sent|set|shown|shut|sold|taken|told|thrown|understood|worn|written)\b/iu,
  things:
    /\b(?:buttons?|screens?|menus?|fields?|icons?|windows?|tabs?|checkbox(?:es)?|valves?|levers?|switch(?:es)?|panels?|dials?|knobs?|gauges?|displays?|lamps?|drums?|hoses?|filters?|plugs?|sockets?|pumps?|tanks?|trays?|crates?|labels?|cables?|bolts?|screws?|nuts|handles?|hand ?wheels?|belts?|blades?|scanners?|scales?|printers?|pipes?|taps?|lids?|hatch(?:es)?|machines?|motors?|hoppers?|sensors?|keypads?|bar ?codes?|nozzles?|clamps?)\b/iu,
  hardFrom: 45,
}
const GERMAN: ProseRules = {
  imperatives: set(
    'öffnen wählen klicken drücken geben tippen ziehen schließen prüfen nehmen legen stellen füllen reinigen spülen messen notieren tragen entfernen setzen schalten warten melden speichern senden drehen lösen befestigen',
  ),
  passive: /\b(?:wird|werden|wurde|wurden|worden)\b[^.!?]*\b(?:ge\w{2,}(?:t|en)|\w+iert|be\w+t|ver\w+t|ent\w+t|er\w+t)\b/iu,
  things:
    /(?:schaltfläche|bildschirm|menü|\bfeld|symbol|fenster|ventil|hebel|schalter|tafel|anzeige|lampe|trommel|schlauch|filter|stecker|pumpe|\btank|schale|kiste|etikett|kabel|schraube|griff|handrad|förderband|klinge|scanner|waage|drucker|rohr|hahn|deckel|maschine|motor|sensor|düse|klemme)/iu,
  hardFrom: 58,
}
const SPANISH: ProseRules = {
  imperatives: set(
    'abra seleccione haga escriba elija pulse arrastre cierre compruebe tome ponga llene limpie enjuague mida anote lleve retire coloque encienda apague espere avise guarde envíe gire afloje apriete',
  ),
  passive: /\b(?:es|son|fue|fueron|ser|sido|será|serán)\s+(?:\w+mente\s+)?\w+(?:ado|ada|ados|adas|ido|ida|idos|idas)\b/iu,
  things:
    /(?:botón|pantalla|menú|\bcampo|icono|ventana|válvula|palanca|interruptor|panel|indicador|lámpara|tambor|manguera|filtro|enchufe|bomba|tanque|bandeja|\bcaja|etiqueta|cable|tornillo|manija|volante|cinta|cuchilla|escáner|báscula|impresora|tubo|grifo|tapa|máquina|motor|sensor|boquilla|abrazadera)/iu,
  hardFrom: 50,
}
const POLISH: ProseRules = {
  imperatives: set(
    'otwórz wybierz kliknij wpisz naciśnij przeciągnij zamknij sprawdź weź połóż napełnij wyczyść wypłucz zmierz zapisz załóż zdejmij ustaw włącz wyłącz poczekaj zgłoś wyślij obróć poluzuj dokręć',
  ),
  passive:
    /\b(?:jest|są|był|była|było|były|zostaje|zostają|został|została|zostało|zostały|będzie|będą)\s+\w+(?:ny|na|ne|ni|ty|ta|te|ci)\b/iu,
  things:
    /(?:przycisk|ekran|menu|\bpole|ikon|okn|zaw[oó]r|dźwigni|przełącznik|panel|wskaźnik|lamp|bęb[ne]|wąż|węż|filtr|wtyczk|pomp|zbiornik|tac[aę]|skrzyn|etykiet|kabel|śrub|uchwyt|pokrętł|taśm|ostrz|skaner|wag[aęi]|drukark|rur|kran|pokryw|maszyn|silnik|czujnik|dysz|zacisk)/iu,
  hardFrom: 55,
}

const RULES: Readonly<Record<string, ProseRules>> = { en: ENGLISH, de: GERMAN, es: SPANISH, pl: POLISH }
/** The rules for a language; `undefined` for those that nobody has written rules for. */
export const proseRulesFor = (language: string): ProseRules | undefined => RULES[nth(language.split('-'), 0).toLowerCase()]

const SENTENCE = /[^.!?…:;\n]+/gu
/** The sentences of a text, as far as full stops and line ends show them. A stop inside of a number or an abbreviation is none. */
export const sentencesOf = (text: string): string[] =>
  (
    text
      .replaceAll(/(\d)[.,:](\d)/g, '$1_$2')
      .replaceAll(/\b(?:e\.g|i\.e|etc|z\.B|d\.h|np|itd|p\.ej|Nr|No)\./giu, (found) => found.replaceAll('.', ''))
      .match(SENTENCE) ?? []
  )
    .map((each) => each.trim())
    .filter((each) => /\p{L}/u.test(each))

/** Readability index: words to a sentence, and the share of words of more than six letters in per cent. */
export function lix(text: string): number {
  const words = text.match(/\p{L}+/gu) ?? []
  const sentences = Math.max(1, sentencesOf(text).length)
  if (words.length === 0) return 0
  return words.length / sentences + (100 * words.filter((word) => word.length > 6).length) / words.length
}

/** Instructions in a text: sentences, or parts of them joined by "and" or "then", that begin with such a verb. */
export function instructionsIn(text: string, rules: ProseRules): number {
  const starts = sentencesOf(text).flatMap((sentence) =>
    sentence.split(/,\s+|,?\s+(?:and then|then|und dann|dann|y luego|luego|a potem|potem|and|und|y|i)\s+/iu),
  )
  return starts.filter((part) => {
    const word =
      part
        .trim()
        .split(/\s+/u)[0]
        ?.toLowerCase()
        .replaceAll(/[^\p{L}]/gu, '') ?? ''
    return rules.imperatives.has(word)
  }).length
}
