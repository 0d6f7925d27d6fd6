import { z } from 'zod'
import {
  type BuildPlan,
  DEEPEST_MIX,
  DOUGH_KINDS,
  type Formula,
  type FormulaLine,
  LEVAIN_SOURCES,
  type Mix,
  PERCENTAGE_BASES,
  POSSIBLE,
  PRE_FERMENT_STYLES,
  type SeedMeasure,
  type Target
} from '../core'
import { gramsSchema, idSchema, instantSchema, nameSchema, numberIn, shareIn, versionSchema } from './common'

/** A built-in ingredient goes by its word, the baker's own by a UUID. */
export const ingredientIdSchema = z.string({ error: 'Choose an ingredient.' }).min(1, { error: 'Choose an ingredient.' }).max(64)
const lineIdSchema = z.string().min(1).max(64)
const partsSchema = numberIn([0, 100_000], 'A part')

/** Mixes within mixes, level by level, so that no nesting can be deeper than is followed. */
function mixAt(level: number): z.ZodType<Mix, Mix> {
  const ingredient = z.object({ ingredientId: ingredientIdSchema, parts: partsSchema })
  const part = level <= 1 ? ingredient : z.union([ingredient, z.object({ mix: mixAt(level - 1), parts: partsSchema })])
  return z.object({ name: nameSchema, parts: z.array(part).min(1, { error: 'A pre-ferment needs at least one ingredient.' }).max(40) })
}
export const mixSchema = mixAt(DEEPEST_MIX)

const share = (what: string) => shareIn(POSSIBLE.share, what)
const lineBase = { id: lineIdSchema, estimate: z.number().min(0).max(1).optional() }
const formulaLineSchema: z.ZodType<FormulaLine, FormulaLine> = z.discriminatedUnion('kind', [
  z.object({ ...lineBase, kind: z.literal('flour'), ingredientId: ingredientIdSchema, share: numberIn([0, 100_000], 'The share of a flour') }),
  z.object({ ...lineBase, kind: z.literal('water') }),
  z.object({ ...lineBase, kind: z.literal('salt') }),
  z.object({ ...lineBase, kind: z.literal('levain'), share: shareIn(POSSIBLE.levain, 'Levain') }),
  z.object({
    ...lineBase,
    kind: z.literal('pre-ferment'),
    style: z.enum(PRE_FERMENT_STYLES),
    hours: numberIn(POSSIBLE.aheadHours, 'The time it stands', 'h').optional(),
    mix: mixSchema,
    share: share('A pre-ferment')
  }),
  z.object({ ...lineBase, kind: z.literal('extra'), ingredientId: ingredientIdSchema, share: share('An ingredient') })
])

/** Lines a formula may have. */
export const MOST_LINES = 60

/** A dough as it is wished. */
export const formulaSchema: z.ZodType<Formula, Formula> = z.object({
  base: z.enum(PERCENTAGE_BASES),
  doughKind: z.enum(DOUGH_KINDS),
  hydration: shareIn(POSSIBLE.hydration, 'Hydration'),
  salt: shareIn(POSSIBLE.salt, 'Salt'),
  lines: z
    .array(formulaLineSchema)
    .min(3, { error: 'A dough needs flour, water and salt.' })
    .max(MOST_LINES, { error: `A dough has at most ${MOST_LINES} lines.` })
    .refine((lines) => ['water', 'salt'].every((kind) => lines.filter((l) => l.kind === kind).length === 1), {
      error: 'A dough has one line of water and one of salt.'
    })
    .refine((lines) => lines.some((l) => l.kind === 'flour'), { error: 'A dough needs at least one flour.' })
    .refine((lines) => lines.filter((l) => l.kind === 'levain').length <= 1, { error: 'A dough has one levain at most.' })
    .refine((lines) => new Set(lines.map((l) => l.id)).size === lines.length, { error: 'Two lines of this dough have the same id.' }),
  autolyse: z.boolean(),
  heldBack: shareIn([0, 1], 'Water held back'),
  roundUp: z.boolean().optional(),
  oven: z
    .object({
      stages: z
        .array(
          z.object({ tempC: numberIn([30, 500], 'The oven', '°C'), minutes: numberIn([1, 300], 'Minutes in the oven', 'min').int(), covered: z.boolean() })
        )
        .min(1, { error: 'The oven needs at least one step.' })
        .max(12),
      coreC: z.tuple([numberIn([30, 130], 'The middle of the bread', '°C'), numberIn([30, 130], 'The middle of the bread', '°C')]).nullable()
    })
    .optional()
})

const loss = (what: string) => shareIn(POSSIBLE.loss, what)
const doughGrams = (what: string) => numberIn(POSSIBLE.doughGrams, what, 'g')

const piecesSchema = z
  .array(
    z.object({
      count: numberIn(POSSIBLE.pieceCount, 'The number of pieces').int({ error: 'Pieces are counted whole.' }),
      grams: numberIn(POSSIBLE.pieceGrams, 'A piece', 'g')
    })
  )
  .min(1, { error: 'At least one piece is needed.' })
  .max(20)

