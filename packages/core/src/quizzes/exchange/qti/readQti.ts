import { blocksOf, type PictureRef } from '../../../exchange'
import { cutTo, type ClipId, type NewId, type PictureId, type QuestionId } from '../../../shared'
import { QUIZ_LIMITS } from '../../limits'
import { contentOf, isBlank, withClips, type Content } from '../../questions/content'
import { Question, type Difficulty } from '../../questions/question'
import type { ReadFault, ReadQuestions } from '../readPlain'
import { clipsAmong } from './clipsAmong'
import { attributeOf, childOf, childrenOf, elementsIn, readXml, wordsIn, type QtiNode } from './nodes'

/** The files of a package, by the ids under which its questions show and play them: their paths within the package. Who takes them in gives them ids of
 * their own. */
type QtiPaths = { pictures: ReadonlyMap<PictureId, string>; clips: ReadonlyMap<ClipId, string> }
/** Questions of a package, with the files that they show. */
export type ReadQti = ReadQuestions & QtiPaths
/** How large a picture of the package is. */
export type SizeOf = (path: string) => { widthPx: number; heightPx: number } | null

const SCORED = /(Interaction)$/
const RESPONSE_OF = 'responseIdentifier'

/** A path as it is meant from a file. */
function resolved(from: string, path: string): string {
  const at = from.split('/').slice(0, -1)
  for (const part of decodeURI(path.replace(/%(?![0-9a-f]{2})/gi, '%25')).split('/')) {
    if (part === '..') at.pop()
    else if (part !== '.' && part !== '') at.push(part)
  }
  return at.join('/')
}

/** What an item is read with: its file, and where its pictures and clips are noted down. */
type Reading = { file: string; newId: NewId; sizeOf: SizeOf; pictures: Map<PictureId, string>; clips: Map<ClipId, string> }
type Body = { kind: Question['kind']; ask: object; key: object }
/** Why an item cannot be read, in words. */
type NotRead = { notRead: string }
const notRead = (words: string): NotRead => ({ notRead: words })

function contentIn(all: readonly QtiNode[], { file, newId, pictures, clips }: Reading): Content {
  const refs: PictureRef[] = []
  const { nodes, clips: played } = clipsAmong(all)
  const text = { type: 'doc' as const, content: blocksOf(nodes, refs) }
  const shown = refs.slice(0, QUIZ_LIMITS.pictures).map(({ path, alt }) => {
    const id = newId<PictureId>()
    pictures.set(id, resolved(file, path))
    return { id, alt: cutTo(alt, QUIZ_LIMITS.alt) }
  })
  const heard = played.slice(0, QUIZ_LIMITS.clips).map(({ path, kind, title }) => {
    const id = newId<ClipId>()
    clips.set(id, resolved(file, path))
    return { id, kind, title: cutTo(title, QUIZ_LIMITS.alt), durationMs: null, poster: null, captions: [] }
  })
  return withClips({ text: text.content.length > 0 ? text : contentOf().text, pictures: shown }, heard)
}

/** What is declared of a response: what is right, and what points the values bring. */
function declaredOf(item: QtiNode, interaction: QtiNode) {
  const id = attributeOf(interaction, RESPONSE_OF)
  const declaration = childrenOf(item, 'responseDeclaration').find((each) => attributeOf(each, 'identifier') === id)
  const right = childrenOf(childOf(declaration, 'correctResponse'), 'value').map(wordsIn)
  const mapping = childOf(declaration, 'mapping')
  const entries = childrenOf(mapping, 'mapEntry').map((entry) => ({
    key: attributeOf(entry, 'mapKey'),
    points: Number(attributeOf(entry, 'mappedValue')) || 0,
    sameCase: attributeOf(entry, 'caseSensitive') === 'true',
  }))
  return { declaration, right, mapping, entries, baseType: attributeOf(declaration, 'baseType') }
}
type Declared = ReturnType<typeof declaredOf>
/** What is right: as it is declared, else what brings points. */
const rightIn = ({ right, entries }: Declared): string[] =>
  right.length > 0 ? right : entries.filter(({ points }) => points > 0).map(({ key }) => key)

