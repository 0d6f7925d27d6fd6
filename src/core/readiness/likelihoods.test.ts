import { type CultureManner, likelihood, MANNERS, OWN_SIGNS, rowsOf, SIGN_KINDS, type SignKind } from './likelihoods'
import { PHASES, type Phase } from './phases'

/**
 * What a practitioner says of each sign, told apart from the table: in which phase it is seen more often than in another.
 * Turning a row around makes its own line fail.
 */
const SAYINGS: readonly (readonly [kind: SignKind, sign: string, more: Phase, less: Phase])[] = [
  ['top', 'domed', 'young', 'collapsed'],
  ['top', 'flat', 'lag', 'collapsed'],
  ['top', 'dimpled', 'easing', 'lag'],
  ['top', 'sunken', 'collapsed', 'young'],
  ['surface', 'smooth', 'lag', 'peak'],
  ['surface', 'pitted', 'young', 'lag'],
  ['surface', 'foamy', 'easing', 'lag'],
  ['surface', 'cracked', 'peak', 'lag'],
  ['bubbles', 'few', 'lag', 'peak'],
  ['bubbles', 'many', 'young', 'lag'],
  ['bubbles', 'frothy', 'easing', 'lag'],
  ['webbing', 'none', 'lag', 'peak'],
  ['webbing', 'strands', 'climbing', 'lag'],
  ['webbing', 'web', 'peak', 'collapsed'],
  ['webbing', 'slack', 'collapsed', 'young'],
  ['smell', 'floury', 'lag', 'easing'],
  ['smell', 'milky-sweet', 'young', 'collapsed'],
  ['smell', 'yeasty', 'peak', 'lag'],
  ['smell', 'tangy', 'easing', 'lag'],
  ['smell', 'vinegar', 'collapsed', 'young'],
  ['smell', 'solvent', 'collapsed', 'young'],
  ['smear', 'yes', 'collapsed', 'young'],
  ['smear', 'no', 'young', 'collapsed'],
  ['spoon', 'floats', 'peak', 'lag'],
  ['spoon', 'hangs', 'climbing', 'peak'],
  ['spoon', 'sinks', 'lag', 'peak']
]
const OWN_SAYINGS: readonly (readonly [manner: CultureManner, kind: SignKind, sign: string, more: Phase, less: Phase])[] = [
  ['stiff', 'surface', 'smooth', 'lag', 'peak'],
  ['stiff', 'surface', 'pitted', 'collapsed', 'lag'],
  ['stiff', 'surface', 'foamy', 'collapsed', 'peak'],
  ['stiff', 'surface', 'cracked', 'peak', 'lag'],
  ['stiff', 'spoon', 'floats', 'peak', 'lag'],
  ['stiff', 'spoon', 'hangs', 'climbing', 'peak'],
  ['stiff', 'spoon', 'sinks', 'lag', 'peak'],
  ['rye', 'surface', 'smooth', 'lag', 'peak'],
  ['rye', 'surface', 'pitted', 'climbing', 'lag'],
  ['rye', 'surface', 'foamy', 'peak', 'lag'],
  ['rye', 'surface', 'cracked', 'young', 'lag']
]
const at = (kind: SignKind, sign: string, phase: Phase, manner: CultureManner) => likelihood(kind, sign, phase, manner)

test.each(SAYINGS)('%s %s: rather %s than %s', (kind, sign, more, less) => {
  expect(at(kind, sign, more, 'wheat')).toBeGreaterThan(at(kind, sign, less, 'wheat'))
})
test.each(OWN_SAYINGS)('%s, %s %s: rather %s than %s', (manner, kind, sign, more, less) => {
  expect(at(kind, sign, more, manner)).toBeGreaterThan(at(kind, sign, less, manner))
})

test('every row has its saying here and its reasoning there', () => {
  const told = new Set([...SAYINGS.map(([kind, sign]) => `wheat ${kind} ${sign}`), ...OWN_SAYINGS.map(([manner, kind, sign]) => `${manner} ${kind} ${sign}`)])
  const rows = [
    ...SIGN_KINDS.flatMap((kind) => Object.entries(rowsOf(kind, 'wheat')).map(([sign, row]) => ({ name: `wheat ${kind} ${sign}`, row }))),
    ...Object.entries(OWN_SIGNS).flatMap(([manner, own]) =>
      Object.entries(own ?? {}).flatMap(([kind, signs]) => Object.entries(signs).map(([sign, row]) => ({ name: `${manner} ${kind} ${sign}`, row })))
    )
  ]
  expect(rows.map((r) => r.name).filter((name) => !told.has(name))).toEqual([])
  expect(told.size).toBe(rows.length)
  for (const { row } of rows) expect(row.why.split(' ').length).toBeGreaterThan(4)
})

test.each(MANNERS.flatMap((manner) => SIGN_KINDS.map((kind) => [manner, kind] as const)))(
  '%s, %s: in every phase its signs make up the whole',
  (manner, kind) => {
    for (const phase of PHASES) {
      const total = Object.keys(rowsOf(kind, manner)).reduce((sum, sign) => sum + at(kind, sign, phase, manner), 0)
      expect(total).toBeGreaterThan(0.95)
      expect(total).toBeLessThan(1.05)
    }
  }
)

test('nothing is ever ruled out by one sign, and a sign nobody listed says nothing', () => {
  for (const kind of SIGN_KINDS)
    for (const sign of Object.keys(rowsOf(kind, 'wheat'))) for (const phase of PHASES) expect(at(kind, sign, phase, 'wheat')).toBeGreaterThan(0.01)
  expect(likelihood('top', 'purple', 'peak', 'wheat')).toBe(1)
})
