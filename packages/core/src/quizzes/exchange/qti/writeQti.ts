import { cutTo, type ClipId, type PictureId } from '../../../shared'
import { isBlank, wordsOf } from '../../questions/content'
import type { Option } from '../../questions/options'
import type { Question, QuestionOf } from '../../questions/question'
import type { AskOf } from '../../questions/questionKinds'
import { clipsOf, picturesOf, withOtherClips } from '../../shownFiles'
import type { Lost } from '../contents'
import { contentXml, type QtiAddresses } from './contentXml'
import { element, words, xmlFile, type Xml } from './xml'

const ITEM_NAMESPACE = 'http://www.imsglobal.org/xsd/imsqti_v2p1'
/** Where a kind of picture is kept, and what it is called. */
export type QtiPicture = { widthPx: number; heightPx: number; file: string; type: string }
/** Where sound or video is kept, and of what type it is. */
export type QtiClip = { file: string; type: string }
/** The files that go along, by their ids; one that is not there is left out. */
export type QtiFiles = { pictures: ReadonlyMap<PictureId, QtiPicture>; clips: ReadonlyMap<ClipId, QtiClip> }
/** The files of a package, by their paths; `lost`: what it cannot hold. */
export type WrittenQti = { files: Record<string, string>; lost: Lost[] }

const RESPONSE = 'RESPONSE'
type Part = { response: Xml; interaction: Xml; processing: Xml | null }
type Cardinality = 'single' | 'multiple' | 'ordered'
const value = (inside: string): Xml => element('value', {}, words(inside))
const correct = (values: readonly string[]): Xml[] => (values.length > 0 ? [element('correctResponse', {}, values.map(value))] : [])
const response = (cardinality: Cardinality, baseType: string, ...inside: (Xml | readonly Xml[])[]): Xml =>
  element('responseDeclaration', { identifier: RESPONSE, cardinality, baseType }, ...inside)
/** A number as the format writes it, with as many figures as it has. */
const decimal = (number: number): string => String(Math.round(number * 1e9) / 1e9)

const theScore = (inside: Xml): Xml => element('setOutcomeValue', { identifier: 'SCORE' }, inside)
/** All points where something holds, else none. */
const allWhere = (holds: Xml, points: number): Xml =>
  element(
    'responseProcessing',
    {},
    element(
      'responseCondition',
      {},
      element('responseIf', {}, holds, theScore(element('baseValue', { baseType: 'float' }, words(decimal(points))))),
    ),
  )
const variable = element('variable', { identifier: RESPONSE })
const rightAnswer = element('correct', { identifier: RESPONSE })
const allWhereRight = (points: number): Xml => allWhere(element('match', {}, variable, rightAnswer), points)
/** The points that the mapping gives. */
const byMapping: Xml = element('responseProcessing', {}, theScore(element('mapResponse', { identifier: RESPONSE })))

const identifier = (id: string): string => `_${id}`
const choices = (name: string, options: readonly Option[], address: QtiAddresses, more: Record<string, number> = {}): Xml[] =>
  options.map(({ id, content }) => element(name, { identifier: identifier(id), ...more }, contentXml(content, address)))

function chosen(question: QuestionOf<'one' | 'several'>, address: QtiAddresses): Part {
  const isOne = question.kind === 'one'
  const right = question.kind === 'one' ? [question.key.right].filter((id) => id !== null) : question.key.right
  const inParts = question.kind === 'several' && question.key.by === 'parts' && right.length > 0
  const share = question.points / right.length
  const mapping = element(
    'mapping',
    { lowerBound: 0, upperBound: question.points, defaultValue: 0 },
    question.ask.options.map(({ id }) =>
      element('mapEntry', { mapKey: identifier(id), mappedValue: decimal(right.includes(id) ? share : -share) }),
    ),
  )
  return {
    response: response(isOne ? 'single' : 'multiple', 'identifier', correct(right.map(identifier)), inParts ? [mapping] : []),
    interaction: element(
      'choiceInteraction',
      { responseIdentifier: RESPONSE, shuffle: true, maxChoices: isOne ? 1 : 0 },
      choices('simpleChoice', question.ask.options, address),
    ),
    processing: inParts ? byMapping : allWhereRight(question.points),
  }
}
const trueOrFalse = ({ key, points }: QuestionOf<'true-false'>): Part => ({
  response: response('single', 'identifier', correct([String(key.right)])),
  interaction: element(
    'choiceInteraction',
    { responseIdentifier: RESPONSE, shuffle: false, maxChoices: 1 },
    ['true', 'false'].map((each) => element('simpleChoice', { identifier: each }, words(each))),
  ),
  processing: allWhereRight(points),
})
/** A field for a few words, with what stands behind it. */
const field = (expectedLength: number, behind = ''): Xml =>
  element(
    'p',
    {},
    element('textEntryInteraction', { responseIdentifier: RESPONSE, expectedLength }),
    behind === '' ? [] : [words(` ${behind}`)],
  )
