import fc from 'fast-check'
import { PANTRY } from '../testing/doughs'
import { seededRandom } from '../truth/seededRandom'
import { CUP_SIZES } from '../units/volume'
import { type ReadLine, readRecipe, readVolume, regrammed } from './readRecipe'

const read = (text: string) => readRecipe(text, PANTRY, CUP_SIZES.metric)
const one = (text: string): ReadLine => {
  const { lines } = read(text)
  if (lines.length !== 1 || lines[0] === undefined) throw new Error(`${lines.length} lines`)
  return lines[0]
}

test.each([
  ['480 g strong flour', 'strong white', 480, 480],
  ['0.5 l water', 'water', 500, 500],
  ['0,5 kg wholemeal flour', 'wholegrain wheat', 500, 500],
  ['1 1/2 cups rye', 'rye', 375 * 0.45, 375 * 0.55],
  ['1½ cups rye flour', 'rye', 375 * 0.45, 375 * 0.55],
  ['½ tsp caraway', 'caraway', 2.5 * 0.4, 2.5 * 0.5],
  ['2 tsp salt', 'salt', 10.5, 13],
  ['2 large eggs', 'egg', 90, 116],
  ['2-3 egg yolks', 'egg yolk', 32, 60],
  ['1 lb strong white flour', 'strong white', 453.592, 453.592],
  ['8 oz. butter, soft', 'butter', 226.796, 226.796],
  ['3 tablespoons of honey', 'honey', 45 * 1.38, 45 * 1.45],
  ['Sesame seeds: 40g', 'sesame', 40, 40],
  ['250ml buttermilk', 'buttermilk', 257.5, 257.5]
])('%j', (text, id, least, most) => {
  const { ingredient, quantity, question } = one(text)
  expect(question).toBeNull()
  expect(ingredient?.id).toBe(id)
  expect(quantity?.grams?.least).toBeCloseTo(least, 2)
  expect(quantity?.grams?.most).toBeCloseTo(most, 2)
})

describe('what is not clear is asked, never guessed', () => {
  test.each([
    ['500 g flour', 'which ingredient'],
    ['20 g seeds', 'which ingredient'],
    ['300 g milk or water', 'which ingredient'],
    ['12 g moon dust', 'which ingredient'],
    ['a pinch of salt', 'how much'],
    ['3 butter', 'how much'],
    ['100 g / 120 g water', 'which figure'],
    ['1 cup cinnamon sticks and 20', null]
  ])('%j: %s', (text, question) => {
    expect(one(text).question).toBe(question)
  })
  test('plain flour is offered as every flour there is', () => {
    const { candidates } = one('500 g flour')
    expect(candidates.length).toBeGreaterThan(5)
    expect(candidates.every((c) => c.kind === 'flour')).toBe(true)
  })
  test('two ingredients in one line: one of the two', () => {
    expect(
      one('300 g milk or water')
        .candidates.map((c) => c.id)
        .sort()
    ).toEqual(['milk', 'water'])
  })
  test('once told, a cup of it gets its grams', () => {
    const line = one('2 cups flour')
    expect(line.quantity?.grams).toBeNull()
    const rye = PANTRY.get('rye')
    if (rye === undefined) throw new Error('no rye')
    expect(regrammed(line, rye, CUP_SIZES.metric)?.grams).toEqual({ least: 225, most: 275, middle: 250 })
  })
})

test('a mass beside a volume wins, and the volume is told as not used', () => {
  const { quantity, unused } = one('1 cup (130 g) rye flour')
  expect(quantity?.grams?.middle).toBe(130)
  expect(unused.map((u) => u.text)).toEqual(['1 cup'])
})

test('a percentage beside a mass is kept; a hydration is not mistaken for one', () => {
  const line = one('200 g levain (100% hydration) 20 %')
  expect(line.percent?.value).toBe(20)
  expect(line.unused.map((u) => u.text)).toEqual(['100%'])
})

test('percentages alone are quantities of their own', () => {
  expect(read('Strong flour 100 %\nWater 72 %\nSalt 2 %').lines.map((l) => [l.ingredient?.id, l.quantity?.kind, l.quantity?.value])).toEqual([
    ['strong white', 'percent', 100],
    ['water', 'percent', 72],
    ['salt', 'percent', 2]
  ])
})

test('headings and remarks are let be; several things in a line are several lines', () => {
  const { lines } = read('For the dough\n\n480 g strong flour, 320 g water; 10 g salt\nKnead well.')
  expect(lines.map((l) => [l.remark, l.ingredient?.id ?? null])).toEqual([
    [true, null],
    [false, 'strong white'],
    [false, 'water'],
    [false, 'salt'],
    [true, null]
  ])
})

test('cups differ by country', () => {
  const { lines } = readRecipe('1 cup water', PANTRY, CUP_SIZES.US)
  expect(lines[0]?.quantity?.grams?.middle).toBeCloseTo(236.588, 3)
})

test('a book instead of a recipe is cut, and says so', () => {
  expect(read('flour '.repeat(10_000)).cut).toBe(true)
  expect(read('1 g salt\n'.repeat(300)).lines).toHaveLength(200)
})

