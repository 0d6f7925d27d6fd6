import { z } from 'zod'
import { planSchema, vesselSchema } from '../contract'
import { createFormat } from '../core'
import { fieldProblem, fieldProblems } from './fields'

const format = createFormat({ mass: 'g', temperature: '°C', clock: '24 h', timeZone: 'UTC' })
const plain = (words: string) => words.replace(/\s/g, ' ')
const jar = {
  id: '0ff1ce00-0000-4000-8000-000000000001',
  name: 'Blue pot',
  tareGrams: 300,
  capacityMl: 500,
  innerDiameterMm: 80,
  heightMm: 110,
  material: 'glass'
}

/** What is said of a vessel that cannot be saved. */
function said(more: object): string {
  const checked = vesselSchema.safeParse({ ...jar, ...more })
  if (checked.success) throw new Error('It can be saved.')
  return plain(fieldProblem(checked.error, format))
}

test('a figure out of bounds is named, with the bound it breaks', () => {
  expect(said({ tareGrams: -1 })).toBe('The empty weight has to be a number from 0 to 20000 g.')
})

test('each field that is wrong has its own sentence, the first that holds', () => {
  const { error } = vesselSchema.safeParse({ ...jar, name: ' ', heightMm: 900 })
  if (error === undefined) throw new Error('It can be saved.')
  expect(Object.entries(fieldProblems(error, format)).map(([path, words]) => [path, plain(words)])).toEqual([
    ['heightMm', 'The height has to be a number from 20 to 800 mm.'],
    ['name', 'A name is needed.']
  ])
})

test('a name that is missing is asked for by the name of its field', () => {
  expect(said({ name: '' })).toBe('A name is needed.')
})

test('a schema that has no sentence of its own: the field as it is called on screen, and its bound', () => {
  const { error } = z
    .object({ formula: z.object({ hydration: z.number().max(2) }), name: z.string().max(80) })
    .safeParse({ formula: { hydration: 3 }, name: 'a'.repeat(81) })
  const one = (n: number) => plain(fieldProblem({ issues: error?.issues.slice(n) } as unknown as z.ZodError, format))
  expect([one(0), one(1)]).toEqual(['Hydration: at most 200 %.', 'Name: at most 80 letters.'])
})

test('of a plan it says which figure, and between which bounds it may lie', () => {
  const checked = planSchema.safeParse({ mixTempC: 90 })
  const { issues } = checked.error ?? { issues: [] }
  const ofMix = { issues: issues.filter(({ path }) => path[0] === 'mixTempC') } as unknown as Parameters<typeof fieldProblem>[0]
  expect(plain(fieldProblem(ofMix, format))).toBe('The fresh mix has to be a number from -5 to 50 °C.')
})