function spelled({ key: { accepted, sameCase }, points }: QuestionOf<'text'>): Part {
  const spellings = accepted.filter((each) => each.trim() !== '')
  const entries = spellings.map((mapKey) => element('mapEntry', { mapKey, mappedValue: points, caseSensitive: sameCase }))
  return {
    response: response(
      'single',
      'string',
      correct(spellings.slice(0, 1)),
      entries.length > 0 ? [element('mapping', { defaultValue: 0 }, entries)] : [],
    ),
    interaction: field(Math.max(10, ...spellings.map(({ length }) => length))),
    processing: entries.length > 0 ? byMapping : null,
  }
}
function counted({ ask, key: { right, tolerance }, points }: QuestionOf<'number'>): Part {
  const mode = tolerance.amount === 0 ? 'exact' : tolerance.of === 'percent' ? 'relative' : 'absolute'
  const room = mode === 'exact' ? {} : { tolerance: `${decimal(tolerance.amount)} ${decimal(tolerance.amount)}` }
  const near = element('equal', { toleranceMode: mode, ...room, includeLowerBound: true, includeUpperBound: true }, variable, rightAnswer)
  return {
    response: response('single', 'float', right === null ? [] : correct([String(right)])),
    interaction: field(15, ask.unit),
    processing: allWhere(near, points),
  }
}
const ordered = ({ ask, key, points }: QuestionOf<'order'>, address: QtiAddresses): Part => ({
  response: response('ordered', 'identifier', correct(key.order.map(identifier))),
  interaction: element('orderInteraction', { responseIdentifier: RESPONSE, shuffle: true }, choices('simpleChoice', ask.entries, address)),
  processing: allWhereRight(points),
})
function matched({ ask, key: { pairs, by }, points }: QuestionOf<'match'>, address: QtiAddresses): Part {
  const named = pairs.map(([left, right]) => `${identifier(left)} ${identifier(right)}`)
  const inParts = by === 'parts' && pairs.length > 0
  const entries = named.map((mapKey) => element('mapEntry', { mapKey, mappedValue: decimal(points / pairs.length) }))
  const side = (options: readonly Option[], matchMax: number): Xml =>
    element('simpleMatchSet', {}, choices('simpleAssociableChoice', options, address, { matchMax }))
  return {
    response: response(
      'multiple',
      'directedPair',
      correct(named),
      inParts ? [element('mapping', { defaultValue: 0, lowerBound: 0, upperBound: points }, entries)] : [],
    ),
    interaction: element(
      'matchInteraction',
      { responseIdentifier: RESPONSE, shuffle: true, maxAssociations: ask.left.length },
      side(ask.left, 1),
      side(ask.right, ask.left.length),
    ),
    processing: inParts ? byMapping : allWhereRight(points),
  }
}
function pointed({ ask: { picture }, key: { areas }, points }: QuestionOf<'place'>, { pictures }: QtiFiles): Part | null {
  const file = picture && pictures.get(picture.id)
  if (!picture || !file) return null
  const { widthPx, heightPx } = file
  const entries = areas.map(({ x, y, width, height }) => {
    const coords = [x * widthPx, y * heightPx, (x + width) * widthPx, (y + height) * heightPx].map(Math.round).join(',')
    return element('areaMapEntry', { shape: 'rect', coords, mappedValue: points })
  })
  return {
    response: response('single', 'point', entries.length > 0 ? [element('areaMapping', { defaultValue: 0 }, entries)] : []),
    interaction: element(
      'selectPointInteraction',
      { responseIdentifier: RESPONSE, maxChoices: 1 },
      element('object', { type: file.type, data: `../${file.file}`, width: widthPx, height: heightPx }, words(picture.alt)),
    ),
    processing: element('responseProcessing', {}, theScore(element('mapResponsePoint', { identifier: RESPONSE }))),
  }
}
const written = ({ ask }: QuestionOf<'written'>): Part => ({
  response: response('single', 'string'),
  interaction: element('extendedTextInteraction', { responseIdentifier: RESPONSE, expectedLength: ask.mostCharacters }),
  processing: null,
})
const WITH: Record<AskOf<'recorded'>['by'], string | undefined> = { sound: 'audio/*', video: 'video/*', either: undefined }
/** The most seconds stand in the class: the format has no place of its own for them. */
const recorded = ({ ask: { by, mostSeconds } }: QuestionOf<'recorded'>): Part => ({
  response: response('single', 'file'),
  interaction: element('uploadInteraction', { responseIdentifier: RESPONSE, class: `seconds-${mostSeconds}`, type: WITH[by] }),
  processing: null,
})
/** By what a reply is judged, for those who do: each line with its points. */
const rubricOf = ({ key: { words: about, criteria } }: QuestionOf<'written' | 'recorded'>): Xml =>
  element(
    'rubricBlock',
    { view: 'scorer' },
    criteria.length > 0
      ? [
          element(
            'ul',
            {},
            criteria.map(({ words: line, most }) => element('li', {}, words(`${most}: ${line}`))),
          ),
        ]
      : [],
    about.split('\n').flatMap((line) => (line.trim() === '' ? [] : [element('p', {}, words(line))])),
  )

