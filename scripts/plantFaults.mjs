// Shows that the tests of every endpoint can fail: plants faults that were mended once, one at a time, and counts those that are found.
// `node scripts/plantFaults.mjs` from a checkout without uncommitted changes; every file is put back. Takes about 20 minutes.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { stripVTControlCharacters } from 'node:util'

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const SERVER = 'packages/server/src'
const CORE = 'packages/core/src'
const CHANGES = 'post /api/guides/:id/draft/changes'

/** What is planted: where, what is put in the place of what, and the endpoints that are tried. */
const FAULTS = [
  {
    name: 'a picture of somebody else is taken as one that is offered',
    file: `${CORE}/guides/pictureRefs.ts`,
    edits: [['otherPictures: check.otherPictures.map(by.stored) })', 'otherPictures: check.otherPictures.map((id) => (by, id)) })']],
    only: CHANGES,
  },
  {
    name: 'a picture has more annotations than can be read',
    file: `${CORE}/guides/tooMuch.ts`,
    edits: [['return now > GUIDE_LIMITS[limit].most &&', 'return now > 1e9 &&']],
    only: CHANGES,
  },
  {
    name: 'two people change the rules of Solo, and nobody can say what stands there',
    file: `${CORE}/guides/theirs.ts`,
    edits: [
      [
        "solo: (document) => ({ kind: 'fact', fact: 'solo', value: document.solo })",
        "solo: (document) => ({ kind: 'fact', fact: 'title', value: document.solo as never })",
      ],
    ],
    only: CHANGES,
  },
  {
    name: 'two people hide and show one finding',
    file: `${CORE}/guides/theirs.ts`,
    edits: [['value: document.silenced.includes(finding) })', 'value: (finding && document ? undefined : undefined) as never })']],
    only: CHANGES,
  },
  {
    name: 'the same set of changes comes on another base',
    file: `${SERVER}/guides/store.ts`,
    edits: [['where guide_id = $1 and change_set_id = $2', 'where guide_id = $1 and change_set_id = $2 and 1 = 2']],
    only: CHANGES,
  },
  {
    name: 'numbers are larger than a column holds',
    file: `${CORE}/shared/whole.ts`,
    edits: [
      ['export const Whole = z.int().check(z.minimum(0), z.maximum(MOST_WHOLE))', 'export const Whole = z.int().check(z.minimum(0))'],
    ],
    only: 'post /api/events',
  },
  {
    name: 'a query holds NUL',
    file: `${SERVER}/http/route.ts`,
    edits: [["refuseIllFormed(req.query, 'query')", "if (req.query === null) refuseIllFormed(req.query, 'query')"]],
    only: 'post /api/imports',
  },
  {
    name: 'the names of properties hold NUL',
    file: `${SERVER}/http/isWellFormed.ts`,
    edits: [['if (!canBeStored(key)) return false', 'if (!canBeStored(key) && key === null) return false']],
    only: 'put /api/guides/:id/plays',
  },
  {
    name: 'a change of a guide is refused and half of it is done',
    file: `${SERVER}/library/routes.ts`,
    edits: [
      [
        'await updateGuide(tx, id, { ...body, ...(body.archived === true ? { archived: undefined } : {}) }, now)',
        'await updateGuide(db, id, { ...body }, now)',
      ],
    ],
    only: 'patch /api/guides/:id',
  },
  {
    name: 'days lie in the year 0',
    file: `${CORE}/shared/localDate.ts`,
    edits: [
      ['if (year < FIRST_YEAR || year > LAST_YEAR) return false', 'if (year < 0 - FIRST_YEAR || year > LAST_YEAR * 9) return false'],
      ['return back.getUTCMonth()', 'return year < 1000 || year > 9000 || back.getUTCMonth()'],
    ],
    only: 'post /api/guides/:id/editions',
  },
  {
    name: 'a guide is shared several times at the same moment',
    file: `${SERVER}/library/guides.ts`,
    edits: [["await tx.rows('select 1 from guide where id = $1 for update', [id])", '']],
    only: 'patch /api/guides/:id',
  },
  {
    name: 'an event happened before there were clocks',
    file: `${CORE}/shared/whole.ts`,
    edits: [['z.int().check(z.minimum(1), z.maximum(7_258_118_400_000))', 'z.int()']],
    also: [
      [
        `${CORE}/events/vouching.ts`,
        'const at = Math.min(receivedAt, Math.max(earliest, byOurClock))',
        'const at = Math.min(receivedAt + earliest * 0, byOurClock)',
      ],
    ],
    only: 'post /api/events',
  },
  {
    name: 'a body is read before anybody asks who sends it',
    file: `${SERVER}/http/route.ts`,
    edits: [
      [
        '(endpoint.path, before, ...bodyReaders(routes, endpoint), handle)',
        '(endpoint.path, ...bodyReaders(routes, endpoint), before, handle)',
      ],
    ],
    only: 'post /api/(guides|folders|imports)$',
  },
  {
    name: 'texts are nested as deep as somebody likes',
    file: `${SERVER}/http/readJson.ts`,
    edits: [['if (!isShallow(bytes)) fail(', 'if (bytes.length < 0 && !isShallow(bytes)) fail(']],
    also: [
      [`${CORE}/guides/richText.ts`, 'textLevels(text) <= MAX_TEXT_LEVELS', 'textLevels(text) >= 0'],
      [`${CORE}/guides/tooMuch.ts`, 'levels: textLevels(item.body),', 'levels: 0,'],
    ],
    only: CHANGES,
  },
  {
    name: 'steps are recorded into a guide that the person may not edit',
    file: `${SERVER}/recording/routes.ts`,
    edits: [['if (body.target) await mayEdit(caller, body.target.guideId)', '']],
    only: 'post /api/recorder/recordings$',
  },
]

