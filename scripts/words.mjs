// What the pages say, checked: every text is whole where it stands, has its form for one, and is there in the other languages as far as
// those are promised. `node scripts/words.mjs` tells what is wrong; `--missing de` prints what a language lacks.
import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath, pathToFileURL } from 'node:url'
import ts from 'typescript'

const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
const WEB = join(ROOT, 'packages/web/src')

/** Pages that speak other languages than English altogether: folders, or files. */
const TRANSLATED = [
  'app/',
  'guests/',
  'surveys/',
  'sharing/linkWords.ts',
  'sharing/copyLink.ts',
  'players/HoldingWatch.tsx',
  'players/PersonsEdition.tsx',
  'calendar/WorkingDays.tsx',
  'calendar/weekdayNames.ts',
  'people/Face.tsx',
  'people/GroupPicker.tsx',
  'people/kindWords.ts',
  'people/LanguageField.tsx',
  'people/PeopleTabs.tsx',
  'people/PersonPicker.tsx',
  'people/account/AccountPage.tsx',
  'people/account/ChooseOwnPage.tsx',
  'people/account/ForgottenPage.tsx',
  'people/account/LinkPages.tsx',
  'people/account/PasswordForm.tsx',
  'people/account/SignInPage.tsx',
  'people/directory/Absences.tsx',
  'people/directory/DirectoryPage.tsx',
  'people/directory/PersonPage.tsx',
  'people/directory/OwnFacts.tsx',
  'people/groups/GroupPage.tsx',
  'people/groups/GroupsPage.tsx',
  'people/chart/',
  'inbox/InboxMark.tsx',
  'assignments/TodayList.tsx',
  'records/WaitingHere.tsx',
  'plans/MyPlans.tsx',
  'plans/checkIns/CheckInPage.tsx',
  'plans/checkIns/CheckInsPage.tsx',
  'plans/checkIns/Marks.tsx',
  'plans/checkIns/MyCheckIns.tsx',
  'clips/',
  'exchange/',
  'quizzes/QuizPage.tsx',
  'quizzes/ContentView.tsx',
  'quizzes/RightAnswer.tsx',
  'quizzes/beginWords.ts',
  'quizzes/verdictWords.tsx',
  'quizzes/taking/',
  'tasks/AnswerButtons.tsx',
  'tasks/HandInList.tsx',
  'tasks/PictureField.tsx',
  'tasks/TaskPage.tsx',
  'tasks/ToConfirmPage.tsx',
  'tasks/confirmerWords.ts',
  'remarks/RemarksForMe.tsx',
  'remarks/SomethingWrong.tsx',
  'remarks/RemarkForm.tsx',
  'quizzes/inGuide/',
  'players/QuizFirst.tsx',
  'players/standingWords.ts',
  'players/waitsFor.ts',
  'players/reader/QuizHere.tsx',
  'players/reader/StepView.tsx',
  'players/reader/ReaderPage.tsx',
  'players/reader/ReaderBar.tsx',
  'players/reader/ReaderTools.tsx',
  'players/onePage/',
  'players/reader/ReaderColumn.tsx',
  'players/GuideHead.tsx',
  'players/UseMenu.tsx',
  'players/FlatRuler.tsx',
  'players/reader/StepPicturesView.tsx',
  'players/picture/PictureView.tsx',
  'players/picture/EnlargedPicture.tsx',
  'players/safety/StepSafetyView.tsx',
  'players/safety/SafetyFirst.tsx',
  'players/ClosingWords.tsx',
  'players/reader/Closing.tsx',
  'players/WaysOn.tsx',
  'players/wayName.ts',
  'guides/CautionView.tsx',
  'guides/NotReadyStrip.tsx',
  'items/',
  'ui/',
]