/** Options under ids of their own, by the ids that the file gives them. */
function optionsIn(nodes: readonly QtiNode[], reading: Reading) {
  const ids = new Map<string, string>()
  const options = nodes.map((node) => {
    const id = reading.newId<string>()
    ids.set(attributeOf(node, 'identifier'), id)
    return { id, content: contentIn(node.children ?? [], reading) }
  })
  return { options, ids }
}
const idsOf = (ids: ReadonlyMap<string, string>, given: readonly string[]): string[] => [
  ...new Set(given.flatMap((each) => ids.get(each) ?? [])),
]

function chosen(interaction: QtiNode, declared: Declared, reading: Reading): Body {
  const nodes = childrenOf(interaction, 'simpleChoice')
  const isOne = attributeOf(interaction, 'maxChoices') === '1' || attributeOf(declared.declaration, 'cardinality') === 'single'
  const given = rightIn(declared)
  const names = nodes.map((node) => attributeOf(node, 'identifier').toLowerCase())
  if (isOne && names.length === 2 && names.includes('true') && names.includes('false'))
    return { kind: 'true-false', ask: {}, key: { right: given[0]?.toLowerCase() === 'true' } }
  const { options, ids } = optionsIn(nodes, reading)
  const right = idsOf(ids, given)
  if (isOne) return { kind: 'one', ask: { options }, key: { right: right[0] ?? null } }
  return { kind: 'several', ask: { options }, key: { right, by: declared.mapping ? 'parts' : 'all' } }
}
function ordered(interaction: QtiNode, declared: Declared, reading: Reading): Body {
  const { options, ids } = optionsIn(childrenOf(interaction, 'simpleChoice'), reading)
  return { kind: 'order', ask: { entries: options }, key: { order: idsOf(ids, declared.right), by: 'all' } }
}
function matched(interaction: QtiNode, declared: Declared, reading: Reading): Body | NotRead {
  const [left, right] = childrenOf(interaction, 'simpleMatchSet').map((set) =>
    optionsIn(childrenOf(set, 'simpleAssociableChoice'), reading),
  )
  if (!left || !right) return notRead('Both sides of what is matched have to be there. It is left out.')
  const pairs = new Map<string, string>()
  for (const pair of rightIn(declared)) {
    const [a = '', b = ''] = pair.split(/\s+/)
    const [from, to] = [left.ids.get(a), right.ids.get(b)]
    if (from !== undefined && to !== undefined) pairs.set(from, to)
  }
  return {
    kind: 'match',
    ask: { left: left.options, right: right.options },
    key: { pairs: [...pairs], by: declared.mapping ? 'parts' : 'all' },
  }
}

