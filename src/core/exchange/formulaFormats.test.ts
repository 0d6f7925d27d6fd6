import { roundDough } from '../dough/roundDough'
import { solveFormula } from '../dough/solveFormula'
import { contextWith, PANTRY, richFormula } from '../testing/doughs'
import { seededRandom } from '../truth/seededRandom'
import { CUP_SIZES } from '../units/volume'
import { formulaCsv, formulaJson, formulaJsonLd, formulaMarkdown, portableFormula, recogniseImport, type WrittenFormula } from './formulaFormats'
import { readRecipe } from './readRecipe'

const levain = { hydration: 1, salt: 0, oil: 0, flours: [{ ingredientId: 'white wheat', share: 1 }] }
function written(name = 'Corner loaf'): WrittenFormula {
  const formula = richFormula('dough flour', 0.27, 'poolish and soaker')
  const target = { kind: 'dough', grams: 1500 } as const
  const solved = solveFormula(formula, target, contextWith(1))
  if (!solved.ok) throw new Error(solved.problem.code)
  return {
    portable: portableFormula({ name, note: 'Rest | then bake.', formula, target, levain }, PANTRY),
    solved: solved.value,
    weigh: roundDough(solved.value, true)
  }
}

test('JSON loses nothing, and carries what its ingredients hold', () => {
  const { portable } = written()
  const back = recogniseImport(formulaJson(portable))
  expect(back).toEqual({ kind: 'formula', value: JSON.parse(JSON.stringify(portable)) })
  expect(portable.ingredients.map((i) => i.id)).toEqual(
    expect.arrayContaining(['strong white', 'rye', 'milk', 'dry yeast', 'linseed', 'sunflower seeds', 'water', 'salt', 'white wheat'])
  )
})

/** The masses of a dough’s own lines, read back from a format. */
function readBack(text: string): Record<string, number> {
  const found = recogniseImport(text)
  if (found.kind !== 'recipe') throw new Error(found.kind)
  return Object.fromEntries(
    readRecipe(found.text, PANTRY, CUP_SIZES.metric).lines.map((l) => [l.ingredient?.id ?? l.text, l.quantity?.grams?.middle ?? Number.NaN])
  )
}
const masses = (w: WrittenFormula) => Object.fromEntries(w.weigh.lines.map((l) => [l.id, l.grams]))

test.each([
  ['schema.org', formulaJsonLd],
  ['CSV', formulaCsv],
  ['Markdown', (w: WrittenFormula) => formulaMarkdown(w, PANTRY)]
])('%s: the masses come back, and what is inside a pre-ferment is not counted twice', (_, write) => {
  const w = written()
  const { white, rye, water, salt, milk } = masses(w)
  expect(readBack(write(w))).toMatchObject({ 'strong white': white, rye, water, salt, milk })
})

test('schema.org names itself a Recipe', () => {
  expect(JSON.parse(formulaJsonLd(written()))).toMatchObject({ '@context': 'https://schema.org', '@type': 'Recipe', name: 'Corner loaf' })
})

test('Markdown tells the truth and the allergens, and a bar in a note breaks no table', () => {
  const page = formulaMarkdown(written(), PANTRY)
  expect(page).toContain('Contains gluten, milk.')
  // Of the rounded grams: 71.9 %, not the 72 that were asked for.
  expect(page).toMatch(/In truth 71\.9\d? % hydration, 2 % salt/)
})

test('CSV keeps a comma in a name', () => {
  expect(formulaCsv(written()).split('\n')[0]).toBe('ingredient,grams,percent,part of')
})

test('a Recipe inside a graph is found; nonsense says why', () => {
  const inner = { '@type': ['Recipe'], name: 'Loaf', recipeIngredient: ['500 g rye flour', 7] }
  expect(recogniseImport(JSON.stringify({ '@graph': [{ '@type': 'WebPage' }, inner] }))).toMatchObject({ kind: 'recipe', text: '500 g rye flour' })
  expect(recogniseImport('{"a": ')).toEqual({ kind: 'unreadable', reason: 'broken JSON' })
  expect(recogniseImport('{"a": 1}')).toEqual({ kind: 'unreadable', reason: 'no ingredients' })
  expect(recogniseImport('# Loaf\n- 500 g rye')).toEqual({ kind: 'recipe', from: 'text', name: 'Loaf', text: '500 g rye' })
})

test('2,000 mutated imports in every format: no crash, no hang', () => {
  const random = seededRandom(7)
  const w = written()
  const good = [formulaJson(w.portable), formulaJsonLd(w), formulaCsv(w), formulaMarkdown(w, PANTRY)]
  const scraps = ['"', '{', ']', '|', '\\', '\n', ',', '\u0000', '999999999999', '"@type"', '%', '|||||', '[[[[[[', 'null']
  let slowest = 0
  for (let i = 0; i < 2000; i++) {
    let text = good[i % 4] as string
    for (let n = 1 + Math.floor(random() * 8); n > 0; n--) {
      const at = Math.floor(random() * text.length)
      text = text.slice(0, at) + (scraps[Math.floor(random() * scraps.length)] as string) + text.slice(at + Math.floor(random() * 20))
    }
    const begun = process.cpuUsage()
    const found = recogniseImport(text)
    if (found.kind === 'recipe') readRecipe(found.text, PANTRY, CUP_SIZES.metric)
    slowest = Math.max(slowest, process.cpuUsage(begun).user / 1000)
  }
  // A hang, by the work that was done for it and not by the clock of the wall, ms; the figures themselves are in the bench.
  expect(slowest).toBeLessThan(500)
})
