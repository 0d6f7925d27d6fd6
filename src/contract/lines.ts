import { z } from 'zod'
import { type BatchLine, FLOUR_KINDS, type FlourKind, SURROUNDINGS, type Surroundings, VESSEL_MATERIALS, type VesselMaterial } from '../core'
import { isoOf, isoSchema, msOf } from './common'

export const flourKindSchema = z.enum(FLOUR_KINDS, { error: 'This kind of flour is not known.' })
const floursSchema = z.partialRecord(flourKindSchema, z.number().min(0))

/** A stay on the wire. */
export interface WireStay {
  from: string
  tempC: number
  surroundings?: Surroundings
  swing?: { swingK: number; warmestAt: string }
  readings?: { at: string; tempC: number }[]
}
export const materialSchema = z.enum(VESSEL_MATERIALS)
export const surroundingsSchema = z.enum(SURROUNDINGS)
/** Most readings of one stay on the wire; they are thinned before. */
export const MOST_READINGS = 600
const staySchema = z.object({
  from: isoSchema,
  tempC: z.number(),
  surroundings: surroundingsSchema.optional(),
  swing: z.object({ swingK: z.number(), warmestAt: isoSchema }).optional(),
  readings: z
    .array(z.object({ at: isoSchema, tempC: z.number() }))
    .max(MOST_READINGS)
    .optional()
})

/** A batch on the wire; parents to a depth the server chooses. */
export interface WireLine {
  startedAt: string
  flours: Partial<Record<FlourKind, number>>
  own?: { pace: number; hold: number }
  additions?: { yeastGrams: number; sugarGrams: number; fatGrams: number }
  dried?: boolean
  waterGrams: number
  saltGrams: number
  mixTempC: number
  stays: WireStay[]
  material?: VesselMaterial
  parents: { grams: number; hydration: number; flour: FlourKind; line: WireLine | null }[]
}
/** Feeds that are followed back on the wire; level by level, so that no nesting can be deeper. */
const MOST_GENERATIONS = 8
function lineAt(generation: number): z.ZodType<WireLine, WireLine> {
  return z.object({
    startedAt: isoSchema,
    flours: floursSchema,
    own: z.object({ pace: z.number(), hold: z.number() }).optional(),
    additions: z.object({ yeastGrams: z.number(), sugarGrams: z.number(), fatGrams: z.number() }).optional(),
    dried: z.boolean().optional(),
    waterGrams: z.number(),
    saltGrams: z.number(),
    mixTempC: z.number(),
    stays: z.array(staySchema).min(1),
    material: materialSchema.optional(),
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

/** From the wire to what the core takes. */
function lineFromWire(line: WireLine): BatchLine {
  return {
    startedAtMs: msOf(line.startedAt),
    flours: line.flours,
    own: line.own,
    additions: line.additions,
    dried: line.dried,
    waterGrams: line.waterGrams,
    saltGrams: line.saltGrams,
    mixTempC: line.mixTempC,
    stays: line.stays.map(({ from, swing, readings, ...stay }) => ({
      ...stay,
      fromMs: msOf(from),
      swing: swing === undefined ? undefined : { swingK: swing.swingK, warmestMs: msOf(swing.warmestAt) },
      readings: readings?.map((r) => ({ ms: msOf(r.at), tempC: r.tempC }))
    })),
    material: line.material,
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : lineFromWire(p.line) }))
  }
}

/** From the core to the wire. */
export function lineToWire(line: BatchLine): WireLine {
  return {
    startedAt: isoOf(line.startedAtMs),
    flours: { ...line.flours },
    own: line.own,
    additions: line.additions,
    dried: line.dried,
    waterGrams: line.waterGrams,
    saltGrams: line.saltGrams,
    mixTempC: line.mixTempC,
    stays: line.stays.map(({ fromMs, swing, readings, ...stay }) => ({
      ...stay,
      from: isoOf(fromMs),
      swing: swing === undefined ? undefined : { swingK: swing.swingK, warmestAt: isoOf(swing.warmestMs) },
      readings: readings?.map((r) => ({ at: isoOf(r.ms), tempC: r.tempC }))
    })),
    material: line.material,
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : lineToWire(p.line) }))
  }
}

/** The same as it stands on the wire, for what is kept and never read again. */
export const wireLineSchema = lineAt(MOST_GENERATIONS)
/** A batch with its parents: written out on the wire, as the core takes it for everyone behind it. */
export const lineSchema = z.codec(wireLineSchema, z.custom<BatchLine>(), { decode: lineFromWire, encode: lineToWire })