/** The words that stand behind a field in its paragraph: the unit. */
function behind(item: QtiNode, interaction: QtiNode): string {
  const [around] = elementsIn(item, () => true).filter((each) => each.children?.includes(interaction))
  const at = around?.children?.indexOf(interaction) ?? -1
  const rest = around?.children?.slice(at + 1) ?? []
  return cutTo(wordsIn({ type: 'tag', children: rest }), QUIZ_LIMITS.unit)
}
function typed(item: QtiNode, interaction: QtiNode, declared: Declared): Body {
  const { baseType, entries, right } = declared
  if (baseType === 'float' || baseType === 'integer') {
    const [near] = elementsIn(item, (name) => name === 'equal')
    const mode = attributeOf(near, 'toleranceMode')
    const room = Number(attributeOf(near, 'tolerance').trim().split(/\s+/)[0]) || 0
    const value = right.length > 0 && right[0] !== '' ? Number(right[0]) : NaN
    return {
      kind: 'number',
      ask: { unit: behind(item, interaction) },
      key: {
        right: Number.isFinite(value) ? value : null,
        tolerance: { of: mode === 'relative' ? 'percent' : 'absolute', amount: mode === 'exact' ? 0 : Math.max(0, room) },
      },
    }
  }
  const accepted = [...new Set([...right, ...entries.filter(({ points }) => points > 0).map(({ key }) => key)])]
  return {
    kind: 'text',
    ask: {},
    key: {
      accepted: accepted.slice(0, QUIZ_LIMITS.accepted).map((each) => cutTo(each, QUIZ_LIMITS.spelling)),
      slips: 0,
      sameCase: entries.some(({ sameCase }) => sameCase),
    },
  }
}
const CRITERION = /^(\d{1,3})\s*:\s*(.*)$/
/** What those who judge a reply are told. */
function rubricIn(item: QtiNode, newId: NewId) {
  const rubrics = elementsIn(item, (name) => name === 'rubricBlock').filter((each) => /scorer/.test(attributeOf(each, 'view')))
  const entries = rubrics.flatMap((rubric) => elementsIn(rubric, (name) => name === 'li')).map(wordsIn)
  const criteria = entries.flatMap((entry) => {
    const [, most = '', line = ''] = CRITERION.exec(entry) ?? []
    return most === ''
      ? []
      : [{ id: newId<string>(), words: cutTo(line, QUIZ_LIMITS.criterion), most: clamped(Number(most), 1, QUIZ_LIMITS.points) }]
  })
  const paragraphs = rubrics.flatMap((rubric) => elementsIn(rubric, (name) => name === 'p')).map(wordsIn)
  const others = entries.filter((entry) => !CRITERION.test(entry))
  return {
    words: cutTo([...paragraphs, ...others].filter(Boolean).join('\n'), QUIZ_LIMITS.words),
    criteria: criteria.slice(0, QUIZ_LIMITS.criteria),
  }
}
/** A reply in words. */
const written = (item: QtiNode, interaction: QtiNode, { newId }: Reading): Body => ({
  kind: 'written',
  ask: { mostCharacters: clamped(Number(attributeOf(interaction, 'expectedLength')) || 2_000, 50, QUIZ_LIMITS.reply) },
  key: rubricIn(item, newId),
})
/** A reply by sound or video; where other files are asked for, it is none of ours. */
function recorded(item: QtiNode, interaction: QtiNode, { newId }: Reading): Body | NotRead {
  const type = attributeOf(interaction, 'type')
  const [, media = ''] = /^(audio|video)\//.exec(type) ?? []
  if (type !== '' && media === '') return notRead('A file is asked for that is neither sound nor video. It is left out.')
  const seconds = Number(/(?:^|\s)seconds-(\d{1,5})(?:\s|$)/.exec(attributeOf(interaction, 'class'))?.[1] ?? 180)
  const by = media === 'audio' ? 'sound' : media === 'video' ? 'video' : 'either'
  return { kind: 'recorded', ask: { by, mostSeconds: clamped(seconds, 10, QUIZ_LIMITS.replySeconds) }, key: rubricIn(item, newId) }
}
const clamped = (value: number, least: number, most: number): number => Math.min(most, Math.max(least, Math.round(value)))

/** The rectangle of an area, in pixels: of a circle the square around it. */
function rectangleOf(entry: QtiNode): readonly [number, number, number, number] | null {
  const coords = attributeOf(entry, 'coords').split(',').map(Number)
  if (coords.some((each) => !Number.isFinite(each))) return null
  const shape = attributeOf(entry, 'shape')
  if (shape === 'rect' && coords.length === 4) return coords as unknown as readonly [number, number, number, number]
  const [x = 0, y = 0, r = 0] = coords
  return shape === 'circle' && coords.length === 3 ? [x - r, y - r, x + r, y + r] : null
}
function pointed(interaction: QtiNode, declared: Declared, { file, newId, sizeOf, pictures }: Reading): Body | NotRead {
  const object = childOf(interaction, 'object') ?? childOf(interaction, 'img')
  const path = resolved(file, attributeOf(object, 'data') || attributeOf(object, 'src'))
  const size = sizeOf(path)
  if (!object || !size) return notRead('The picture on which a place is to be pointed at is not there. It is left out.')
  const id = newId<PictureId>()
  pictures.set(id, path)
  // Shares to a millionth: more than a pixel of any picture.
  const share = (value: number) => Math.min(1, Math.max(0, Math.round(value * 1e6) / 1e6))
  const within = (value: number, of: number) => share(value / of)
  const areas = childrenOf(childOf(declared.declaration, 'areaMapping'), 'areaMapEntry').flatMap((entry) => {
    const rectangle = rectangleOf(entry)
    if (!rectangle || Number(attributeOf(entry, 'mappedValue')) <= 0) return []
    const [left, top] = [within(rectangle[0], size.widthPx), within(rectangle[1], size.heightPx)]
    const [right, bottom] = [within(rectangle[2], size.widthPx), within(rectangle[3], size.heightPx)]
    return [{ id: newId<string>(), x: left, y: top, width: share(right - left), height: share(bottom - top) }]
  })
  const alt = cutTo(wordsIn(object) || attributeOf(object, 'alt'), QUIZ_LIMITS.alt)
  return { kind: 'place', ask: { picture: { id, alt } }, key: { areas: areas.slice(0, QUIZ_LIMITS.areas) } }
}

