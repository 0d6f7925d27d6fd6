import { z } from 'zod'
import type { PortableFormula } from '../core'
import { nameSchema } from './common'
import { fieldSentences } from './errors'
import { formulaLevainSchema, formulaSchema, targetSchema } from './formulas'
import { ingredientSchema } from './stores'

/** A formula as a file: the published format, docs/formula.schema.json. */
export const portableFormulaSchema = z.object({
  format: z.literal('olvent-formula'),
  formatVersion: z.literal(1),
  name: nameSchema,
  note: z.string().max(2000),
  formula: formulaSchema,
  target: targetSchema,
  levain: formulaLevainSchema,
  ingredients: z.array(ingredientSchema).max(200)
})

/** A file that was read, or what was not understood of it, place by place. */
export type PortableAnswer =
  | { readonly ok: true; readonly value: PortableFormula }
  | { readonly ok: false; readonly issues: readonly { readonly path: string; readonly sentence: string }[] }

/** Checks a file of our own format. */
export function readPortable(value: unknown): PortableAnswer {
  const parsed = portableFormulaSchema.safeParse(value)
  if (parsed.success) return { ok: true, value: parsed.data as PortableFormula }
  return { ok: false, issues: Object.entries(fieldSentences(parsed.error)).map(([path, sentence]) => ({ path, sentence })) }
}

/** The published JSON Schema of a formula file. */
export function portableJsonSchema(): unknown {
  return {
    title: 'Olvent formula',
    description: 'A sourdough formula with its size, its levain and what its ingredients hold.',
    ...z.toJSONSchema(portableFormulaSchema, { io: 'input' })
  }
}