function partOf(question: Question, files: QtiFiles, address: QtiAddresses): Part | null {
  switch (question.kind) {
    case 'one':
    case 'several':
      return chosen(question, address)
    case 'true-false':
      return trueOrFalse(question)
    case 'text':
      return spelled(question)
    case 'number':
      return counted(question)
    case 'order':
      return ordered(question, address)
    case 'match':
      return matched(question, address)
    case 'place':
      return pointed(question, files)
    case 'written':
      return written(question)
    case 'recorded':
      return recorded(question)
  }
}

/** A question as an item; `null` where it cannot be one without a picture that is gone. */
function itemXml(question: Question, id: string, files: QtiFiles): Xml | null {
  const { pictures, clips } = files
  const address: QtiAddresses = {
    picture: (picture) => `../${pictures.get(picture)?.file ?? ''}`,
    clip: (clip) => ({ data: `../${clips.get(clip)?.file ?? ''}`, type: clips.get(clip)?.type ?? '' }),
  }
  const without = <C extends Question['prompt']>(content: C): C => ({
    ...content,
    pictures: content.pictures.filter((picture) => pictures.has(picture.id)),
  })
  const part = partOf(question, files, address)
  if (!part) return null
  const { prompt, explanation, points } = question
  const explained = contentXml(without(explanation), address)
  const float = (name: string, start: number): Xml =>
    element(
      'outcomeDeclaration',
      { identifier: name, cardinality: 'single', baseType: 'float' },
      element('defaultValue', {}, value(decimal(start))),
    )
  return element(
    'assessmentItem',
    { xmlns: ITEM_NAMESPACE, identifier: id, title: cutTo(wordsOf(prompt), 120) || id, adaptive: false, timeDependent: false },
    part.response,
    float('SCORE', 0),
    float('MAXSCORE', points),
    isBlank(explanation)
      ? []
      : [
          element(
            'outcomeDeclaration',
            { identifier: 'EXPLANATION', cardinality: 'single', baseType: 'identifier' },
            element('defaultValue', {}, value('explanation')),
          ),
        ],
    element(
      'itemBody',
      {},
      question.kind === 'written' || question.kind === 'recorded' ? [rubricOf(question)] : [],
      contentXml(without(prompt), address),
      part.interaction,
    ),
    part.processing ?? [],
    explained.length > 0 && !isBlank(explanation)
      ? [element('modalFeedback', { outcomeIdentifier: 'EXPLANATION', identifier: 'explanation', showHide: 'show' }, explained)]
      : [],
  )
}

