import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** Attributes that a person reads or hears. */
const READ = new Set([
  'label',
  'title',
  'placeholder',
  'aria-label',
  'description',
  'alt',
  'hint',
  'legend',
  'nothingFound',
  'error',
  'help',
  'prefix',
  'suffix'
])
/** What is written for the browser, not for people. */
const FOR_THE_BROWSER = /^(repeat|translate|calc)\(/
const LETTERS = /\p{L}{2}/u
/** Words of one letter, and units, are the same in every sentence. */
const UNITS = /^(mm|min|kg|oz|lb)$/

const files = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((f) => f.isFile() && /\.tsx?$/.test(f.name) && !f.name.includes('.test.'))
    .map((f) => join(f.parentPath, f.name))

/** What a person would read that stands in a source file itself: text between tags, visible attributes, templates with a space. */
function sentencesIn(path: string, source: string): string[] {
  const file = ts.createSourceFile(path, source, ts.ScriptTarget.Latest, true, path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS)
  const found: string[] = []
  const note = (node: ts.Node, words: string) => found.push(`${path}:${file.getLineAndCharacterOfPosition(node.getStart()).line + 1} ${words.trim()}`)
  const visit = (node: ts.Node, read: boolean): void => {
    if (ts.isJsxText(node)) {
      if (LETTERS.test(node.text)) note(node, node.text)
    } else if (ts.isTemplateExpression(node)) {
      const words = [node.head.text, ...node.templateSpans.map((span) => span.literal.text)].join('…')
      if (/\s/.test(words) && LETTERS.test(words) && !FOR_THE_BROWSER.test(words)) note(node, words)
    } else if (ts.isStringLiteralLike(node)) {
      if (read && LETTERS.test(node.text) && !UNITS.test(node.text)) note(node, node.text)
    } else if (ts.isJsxAttribute(node)) {
      const { initializer } = node
      const whole = initializer !== undefined && ts.isJsxExpression(initializer) ? initializer.expression : initializer
      if (whole !== undefined) visit(whole, READ.has(node.name.getText()))
      return
    } else if (ts.isPropertyAssignment(node)) {
      visit(node.initializer, READ.has(node.name.getText()))
      return
    } else if (ts.isConditionalExpression(node)) {
      visit(node.condition, false)
      visit(node.whenTrue, read)
      visit(node.whenFalse, read)
      return
    }
    // Only what is chosen between is read, not what a function is asked with.
    ts.forEachChild(node, (child) => visit(child, read && ts.isParenthesizedExpression(node)))
  }
  visit(file, false)
  return found
}

test('what a person would read is found in a view', () => {
  const view =
    'export const V = ({ on, n }) => <p title="Two words" className="a b" aria-label={on ? "Shut" : `#{n} jars`}>Hello {n}<b style={{ width: `calc(#{n}px + 1px)` }} /></p>'.replaceAll(
      '#',
      '$'
    )
  expect(sentencesIn('v.tsx', view).map((line) => line.replace(/^v\.tsx:1 /, ''))).toEqual(['Two words', 'Shut', '… jars', 'Hello'])
})

test('no view holds a sentence: all of them stand in src/words', () => {
  expect(files('src/web').flatMap((path) => sentencesIn(path, readFileSync(path, 'utf8')))).toEqual([])
})

/** What the server would say by itself: a text that ends as sentences do, and not in a place for a value of SQL; unless it tells a developer of a mistake. */
function refusalsIn(path: string, source: string): string[] {
  const file = ts.createSourceFile(path, source, ts.ScriptTarget.Latest, true)
  const found: string[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isNewExpression(node) && node.expression.getText() === 'Error') return
    const words = ts.isStringLiteralLike(node)
      ? node.text
      : ts.isTemplateExpression(node)
        ? [node.head.text, ...node.templateSpans.map((span) => span.literal.text)].join('…')
        : ''
    if (/\p{L}{2} .*[^ ][.?!]$/su.test(words)) found.push(`${path}:${file.getLineAndCharacterOfPosition(node.getStart()).line + 1} ${words}`)
    ts.forEachChild(node, visit)
  }
  visit(file)
  return found
}

test('what the server would say is found', () => {
  const route = 'if (a) throw new Problem(400, "too hot", `#{t} °C is too hot.`)\nthrow new Error("Jar has no contents.")\nsay("Choose another.")'
  expect(refusalsIn('r.ts', route.replaceAll('#', '$'))).toEqual(['r.ts:1 … °C is too hot.', 'r.ts:3 Choose another.'])
})

/** Bread and places of the made-up kitchen have names and notes of their own. */
const DEMO = join('src', 'server', 'demo')

test('the server holds no sentence either', () => {
  const own = files('src/server').filter((path) => !path.startsWith(DEMO))
  expect(own.flatMap((path) => refusalsIn(path, readFileSync(path, 'utf8')))).toEqual([])
})