const git = (...args) => spawnSync('git', args, { cwd: ROOT, encoding: 'utf8' })
if (git('status', '--porcelain').stdout.trim() !== '') {
  console.log('There are uncommitted changes. Commit them first: files are changed and put back.')
  process.exit(1)
}

/** Plants a fault. @returns puts everything back */
function plant({ file, edits, also = [] }) {
  const before = new Map()
  const write = (path, change) => {
    const full = join(ROOT, path)
    const text = readFileSync(full, 'utf8')
    if (!before.has(full)) before.set(full, text)
    writeFileSync(full, change(text))
  }
  const back = () => before.forEach((text, full) => writeFileSync(full, text))
  const replaced = (from, to) => (text) => {
    if (!text.includes(from)) throw new Error(`"${from}" is not there any more`)
    return text.replace(from, () => to)
  }
  try {
    for (const [from, to] of edits) write(file, replaced(from, to))
    for (const [path, from, to] of also) write(path, replaced(from, to))
    return back
  } catch (error) {
    back()
    throw error
  }
}

let putBack = () => undefined
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    putBack()
    process.exit(1)
  })

/** Tries the endpoints that a pattern names. @returns what was found, or `null` */
function tried(only) {
  const done = spawnSync(join(ROOT, 'node_modules/.bin/vitest'), ['run', '--project', 'server', `${SERVER}/http/everyEndpoint.test.ts`], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, HOSTILE_ONLY: `^${only}`, HOSTILE_INPUTS: only.includes('changes') ? '240' : '400', FOREIGN_ROUNDS: '3' },
  })
  if (done.status === 0) return null
  const output = stripVTControlCharacters(done.stdout + done.stderr)
  return /"((?:get|post|put|patch|delete) \/.*)",?$/m.exec(output)?.[1] ?? /Error: (.*)/.exec(output)?.[1] ?? 'a test failed'
}

let found = 0
const wanted = process.argv[2]
const faults = FAULTS.filter((fault) => !wanted || new RegExp(wanted).test(fault.name))
for (const only of new Set(faults.map((fault) => fault.only))) {
  const fault = tried(only)
  if (fault === null) continue
  console.log(`Without any fault planted, ${only} fails already: ${fault}`)
  process.exit(1)
}
for (const fault of faults) {
  putBack = plant(fault)
  try {
    const told = tried(fault.only)
    if (told !== null) found++
    console.log(told === null ? `MISSED ${fault.name}` : `found  ${fault.name}: ${told.slice(0, 160)}`)
  } finally {
    putBack()
  }
}
console.log(`${found} of ${faults.length} planted faults were found`)
process.exit(found >= Math.ceil((faults.length * 13) / 15) ? 0 : 1)