function bodyOf(item: QtiNode, interaction: QtiNode, reading: Reading): Body | NotRead {
  const declared = declaredOf(item, interaction)
  switch (interaction.name) {
    case 'choiceInteraction':
      return chosen(interaction, declared, reading)
    case 'orderInteraction':
      return ordered(interaction, declared, reading)
    case 'matchInteraction':
      return matched(interaction, declared, reading)
    case 'textEntryInteraction':
      return typed(item, interaction, declared)
    case 'extendedTextInteraction':
      return written(item, interaction, reading)
    case 'uploadInteraction':
      return recorded(item, interaction, reading)
    case 'selectPointInteraction':
      return pointed(interaction, declared, reading)
    default:
      return notRead('There is no such kind of question here. It is left out.')
  }
}

/** What stands in the body besides what is answered. */
function promptOf(body: QtiNode, interaction: QtiNode, reading: Reading): Content {
  const field = interaction.name === 'textEntryInteraction'
  const without = (nodes: readonly QtiNode[]): QtiNode[] =>
    nodes.flatMap((node): QtiNode[] => {
      // Within a sentence it is seen where something is missing.
      if (node === interaction) return field ? [{ type: 'text', data: '…' }] : (childOf(node, 'prompt')?.children ?? [])
      if (node.name === 'rubricBlock') return []
      // A paragraph that begins with a field holds only the field and its unit.
      if (field && node.children?.find((child) => child.type !== 'text' || (child.data ?? '').trim() !== '') === interaction) return []
      return [node.children ? { ...node, children: without(node.children) } : node]
    })
  return contentIn(without(body.children ?? []), reading)
}

/** The most points that an item gives. */
function pointsOf(item: QtiNode, { mapping, entries }: Declared): number {
  const outcomes = childrenOf(item, 'outcomeDeclaration')
  const named = (name: string) => outcomes.find((each) => attributeOf(each, 'identifier') === name)
  const said =
    Number(wordsIn(childOf(named('MAXSCORE'), 'defaultValue'))) ||
    Number(attributeOf(named('SCORE'), 'normalMaximum')) ||
    Number(attributeOf(mapping, 'upperBound')) ||
    Math.max(0, ...entries.map(({ points }) => points))
  return clamped(said || 1, 1, QUIZ_LIMITS.points)
}
const LEVELS: Readonly<Record<string, Difficulty>> = {
  ...{ 'very easy': 'easy', easy: 'easy', medium: 'medium', difficult: 'hard', 'very difficult': 'hard' },
}
/** What a manifest says about items, by their files. */
function metadataIn(manifest: QtiNode | null) {
  const said = new Map<string, { tags: string[]; difficulty: Difficulty }>()
  for (const resource of manifest ? elementsIn(manifest, (name) => name === 'resource') : []) {
    const [difficulty] = elementsIn(resource, (name) => name === 'difficulty')
    const level = wordsIn(childOf(difficulty, 'value')).toLowerCase()
    const tags = elementsIn(resource, (name) => name === 'keyword')
      .map((each) => cutTo(wordsIn(each), QUIZ_LIMITS.tag))
      .filter(Boolean)
    said.set(resolved('', attributeOf(resource, 'href')), {
      tags: [...new Set(tags)].slice(0, QUIZ_LIMITS.tags),
      difficulty: LEVELS[level] ?? 'medium',
    })
  }
  return said
}

