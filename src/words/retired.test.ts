import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

const SRC = join(__dirname, '..')

/** Phrases that newcomers had to read twice, and what is said instead. docs/glossary.md has the words. */
const RETIRED: readonly (readonly [phrase: RegExp, instead: string])[] = [
  [/before it builds/i, 'feed it once first'],
  [/\bfed up\b|\bfeed(ing)? up\b/i, 'needs reviving'],
  [/the book is wrong|by the book/i, 'correct the amount, recorded'],
  [/\bset the band\b|after the band|band is set/i, 'mark the level, since mixing'],
  [/bring the others along/i, 'scale the rest to match'],
  [/on the fresh flour|flour per seed/i, 'starter as % of the flour'],
  [/ripens ahead/i, 'pre-fermented flour'],
  [/move the hill/i, 'drag the hill'],
  [/\bways? to it\b/i, 'schedules'],
  [/\bfit to mix\b|\bfit (from|until|while|for)\b/i, 'ready to mix'],
  [/\benough of\b/i, 'close, hide'],
  [/\bof hands\b/i, 'of work'],
  [/times in a hundred|\d+ times in \d+|nine times in ten|one time in two/i, 'a percentage and the word chance'],
  [/\blikelihoods?\b/i, 'chance'],
  [/has to be told|have to be told/i, 'needs an ingredient'],
  [/has none at this address/i, 'shows no notices'],
  [/\bforetold\b/i, 'forecast'],
  [/\breckon/i, 'work out, allow for'],
  [/\bkeep-back\b/i, 'back to the jar'],
  [/\bolder levain\b/i, 'old levain'],
  [/looks so far/i, 'what you saw'],
  [/^(Leave it|Keep it)$/, 'Cancel, Save'],
  [/the dough’s day/i, 'bulk, shape, proof, bake'],
  [/one of the figures is missing/i, 'the figure and its bounds'],
  [/\b(at|to|in) the (Bench|Clock|Oven|Build)\b/, 'Weigh, Plan, Bread, Levain']
]

/** Codes that say the same as a retired phrase, and are never shown. */
const CODES: ReadonlySet<string> = new Set(['older levain', 'flour per seed', 'bring the others along'])

/** Sentences and labels in the source of the window, the words, the schemas and the server: what stands in tags, strings and templates. */
function* saidIn(path: string): Generator<{ readonly line: number; readonly words: string }> {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true, path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS)
  const found: { line: number; words: string }[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return
    const text = ts.isJsxText(node) || ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node) ? node.text : null
    if (text !== null) found.push({ line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, words: text.replace(/\s+/g, ' ').trim() })
    ts.forEachChild(node, visit)
  }
  visit(source)
  yield* found
}

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    if (entry.isDirectory()) yield* filesIn(path)
    else if (/\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name)) yield path
  }
}

test('no screen, error, calendar or paper says what has been retired', () => {
  const slips: string[] = []
  for (const folder of ['web', 'words', 'contract', 'server'])
    for (const path of filesIn(join(SRC, folder)))
      for (const { line, words } of saidIn(path))
        for (const [phrase, instead] of RETIRED)
          if (phrase.test(words) && !CODES.has(words)) slips.push(`${path.slice(SRC.length + 1)}:${line} “${words}”: say “${instead}”`)
  expect(slips).toEqual([])
})

test('the search finds what is said in words and in templates', () => {
  const words = [...saidIn(join(SRC, 'words/screens/app.ts'))].map((said) => said.words)
  expect(words).toEqual(expect.arrayContaining(['I have set it', 'It is right', 'Try now', 'Is the clock of Olvent’s computer right? It says']))
})
