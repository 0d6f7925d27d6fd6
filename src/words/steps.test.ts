import type { Bake } from '../answers'
import type { Jar } from '../contract'
import type { Step } from '../core'
import { possessive, stepCaution, stepTitle, stepWord, windowTitle } from './steps'

const jars = [{ id: 'j1', name: 'Juno' }] as unknown as Jar[]
const bake = { id: 'b1', plan: { build: { source: 'separate build' }, name: 'Two lantern loaves', jarId: 'j1', course: { folds: 4 } } } as unknown as Bake
const KINDS: readonly Step['kind'][] = [
  'wake',
  'first build',
  'grow',
  'build',
  'refill',
  'finish weighing',
  'chill',
  'look',
  'feed again',
  'autolyse',
  'mix',
  'fold',
  'shape',
  'preheat',
  'bake',
  'lid',
  'out',
  'eat'
]

test('whose it is', () => {
  expect([possessive('Juno'), possessive('Moss')]).toEqual(['Juno’s', 'Moss’'])
})

test('a title says what to do and for what, whether by its jar or by its bread', () => {
  const title = (kind: Step['kind'], id: string = kind) => stepTitle(bake, { kind, id }, jars)
  expect(title('build')).toBe('Build Juno’s levain')
  expect(title('wake')).toBe('Wake Juno: feed it')
  expect(title('fold', 'fold 2')).toBe('Fold 2 of 4: Two lantern loaves')
  expect(title('mix')).toBe('Mix: Two lantern loaves')
  expect(stepTitle(bake, { kind: 'look', id: 'look' }, [])).toBe('Look at the jar’s levain')
})

test('every step has a title and a word, and no two titles are alike', () => {
  const titles = KINDS.map((kind) => stepTitle(bake, { kind, id: kind }, jars))
  expect(new Set(titles).size).toBe(KINDS.length)
  for (const kind of KINDS) expect(stepWord({ kind, id: kind })).toMatch(/^[A-Z]/)
  expect(stepWord({ kind: 'wake', id: 'wake 2' })).toBe('Wake-up feed 2')
  expect([stepWord({ kind: 'shape', id: 'shape' }, { cold: true }), stepWord({ kind: 'shape', id: 'shape' })]).toEqual(['Shape, into the cold', 'Shape'])
})

test('the cautions stand where work can hurt: fire, the heavy hot pot and the blade, steam, a sealed jar', () => {
  expect(stepCaution({ kind: 'preheat' })).toMatch(/230 °C/)
  expect(stepCaution({ kind: 'bake' })).toMatch(/heat gloves.*blade/)
  for (const kind of ['lid', 'out'] as const) expect(stepCaution({ kind })).toMatch(/Heat gloves.*steam/)
  expect(stepCaution({ kind: 'chill' })).toMatch(/Loose lid/)
  expect(KINDS.filter((kind) => stepCaution({ kind }) !== null)).toEqual(['chill', 'preheat', 'bake', 'lid', 'out'])
})

test('the window is told with the name of its bake, and each time with what to do', () => {
  expect(windowTitle(bake, 'opens soon')).toBe('Two lantern loaves: the levain should be ready in about half an hour')
  expect(windowTitle(bake, 'opens')).toMatch(/look at it first$/)
  expect(windowTitle(bake, 'closes soon')).toMatch(/look at it, then mix or chill it$/)
})