const sourcesIn = (folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((file) => /\.tsx?$/.test(file) && !/\.test\.|testing/.test(file))
const parsed = (folder, file) =>
  ts.createSourceFile(
    file,
    readFileSync(join(folder, file), 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  )
const isText = (node) => node && ts.isCallExpression(node) && ts.isIdentifier(node.expression) && node.expression.text === 't'
const bare = (node) => (node && (ts.isParenthesizedExpression(node) || ts.isJsxExpression(node)) ? bare(node.expression) : node)

/** The keys that a call may ask for, as far as they stand in it. */
function keysOf(argument) {
  if (!argument) return []
  if (ts.isStringLiteralLike(argument)) return [argument.text]
  if (ts.isConditionalExpression(argument)) return [...keysOf(argument.whenTrue), ...keysOf(argument.whenFalse)]
  if (ts.isParenthesizedExpression(argument)) return keysOf(argument.expression)
  return []
}

/** Whether words are put together from pieces at a node: then they cannot be said in another order. */
function isGlued(node) {
  if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.PlusToken)
    return [node.left, node.right].some((side) => isText(bare(side)))
  if (ts.isJsxElement(node) || ts.isJsxFragment(node)) {
    const parts = node.children.filter((child) => !(ts.isJsxText(child) && child.text.trim() === '' && child.text.includes('\n')))
    return parts.some((part, i) => {
      if (!isText(bare(part))) return false
      const space = parts[i + 1]
      const between =
        space &&
        ((ts.isJsxText(space) && space.text.trim() === '') ||
          (bare(space) && ts.isStringLiteral(bare(space)) && bare(space).text.trim() === ''))
      return between && isText(bare(parts[i + 2]))
    })
  }
  return false
}

/** Everything that is asked for with `t`, by the file in which it stands, and where words are glued. */
function textsOf(folder = WEB) {
  const used = new Map()
  const glued = []
  for (const file of sourcesIn(folder)) {
    const source = parsed(folder, file)
    const visit = (node) => {
      if (isText(node))
        for (const key of keysOf(node.arguments[0]))
          used.set(key, [...(used.get(key) ?? []), { file, counts: /\bcount\b/.test(node.arguments[1]?.getText() ?? '') }])
      if (isGlued(node)) glued.push(`${file}:${source.getLineAndCharacterOfPosition(node.getStart()).line + 1}`)
      ts.forEachChild(node, visit)
    }
    visit(source)
  }
  return { used, glued }
}

/** All texts that stand elsewhere: words in tables of the core are keys as well, and so is what the server says. */
function textsElsewhere() {
  const found = new Set()
  for (const folder of [
    'packages/core/src',
    'packages/contracts/src',
    'packages/server/src',
    'packages/web/src/api',
    'packages/web/src/ui/keys',
  ].map((each) => join(ROOT, each)))
    for (const file of sourcesIn(folder)) {
      const visit = (node) => {
        if (ts.isStringLiteralLike(node)) found.add(node.text)
        ts.forEachChild(node, visit)
      }
      visit(parsed(folder, file))
    }
  return found
}

/** An object literal of texts, as it stands in a file of the pages. */
function resource(file) {
  const found = {}
  const visit = (node) => {
    if (ts.isPropertyAssignment(node) && ts.isStringLiteralLike(node.initializer)) found[node.name.text] = node.initializer.text
    ts.forEachChild(node, visit)
  }
  visit(parsed(WEB, file))
  return found
}

const FORM = /_(zero|one|two|few|many|other)$/
const placesIn = (text) => [...text.matchAll(/\{\{\s*(\w+)[^}]*\}\}/g)].map(([, name]) => name).sort()
/** What each language needs where something is counted (CLDR). */
const FORMS = { de: ['one', 'other'] }

/** What a language lacks of the pages that speak it, and what is wrong with what it has. */
function faultsOf(language, texts, used, core) {
  const faults = []
  const wanted = [...used].filter(([, places]) =>
    places.some(({ file }) => TRANSLATED.some((each) => file === each || (each.endsWith('/') && file.startsWith(each)))),
  )
  const missing = []
  for (const [key, places] of wanted) {
    const counts = places.some((place) => place.counts)
    for (const name of counts ? FORMS[language].map((form) => `${key}_${form}`) : [key]) if (!(name in texts)) missing.push(name)
  }
  for (const [name, text] of Object.entries(texts)) {
    const key = name.replace(FORM, '')
    if (!used.has(name) && !used.has(key) && !core.has(key)) faults.push(`${language}: nothing says this any more: ${name}`)
    const [there, here] = [placesIn(key), placesIn(text)]
    if (here.some((place) => !there.includes(place)) || (!FORM.test(name) && there.some((place) => !here.includes(place))))
      faults.push(`${language}: not the same places to put things into: ${name}`)
  }
  return { faults, missing }
}

/** Everything that is wrong with the words of the pages. */
function faultsOfWords() {
  const { used, glued } = textsOf()
  const core = textsElsewhere()
  const english = resource('ui/words/english.ts')
  const faults = glued.map((place) => `put together from pieces: ${place}`)
  for (const name of Object.keys(english)) {
    const key = name.replace(FORM, '')
    if (!used.has(key) && !core.has(key)) faults.push(`en: nothing says this any more: ${name}`)
  }
  for (const [key, places] of used)
    if (key.includes('{{count}}') && !(`${key}_one` in english)) faults.push(`en: no form for one: ${key} (${places[0].file})`)
  const german = faultsOf(
    'de',
    Object.assign(
      {},
      ...[
        'german',
        'germanClips',
        'germanExchange',
        'germanPeople',
        'germanPlans',
        'germanQuizzes',
        'germanSharing',
        'germanSurveys',
        'germanTasks',
      ].map((name) => resource(`ui/words/${name}.ts`)),
    ),
    used,
    core,
  )
  return { faults: [...faults, ...german.faults, ...german.missing.map((key) => `de: missing: ${key}`)], missing: { de: german.missing } }
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  const { faults, missing } = faultsOfWords()
  if (process.argv[2] === '--missing') process.stdout.write(`${missing[process.argv[3]].map((key) => JSON.stringify(key)).join('\n')}\n`)
  else {
    process.stdout.write(faults.map((fault) => `${fault}\n`).join(''))
    process.exit(faults.length === 0 ? 0 : 1)
  }
}