/** A hang, by the work that was done and not by the clock of the wall; the figures themselves are in the bench. */
const HANG_MS = 500

/** Everything taken over stands in the text at its span, and every digit of the text is in a span. @returns ms of work it took to read */
function checkSpans(text: string): number {
  const begun = process.cpuUsage()
  const { lines, cut } = read(text)
  const took = process.cpuUsage(begun).user / 1000
  const covered = new Uint8Array(text.length)
  const wrong: string[] = []
  for (const line of lines) {
    for (const part of [line.quantity, line.percent, ...line.unused]) {
      if (part === null) continue
      const [from, to] = part.span
      if (from < line.span[0] || to > line.span[1] || !/[\d½¼¾⅓⅔⅛⅜⅝⅞]/.test(text.slice(from, to))) wrong.push(`span ${from}–${to}`)
      covered.fill(1, from, to)
    }
    const words = text.slice(...line.span).toLowerCase()
    const names = line.ingredient === null ? [] : [line.ingredient.name.toLowerCase(), ...(line.ingredient.alsoCalled ?? [])]
    if (line.ingredient !== null && !names.some((name) => words.includes(name))) wrong.push(`${line.ingredient.name} from nowhere`)
    const grams = line.quantity?.grams
    if (grams != null && !(grams.least <= grams.middle && grams.middle <= grams.most && Number.isFinite(grams.most))) wrong.push('grams')
  }
  if (!cut) for (const match of text.matchAll(/\d/g)) if (covered[match.index] !== 1) wrong.push(`digit at ${match.index}`)
  if (wrong.length > 0) throw new Error(`${JSON.stringify(text.slice(0, 300))}: ${wrong.slice(0, 5).join(', ')}`)
  return took
}

const GOOD = [
  '480 g strong flour\n1 1/2 cups rye\n2 tsp salt\n0.5 l water\n100 g levain (100% hydration)',
  'Strong white 85 %, 621 g\nWholegrain spelt 15 %, 110 g\nWater 66.2 %, 484 g\nSalt 2.5 %, 18.3 g',
  '- 3 large eggs\n- 1½ tbsp honey (about 30 g)\n- 250ml milk, 2-3 days old\n• 8 oz. butter; ½ tsp cinnamon',
  '| ingredient | grams |\n|---|---|\n| Rye | 500 |\n\nBake at 230 °C for 40 min.'
]

test('3,000 mutated recipes: no crash, no hang, every figure used or told', () => {
  const random = seededRandom(20261125)
  const scraps = [
    '1/2',
    ' ',
    '\n',
    '%',
    ' g ',
    'ml',
    '½',
    '-',
    ',',
    ', 3',
    ';',
    '((',
    'flour',
    '9999999999',
    '0',
    '1/0',
    '\u0000',
    '😀',
    '1.2.3',
    'e9',
    'NaN',
    '\r\n',
    'cup'.repeat(20),
    '1 '.repeat(40),
    '٣'
  ]
  let slowest = 0
  for (let i = 0; i < 3000; i++) {
    let text = GOOD[i % GOOD.length] as string
    for (let n = 1 + Math.floor(random() * 6); n > 0; n--) {
      const at = Math.floor(random() * (text.length + 1))
      const cutTo = random() < 0.5 ? at + Math.floor(random() * 8) : at
      text = text.slice(0, at) + (random() < 0.8 ? (scraps[Math.floor(random() * scraps.length)] as string) : '') + text.slice(cutTo)
    }
    slowest = Math.max(slowest, checkSpans(text))
  }
  expect(slowest).toBeLessThan(HANG_MS)
})

test('any text at all', () => {
  fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => checkSpans(text) >= 0))
  for (const nasty of ['1'.repeat(20_000), '1 '.repeat(10_000), '½'.repeat(9000), '(1/'.repeat(6000), '1-'.repeat(9000), '1,1'.repeat(6000)]) {
    expect(checkSpans(nasty)).toBeLessThan(HANG_MS)
  }
})

test.each([
  ['1 cup', 250],
  ['2/3 cup', 500 / 3],
  ['⅔ cup', 500 / 3],
  ['1½ tbsp', 22.5],
  ['1 1/2 tablespoons', 22.5],
  ['1 cup + 2 tbsp', 280],
  ['1 cup and 1 tsp', 255],
  ['120 ml', 120]
])('%s are %d ml by metric cups', (text, ml) => {
  expect(readVolume(text, CUP_SIZES.metric)).toBeCloseTo(ml, 6)
})

test.each(['', '12', 'a cup', '1 cup of flour', '2 cups flour', '100 g', '1 cup 100 g', '1 cup x 2', '50 %'])(
  '%j is no household measure by itself',
  (text) => {
    expect(readVolume(text, CUP_SIZES.metric)).toBeNull()
  }
)

test('an American cup is smaller, an Australian spoon larger', () => {
  expect([readVolume('1 cup', CUP_SIZES.US), readVolume('1 tbsp', CUP_SIZES.Australian)]).toEqual([236.588, 20])
})
