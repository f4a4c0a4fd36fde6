// A Vite plugin: values of the core and the contracts that nobody uses are left out of the pages.
import ts from 'typescript'

const OURS = /\/packages\/(core|contracts)\/src\/.*(?<!\.test)\.ts$/

/** What only the server asks an endpoint for: whom it lets in, and the schemas by which it checks. */
const FOR_THE_SERVER = new Set(['access', 'params', 'query', 'body', 'response', 'problems'])

/** Ranges of properties of endpoints that the pages never look at. */
function serversProperties(source) {
  const found = []
  const look = (node) => {
    if (ts.isCallExpression(node) && node.expression.getText(source) === 'endpoint' && ts.isObjectLiteralExpression(node.arguments[0]))
      for (const property of node.arguments[0].properties)
        if (property.name && FOR_THE_SERVER.has(property.name.getText(source)))
          found.push([property.getFullStart(), property.getEnd() + (source.text[property.getEnd()] === ',' ? 1 : 0)])
    ts.forEachChild(node, look)
  }
  look(source)
  return found
}

/** Ranges of the values that modules compute when they are loaded: initialisers with a call in them, outside of functions. */
function computedValues(source) {
  const found = []
  const calls = (node) =>
    !ts.isFunctionLike(node) &&
    (ts.isCallExpression(node) || ts.isNewExpression(node) || ts.forEachChild(node, (each) => calls(each) || undefined) === true)
  for (const statement of source.statements) {
    if (!ts.isVariableStatement(statement)) continue
    for (const { initializer } of statement.declarationList.declarations)
      if (initializer && calls(initializer)) found.push([initializer.getStart(source), initializer.getEnd()])
  }
  return found
}

const parse = (code, id) => ts.createSourceFile(id, code, ts.ScriptTarget.ES2022, true)
/** The code with each range replaced by what `change` makes of it. */
const changed = (code, ranges, change) =>
  [...ranges]
    .sort((a, b) => b[0] - a[0])
    .reduce((now, [from, to]) => now.slice(0, from) + change(now.slice(from, to)) + now.slice(to), code)

/** Bundlers keep a value that is computed by calls, such as a schema, even when nothing uses it: the calls might do something else as well.
 * In core and contracts they do not (both packages say `sideEffects: false`). Said of every value, and with what only the server asks an
 * endpoint for taken out, the schemas by which only the server checks stay out of what a reader has to load. */
export function unusedValues() {
  return {
    name: 'unused-values',
    enforce: 'pre',
    apply: 'build',
    transform(code, id) {
      if (!OURS.test(id)) return null
      const pages = changed(code, serversProperties(parse(code, id)), () => '')
      return {
        code: changed(pages, computedValues(parse(pages, id)), (value) => `/* @__PURE__ */ (() => (${value}))()`),
        map: null,
      }
    },
  }
}