const DIFFICULTY: Record<Question['difficulty'], string> = { easy: 'easy', medium: 'medium', hard: 'difficult' }
const plain = (text: string): Xml => element('imsmd:langstring', { 'xml:lang': 'x-none' }, words(text))
const vocabulary = (text: string): Xml[] => [element('imsmd:source', {}, plain('LOMv1.0')), element('imsmd:value', {}, plain(text))]
/** What is said about a question beside it: its tags, and how hard it is. */
const metadata = ({ tags, difficulty }: Question): Xml =>
  element(
    'metadata',
    {},
    element(
      'imsmd:lom',
      {},
      tags.length > 0
        ? [
            element(
              'imsmd:general',
              {},
              tags.map((tag) => element('imsmd:keyword', {}, plain(tag))),
            ),
          ]
        : [],
      element('imsmd:educational', {}, element('imsmd:difficulty', {}, vocabulary(DIFFICULTY[difficulty]))),
    ),
  )

type Item = { id: string; href: string; question: Question; xml: Xml }
const testXml = (title: string, items: readonly Item[]): Xml =>
  element(
    'assessmentTest',
    { xmlns: ITEM_NAMESPACE, identifier: 'test', title },
    element(
      'testPart',
      { identifier: 'part', navigationMode: 'nonlinear', submissionMode: 'simultaneous' },
      element(
        'assessmentSection',
        { identifier: 'section', title, visible: true },
        items.map(({ id, href }) => element('assessmentItemRef', { identifier: id, href })),
      ),
    ),
  )
const fileXml = (href: string): Xml => element('file', { href })
function manifestXml(items: readonly Item[], { pictures, clips }: QtiFiles): Xml {
  const resources = items.map(({ id, href, question }) =>
    element(
      'resource',
      { identifier: `resource-${id}`, type: 'imsqti_item_xmlv2p1', href },
      metadata(question),
      fileXml(href),
      [...new Set(picturesOf(question))].flatMap((picture) => pictures.get(picture)?.file ?? []).map(fileXml),
      [...new Set(clipsOf(question).map((clip) => clip.id))].flatMap((clip) => clips.get(clip)?.file ?? []).map(fileXml),
    ),
  )
  const test = element(
    'resource',
    { identifier: 'resource-test', type: 'imsqti_test_xmlv2p1', href: 'test.xml' },
    fileXml('test.xml'),
    items.map(({ id }) => element('dependency', { identifierref: `resource-${id}` })),
  )
  return element(
    'manifest',
    { xmlns: 'http://www.imsglobal.org/xsd/imscp_v1p1', 'xmlns:imsmd': 'http://www.imsglobal.org/xsd/imsmd_v1p2', identifier: 'manifest' },
    element('metadata', {}, element('schema', {}, words('QTIv2.1 Package')), element('schemaversion', {}, words('1.0.0'))),
    element('organizations'),
    element('resources', {}, resources, test),
  )
}

/** Writes questions as QTI 2.1 (1EdTech, Question and Test Interoperability, 2012): an item each, a test of all of them, and the manifest of a content
 * package; pictures, sound and video are put beside them by whoever makes the archive. Of the versions this is the one that most systems read.
 * @param title    of the test
 * @param files the pictures and clips that go along */
export function writeQti(questions: readonly Question[], title: string, files: QtiFiles): WrittenQti {
  const { pictures, clips } = files
  const lost: Lost[] = []
  const items = questions.flatMap((whole, n): Item[] => {
    const question = withOtherClips(whole, (clip) => (clips.has(clip.id) ? { ...clip, poster: null, captions: [] } : null))
    const id = `question-${String(n + 1).padStart(3, '0')}`
    const xml = itemXml(question, id, files)
    const lose = (what: Lost['what']) => lost.push({ question: n + 1, what })
    if (!xml) {
      lose('kind')
      return []
    }
    if (picturesOf(question).some((picture) => !pictures.has(picture))) lose('pictures')
    const had = clipsOf(whole)
    if (had.some((clip) => !clips.has(clip.id))) lose('clips')
    if (had.some((clip) => clips.has(clip.id) && (clip.captions.length > 0 || clip.poster !== null))) lose('captions')
    if (question.kind === 'text' && question.key.slips > 0) lose('slips')
    if (question.kind === 'order' && question.key.by === 'parts') lose('parts')
    if (question.steps.length > 0) lose('steps')
    return [{ id, href: `items/${id}.xml`, question, xml }]
  })
  return {
    files: {
      'imsmanifest.xml': xmlFile(manifestXml(items, files)),
      'test.xml': xmlFile(testXml(title.trim() || 'Questions', items)),
      ...Object.fromEntries(items.map(({ href, xml }) => [href, xmlFile(xml)])),
    },
    lost,
  }
}