/** What is known of the size. */
export const targetSchema: z.ZodType<Target, Target> = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('pieces'),
    pieces: piecesSchema,
    handlingLoss: loss('What sticks'),
    bakeLoss: loss('What is lost in the oven').nullable()
  }),
  z.object({ kind: z.literal('flour pieces'), pieces: piecesSchema }),
  z.object({ kind: z.literal('dough'), grams: doughGrams('The dough') }),
  z.object({ kind: z.literal('added flour'), grams: doughGrams('The flour') }),
  z.object({ kind: z.literal('total flour'), grams: doughGrams('All flour') }),
  z.object({ kind: z.literal('levain'), grams: numberIn([1, 50_000], 'The levain', 'g') }),
  z.object({ kind: z.literal('line'), lineId: lineIdSchema, grams: numberIn([0.1, 50_000], 'What is at hand', 'g') })
])

export const blendSchema = z
  .array(z.object({ ingredientId: ingredientIdSchema, share: partsSchema }))
  .min(1, { error: 'A build needs at least one flour.' })
  .max(10)
  .refine((blend) => blend.some((p) => p.share > 0), { error: 'A build needs some flour.' })

const measureSchema: z.ZodType<SeedMeasure, SeedMeasure> = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('ratio'), flourPerSeed: numberIn(POSSIBLE.flourPerSeed, 'Parts of flour to one of starter') }),
  z.object({ kind: z.literal('inoculation'), share: shareIn(POSSIBLE.inoculation, 'Inoculation') }),
  z.object({ kind: z.literal('seed'), grams: numberIn([0.1, 20_000], 'The seed', 'g') }),
  z.object({
    kind: z.literal('amounts'),
    seed: numberIn([0.1, 20_000], 'The starter', 'g'),
    flour: numberIn([0.1, 20_000], 'Flour', 'g'),
    water: numberIn([0, 20_000], 'Water', 'g')
  }),
  z.object({ kind: z.literal('spoons'), count: numberIn([0.25, 100], 'Spoons'), spoon: z.enum(['tablespoon', 'teaspoon']), stirred: z.boolean() })
])

const buildShape = z.object({
  source: z.enum(LEVAIN_SOURCES),
  by: measureSchema,
  hydration: shareIn(POSSIBLE.levainHydration, 'Hydration of the levain'),
  salt: shareIn([0, 0.05], 'Salt in the levain'),
  oil: shareIn([0, 0.2], 'Oil in the levain'),
  flours: blendSchema,
  keepBackGrams: numberIn(POSSIBLE.keepBackGrams, 'What goes back to the jar', 'g'),
  sticksGrams: numberIn(POSSIBLE.sticksGrams, 'What sticks', 'g').nullable().optional(),
  refill: z
    .object({
      flours: blendSchema.nullable(),
      flourGrams: numberIn([1, 20_000], 'Flour for the jar', 'g'),
      waterGrams: numberIn([0, 20_000], 'Water for the jar', 'g'),
      outHours: numberIn([0.25, 72], 'Time out of the cold', 'h').nullable()
    })
    .nullable()
    .optional(),
  older: z.object({
    share: shareIn([0, 1], 'Old levain'),
    hydration: shareIn(POSSIBLE.levainHydration, 'Hydration of the old levain'),
    jarId: idSchema.nullable().optional()
  }),
  vesselId: idSchema.nullable(),
  alsoFor: z.array(z.object({ name: nameSchema, grams: gramsSchema('Levain for another dough'), bakeId: idSchema.nullable().optional() })).max(10)
})

/** The levain of a bake as it is wished. */
export const buildPlanSchema: z.ZodType<BuildPlan, BuildPlan> = buildShape

/** What a formula needs to know of its levain, so that it can be read without a bake. */
export const formulaLevainSchema: z.ZodType<
  Pick<BuildPlan, 'hydration' | 'salt' | 'oil' | 'flours'>,
  Pick<BuildPlan, 'hydration' | 'salt' | 'oil' | 'flours'>
> = buildShape.pick({
  hydration: true,
  salt: true,
  oil: true,
  flours: true
})

/** A formula with its size and levain: one version of the library. */
export const formulaContentSchema = z.object({ formula: formulaSchema, target: targetSchema, levain: formulaLevainSchema })
export type FormulaContent = z.infer<typeof formulaContentSchema>

const noteSchema = z.string().max(2000, { error: 'A note has at most 2000 characters.' })

/** A formula of the library. */
export const savedFormulaSchema = z.object({
  id: idSchema,
  name: nameSchema,
  note: noteSchema,
  version: versionSchema,
  content: formulaContentSchema,
  changedAt: instantSchema,
  deletedAt: instantSchema.nullable()
})
export type SavedFormula = z.infer<typeof savedFormulaSchema>
export type WireSavedFormula = z.input<typeof savedFormulaSchema>

export const formulasSchema = z.object({ formulas: z.array(savedFormulaSchema) })
export const formulaPostSchema = z.object({ id: idSchema, name: nameSchema, note: noteSchema.default(''), content: formulaContentSchema })
export type FormulaPost = z.input<typeof formulaPostSchema>
export const formulaPutSchema = formulaPostSchema.omit({ id: true }).extend({ version: versionSchema })

/** All versions of one formula, newest first. */
export const formulaVersionsSchema = z.object({
  versions: z.array(z.object({ version: versionSchema, name: nameSchema, note: noteSchema, content: formulaContentSchema, recordedAt: instantSchema }))
})
export type FormulaVersion = z.infer<typeof formulaVersionsSchema>['versions'][number]
export type WireFormulaVersion = z.input<typeof formulaVersionsSchema>['versions'][number]
