import { z } from 'zod'
import { type BatchLine, FLOUR_KINDS, type FlourKind, POSSIBLE } from '../core'
import { gramsSchema, idSchema, instantSchema, nameSchema, noted, numberIn, shareIn, tempSchema, versionSchema } from './common'

export const flourKindSchema = z.enum(FLOUR_KINDS, { error: 'This kind of flour is not known.' })
const floursSchema = z.partialRecord(flourKindSchema, z.number().min(0))

/** A batch on the wire; parents to a depth the server chooses. */
export interface WireLine {
  startedAt: string
  flours: Partial<Record<FlourKind, number>>
  waterGrams: number
  saltGrams: number
  mixTempC: number
  stays: { from: string; tempC: number; surroundings?: 'air' | 'water bath' }[]
  parents: { grams: number; hydration: number; flour: FlourKind; line: WireLine | null }[]
}
/** Feeds that are followed back on the wire; level by level, so that no nesting can be deeper. */
const MOST_GENERATIONS = 8
function lineAt(generation: number): z.ZodType<WireLine> {
  return z.object({
    startedAt: instantSchema,
    flours: floursSchema,
    waterGrams: z.number(),
    saltGrams: z.number(),
    mixTempC: z.number(),
    stays: z.array(z.object({ from: instantSchema, tempC: z.number(), surroundings: z.enum(['air', 'water bath']).optional() })).min(1),
    parents: z.array(
      z.object({
        grams: z.number(),
        hydration: z.number(),
        flour: flourKindSchema,
        line: generation <= 1 ? z.null() : lineAt(generation - 1).nullable()
      })
    )
  })
}
export const lineSchema = lineAt(MOST_GENERATIONS)

/** From the wire to what the core takes. */
export function lineFromWire(line: WireLine): BatchLine {
  return {
    startedAtMs: Date.parse(line.startedAt),
    flours: line.flours,
    waterGrams: line.waterGrams,
    saltGrams: line.saltGrams,
    mixTempC: line.mixTempC,
    stays: line.stays.map((s) => ({ fromMs: Date.parse(s.from), tempC: s.tempC, surroundings: s.surroundings })),
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : lineFromWire(p.line) }))
  }
}

/** From the core to the wire. */
export function lineToWire(line: BatchLine): WireLine {
  return {
    startedAt: new Date(line.startedAtMs).toISOString(),
    flours: { ...line.flours },
    waterGrams: line.waterGrams,
    saltGrams: line.saltGrams,
    mixTempC: line.mixTempC,
    stays: line.stays.map((s) => ({ from: new Date(s.fromMs).toISOString(), tempC: s.tempC, surroundings: s.surroundings })),
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : lineToWire(p.line) }))
  }
}

/** A jar that comes into the kitchen. */
export const jarOpeningSchema = z.object({
  id: idSchema,
  name: nameSchema,
  flour: flourKindSchema,
  hydration: shareIn(POSSIBLE.levainHydration, 'Hydration'),
  grams: numberIn([1, 20_000], 'What is in the jar', 'g'),
  keepMinimumGrams: gramsSchema('The least to keep').default(15),
  lastFedAt: instantSchema,
  placeId: idSchema
})
export type JarOpening = z.input<typeof jarOpeningSchema>

/** A jar as the kitchen knows it. */
export const jarSchema = z.object({
  id: idSchema,
  name: nameSchema,
  flour: flourKindSchema,
  hydration: z.number(),
  keepMinimumGrams: z.number(),
  /** From the ledger. */
  grams: z.number(),
  placeId: idSchema,
  version: versionSchema,
  /** What is in it now. */
  line: lineSchema
})
export type Jar = z.infer<typeof jarSchema>

/** A feed: all but `keepGrams` goes to the discard pot, then flour and water go in. */
export const feedSchema = z.object({
  ...noted,
  keepGrams: gramsSchema('What is kept'),
  flourGrams: numberIn([1, 20_000], 'Flour', 'g'),
  waterGrams: numberIn([1, 20_000], 'Water', 'g'),
  mixTempC: tempSchema('The mix'),
  placeId: idSchema
})
export type Feed = z.input<typeof feedSchema>

/** One weighing corrects what the ledger believes is in a jar. */
export const weighingSchema = z.object({ ...noted, grams: numberIn([0, 20_000], 'What is in the jar', 'g') })
export type Weighing = z.input<typeof weighingSchema>

/** Takes the last feed back. */
export const undoSchema = z.object({ ...noted, undoes: idSchema })
export type Undo = z.input<typeof undoSchema>
