import { z } from 'zod'
import { ALLERGENS, CUP_KINDS, FLOUR_KINDS, INGREDIENT_KINDS, type Ingredient, VESSEL_MATERIALS } from '../core'
import { nameSchema, numberIn, shareIn } from './common'
import { blendSchema, ingredientIdSchema } from './formulas'

const fraction = (what: string) => shareIn([0, 1], what)
const range = (what: string, most: number, unit: string) =>
  z
    .tuple([numberIn([0.01, most], what, unit), numberIn([0.01, most], what, unit)])
    .refine(([least, top]) => least <= top, { error: `${what}: the smaller figure comes first.` })
    .optional()

/** An ingredient as it is edited. */
export const ingredientSchema: z.ZodType<Ingredient, Ingredient> = z
  .object({
    id: ingredientIdSchema,
    name: nameSchema,
    kind: z.enum(INGREDIENT_KINDS),
    composition: z.object({ flour: fraction('Flour'), water: fraction('Water'), salt: fraction('Salt') }),
    sugar: fraction('Sugar').optional(),
    fat: fraction('Fat').optional(),
    flourKind: z.enum(FLOUR_KINDS).optional(),
    density: range('The density', 5, 'g/ml'),
    pieceGrams: range('One piece', 5000, 'g'),
    allergens: z.array(z.enum(ALLERGENS)),
    fine: z.boolean(),
    alsoCalled: z.array(z.string().min(1).max(80)).max(40).optional(),
    protein: shareIn([0, 0.8], 'Protein').optional(),
    wholegrain: fraction('Wholegrain').optional(),
    absorption: shareIn([-0.3, 1], 'What it drinks more').optional(),
    pace: numberIn([0.3, 3], 'The pace').optional(),
    hold: numberIn([0.1, 2], 'The strength').optional(),
    price: z.object({ amount: numberIn([0, 10_000], 'The price'), packGrams: numberIn([1, 100_000], 'The pack', 'g') }).optional(),
    packet: z
      .object({
        lot: z.string().max(60).optional(),
        openedOn: z.iso.date({ error: 'A day looks like 2026-11-25.' }).optional(),
        note: z.string().max(500).optional()
      })
      .optional(),
    blend: blendSchema.optional()
  })
  .refine(({ composition: c, sugar = 0, fat = 0 }) => c.flour + c.water + c.salt + sugar + fat <= 1 + 1e-9, {
    error: 'Flour, water, salt, sugar and fat together are more than 100 %.',
    path: ['composition']
  })
  .refine(({ kind, blend }) => blend === undefined || kind === 'flour', { error: 'Only flours are blended.', path: ['blend'] })
  .refine(({ kind, flourKind }) => kind !== 'flour' || flourKind !== undefined, { error: 'Say how this flour ferments.', path: ['flourKind'] })

/** One line of the ingredient list; `changed`: not as it came. */
export const listedIngredientSchema = z.object({
  ingredient: ingredientSchema,
  /** It came with Olvent. */
  builtIn: z.boolean(),
  changed: z.boolean(),
  version: z.number().int().min(0)
})
export type ListedIngredient = z.infer<typeof listedIngredientSchema>
export const ingredientsSchema = z.object({ ingredients: z.array(listedIngredientSchema) })
export const ingredientPutSchema = z.object({ version: z.number().int().min(0), ingredient: ingredientSchema })

/** A vessel of the kitchen. */
export const vesselSchema = z.object({
  id: z.uuid(),
  name: nameSchema,
  tareGrams: numberIn([0, 20_000], 'The empty weight', 'g'),
  capacityMl: numberIn([20, 50_000], 'What it holds', 'ml'),
  innerDiameterMm: numberIn([20, 600], 'The inner diameter', 'mm'),
  heightMm: numberIn([20, 800], 'The height', 'mm'),
  /** How it keeps its warmth. */
  material: z.enum(VESSEL_MATERIALS).default('glass')
})
export type Vessel = z.infer<typeof vesselSchema>
export const listedVesselSchema = vesselSchema.extend({ version: z.number().int().min(1) })
export type ListedVessel = z.infer<typeof listedVesselSchema>
export const vesselsSchema = z.object({ vessels: z.array(listedVesselSchema) })
export const vesselPutSchema = z.object({ version: z.number().int().min(0), vessel: vesselSchema })

export const cupKindSchema = z.enum(CUP_KINDS)