function questionIn(item: QtiNode, about: { tags: string[]; difficulty: Difficulty } | undefined, reading: Reading): Question | NotRead {
  const body = childOf(item, 'itemBody')
  const interactions = body ? elementsIn(body, (name) => SCORED.test(name)) : []
  const [interaction] = interactions
  if (!body || !interaction) return notRead('Nothing is asked here. It is left out.')
  if (interactions.length > 1) return notRead('Several questions stand in one item. Put each into an item of its own.')
  const answered = bodyOf(item, interaction, reading)
  if ('notRead' in answered) return answered
  const feedback = childrenOf(item, 'modalFeedback')[0]
  const made = {
    id: reading.newId<QuestionId>(),
    prompt: promptOf(body, interaction, reading),
    explanation: feedback ? contentIn(feedback.children ?? [], reading) : contentOf(),
    points: pointsOf(item, declaredOf(item, interaction)),
    difficulty: about?.difficulty ?? 'medium',
    tags: about?.tags ?? [],
    steps: [],
    ...answered,
  }
  if (isBlank(made.prompt) && made.kind !== 'place') return notRead('Nothing is asked here. It is left out.')
  const read = Question.safeParse(made)
  if (!read.success) return notRead('It holds more than a question may. It is left out.')
  return read.data
}

/** In which order the items of a package are asked: as its test names them, then the others by their names. */
function itemsIn(files: ReadonlyMap<string, QtiNode>): [string, QtiNode][] {
  const items = [...files].filter(([, root]) => root.name === 'assessmentItem').sort(([a], [b]) => (a < b ? -1 : 1))
  const named: string[] = []
  for (const [file, root] of files)
    if (root.name === 'assessmentTest')
      for (const ref of elementsIn(root, (name) => name === 'assessmentItemRef')) named.push(resolved(file, attributeOf(ref, 'href')))
  const place = (file: string) => (named.includes(file) ? named.indexOf(file) : named.length)
  return items.sort(([a], [b]) => place(a) - place(b))
}

/** Reads the questions of a QTI package (1EdTech; 2.0 to 3.0) from its files. An item that cannot be read is left out, and told; `line` counts the items.
 * @param files  the texts of the files that are XML, by their paths
 * @param sizeOf of a picture of the package
 * @param most   how many questions are read at most */
export function readQti(files: ReadonlyMap<string, string>, sizeOf: SizeOf, newId: NewId, most: number = QUIZ_LIMITS.questions): ReadQti {
  const roots = new Map<string, QtiNode>()
  for (const [path, text] of files) {
    const root = readXml(text)
    if (root) roots.set(path, root)
  }
  const manifest = [...roots.values()].find(({ name }) => name === 'manifest') ?? null
  const about = metadataIn(manifest)
  const questions: Question[] = []
  const faults: ReadFault[] = []
  const pictures = new Map<PictureId, string>()
  const clips = new Map<ClipId, string>()
  const items = itemsIn(roots)
  if (items.length === 0) faults.push({ line: 1, words: 'There is no item of QTI 2 or 3 in this file.' })
  for (const [n, [file, item]] of items.entries()) {
    if (questions.length >= most) {
      faults.push({ line: n + 1, words: 'More than {{most}} questions are not taken. Put the rest into another file.', into: { most } })
      break
    }
    const own = { pictures: new Map<PictureId, string>(), clips: new Map<ClipId, string>() }
    const question = questionIn(item, about.get(file), { file, newId, sizeOf, ...own })
    if ('notRead' in question) faults.push({ line: n + 1, words: question.notRead })
    else {
      questions.push(question)
      for (const [id, path] of own.pictures) pictures.set(id, path)
      for (const [id, path] of own.clips) clips.set(id, path)
    }
  }
  return { questions, faults, pictures, clips }
}
