import { z } from 'zod'
import {
  type BatchLine,
  type BuildLog,
  CULTURES,
  FLOUR_KINDS,
  type FlourKind,
  type JarParameters,
  observationsOf,
  PARAMETERS,
  POSSIBLE,
  SURROUNDINGS,
  type Surroundings,
  VESSEL_MATERIALS,
  type VesselMaterial,
  vesselOf
} from '../core'
import { gramsSchema, idSchema, instantSchema, nameSchema, noted, numberIn, shareIn, tempSchema, versionSchema } from './common'
import { blendSchema, ingredientIdSchema } from './formulas'
import { signsSchema } from './signs'

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
  from: instantSchema,
  tempC: z.number(),
  surroundings: surroundingsSchema.optional(),
  swing: z.object({ swingK: z.number(), warmestAt: instantSchema }).optional(),
  readings: z
    .array(z.object({ at: instantSchema, tempC: z.number() }))
    .max(MOST_READINGS)
    .optional()
})

/** A batch on the wire; parents to a depth the server chooses. */
export interface WireLine {
  startedAt: string
  flours: Partial<Record<FlourKind, number>>
  own?: { pace: number; hold: number }
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
function lineAt(generation: number): z.ZodType<WireLine> {
  return z.object({
    startedAt: instantSchema,
    flours: floursSchema,
    own: z.object({ pace: z.number(), hold: z.number() }).optional(),
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
export const lineSchema = lineAt(MOST_GENERATIONS)

/** From the wire to what the core takes. */
export function lineFromWire(line: WireLine): BatchLine {
  return {
    startedAtMs: Date.parse(line.startedAt),
    flours: line.flours,
    own: line.own,
    dried: line.dried,
    waterGrams: line.waterGrams,
    saltGrams: line.saltGrams,
    mixTempC: line.mixTempC,
    stays: line.stays.map(({ from, swing, readings, ...stay }) => ({
      ...stay,
      fromMs: Date.parse(from),
      swing: swing === undefined ? undefined : { swingK: swing.swingK, warmestMs: Date.parse(swing.warmestAt) },
      readings: readings?.map((r) => ({ ms: Date.parse(r.at), tempC: r.tempC }))
    })),
    material: line.material,
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : lineFromWire(p.line) }))
  }
}

const iso = (ms: number) => new Date(ms).toISOString()

/** From the core to the wire. */
export function lineToWire(line: BatchLine): WireLine {
  return {
    startedAt: new Date(line.startedAtMs).toISOString(),
    flours: { ...line.flours },
    own: line.own,
    dried: line.dried,
    waterGrams: line.waterGrams,
    saltGrams: line.saltGrams,
    mixTempC: line.mixTempC,
    stays: line.stays.map(({ fromMs, swing, readings, ...stay }) => ({
      ...stay,
      from: iso(fromMs),
      swing: swing === undefined ? undefined : { swingK: swing.swingK, warmestAt: iso(swing.warmestMs) },
      readings: readings?.map((r) => ({ at: iso(r.ms), tempC: r.tempC }))
    })),
    material: line.material,
    parents: line.parents.map((p) => ({ ...p, line: p.line === null ? null : lineToWire(p.line) }))
  }
}

export const cultureSchema = z.enum(CULTURES, { error: 'This kind of culture is not known.' })

/** A jar that comes into the kitchen. */
export const jarOpeningSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** What its flour and water make it where it is not said. */
  culture: cultureSchema.optional(),
  flour: flourKindSchema,
  /** Just mixed of flour and water: a culture that is to come. */
  begun: z.boolean().default(false),
  vesselId: idSchema.nullable().default(null),
  /** Dried flakes have next to none. */
  hydration: shareIn([0.05, POSSIBLE.levainHydration[1]], 'Hydration'),
  grams: numberIn([1, 20_000], 'What is in the jar', 'g'),
  keepMinimumGrams: gramsSchema('The least to keep').default(15),
  lastFedAt: instantSchema,
  placeId: idSchema
})
export type JarOpening = z.input<typeof jarOpeningSchema>

/** A factor of a jar on a typical one. */
const factorSchema = z.number().min(0.05).max(20)
const parametersSchema = z.object(Object.fromEntries(PARAMETERS.map((name) => [name, factorSchema])) as Record<keyof JarParameters, typeof factorSchema>)

/** Where the pace of a jar comes from: learned from its log (from an instant on, when it was begun anew), or pinned by its baker. */
export const jarPaceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('learned'), since: instantSchema.nullable() }),
  z.object({ kind: z.literal('pinned'), parameters: parametersSchema })
])
export type JarPace = z.infer<typeof jarPaceSchema>
export const jarPacePutSchema = z.object({ ...noted, pace: jarPaceSchema })

/** Flours of a feed, g each. */
const fedFloursSchema = z
  .array(z.object({ ingredientId: ingredientIdSchema, grams: numberIn([0.1, 20_000], 'Flour', 'g') }))
  .min(1, { error: 'A feed needs some flour.' })
  .max(10)

/** The stamp of a jar without a log. */
export const NO_LOG = 'none'

/** What of a jar its baker may change at any time. */
export const jarEditSchema = z.object({
  name: nameSchema,
  culture: cultureSchema,
  flour: flourKindSchema,
  /** What it is fed. */
  feed: blendSchema,
  vesselId: idSchema.nullable(),
  keepMinimumGrams: gramsSchema('The least to keep')
})
export type JarEdit = z.infer<typeof jarEditSchema>
export const jarPutSchema = z.object({ version: versionSchema, jar: jarEditSchema })

/** A jar as the kitchen knows it. */
export const jarSchema = z.object({
  id: idSchema,
  name: nameSchema,
  culture: cultureSchema,
  flour: flourKindSchema,
  feed: blendSchema,
  vesselId: idSchema.nullable(),
  /** The jar it was taken from. */
  originId: idSchema.nullable(),
  /** Its last feed and how often it is fed, as far as that is known. */
  lastFeed: z
    .object({ at: instantSchema, keepGrams: z.number(), flours: fedFloursSchema, waterGrams: z.number(), everyHours: z.number().nullable() })
    .nullable(),
  /** The program it is in. */
  program: z.object({ id: idSchema, title: z.string(), step: z.string(), dueAt: instantSchema }).nullable(),
  hydration: z.number(),
  keepMinimumGrams: z.number(),
  /** From the ledger. */
  grams: z.number(),
  placeId: idSchema,
  version: versionSchema,
  pace: jarPaceSchema,
  /** Changes whenever its log does: what was learned under another stamp no longer holds. */
  logStamp: z.string(),
  /** What is in it now. */
  line: lineSchema
})
export type Jar = z.infer<typeof jarSchema>

/** Where a fed jar goes once it has started to work, and after how long, h. */
const laterSchema = z.object({ placeId: idSchema, afterHours: numberIn([0, 72], 'Time until it is moved', 'h') })

/** A feed: crust and slime are cut away, all but `keepGrams` goes to the discard pot, then flour and water go in. */
export const feedSchema = z.object({
  ...noted,
  keepGrams: gramsSchema('What is kept'),
  trimGrams: gramsSchema('What is cut away').default(0),
  flours: fedFloursSchema,
  waterGrams: numberIn([1, 20_000], 'Water', 'g'),
  mixTempC: tempSchema('The mix'),
  placeId: idSchema,
  later: laterSchema.nullable().default(null),
  /** It stands in water. */
  underWater: z.boolean().default(false),
  /** The vessel it goes into; the one it was in when left out. */
  vesselId: idSchema.nullable().optional()
})
export type Feed = z.input<typeof feedSchema>

/** One weighing corrects what the ledger believes is in a jar. */
export const weighingSchema = z.object({ ...noted, grams: numberIn([0, 20_000], 'What is in the jar', 'g') })
export type Weighing = z.input<typeof weighingSchema>

/** A jar goes to another place. */
export const jarMoveSchema = z.object({ ...noted, placeId: idSchema })

/** Some of a jar goes into a new one: a spare, or one for a friend. */
export const jarSplitSchema = z.object({
  ...noted,
  /** Of the new jar. */
  jarId: idSchema,
  name: nameSchema,
  grams: numberIn([1, 20_000], 'What goes into the new jar', 'g'),
  placeId: idSchema,
  /** As it is; spread out to dry; or flakes that are woken. */
  as: z.enum(['alike', 'dried', 'woken']).default('alike')
})
export type JarSplit = z.input<typeof jarSplitSchema>

/** A look at a jar: how high it stands, what it looks like. */
export const jarLookSchema = z.object({ ...noted, rise: numberIn(POSSIBLE.rise, 'The rise').optional(), signs: signsSchema })
export type JarLook = z.input<typeof jarLookSchema>

/** A jar that is no more. */
export const jarEndSchema = z.object({ ...noted, why: z.enum(['spoiled', 'not wanted', 'given away']) })
export type JarEnd = z.input<typeof jarEndSchema>

/** Something that happened to a jar, as its history tells it. */
export const jarEventSchema = z.object({
  id: idSchema,
  at: instantSchema,
  type: z.enum(['opened', 'feed', 'weighing', 'moved', 'split', 'pace', 'look', 'ended']),
  /** It was taken back later. */
  undone: z.boolean(),
  /** What it weighed, or held when it came. */
  grams: z.number().nullable(),
  keepGrams: z.number().nullable(),
  flourGrams: z.number().nullable(),
  waterGrams: z.number().nullable(),
  /** Height ÷ height after the feed, of a look. */
  rise: z.number().nullable(),
  placeName: z.string().nullable()
})
export type JarEvent = z.infer<typeof jarEventSchema>
/** One page of a jar's history, newest first; `next` asks for the one after. */
export const jarHistorySchema = z.object({ events: z.array(jarEventSchema), next: z.number().nullable() })
export const jarHistoryQuerySchema = z.object({
  before: z.coerce.number().int().optional(),
  limit: z.coerce.number().int().min(1).max(100).default(20)
})

/** Takes the last feed, move or split back. */
export const undoSchema = z.object({ ...noted, undoes: idSchema })
export type Undo = z.input<typeof undoSchema>

/** One finished build of a jar, as learning takes it. */
export const loggedBuildSchema = z.object({
  /** Of the levain, or of the feed that was looked at. */
  batchId: idSchema,
  name: z.string(),
  /** A levain that was mixed, or a feed that was looked at. */
  kind: z.enum(['levain', 'feed']),
  line: lineSchema,
  marks: z.array(z.object({ at: instantSchema, rise: z.number().optional(), signs: signsSchema })),
  mixedAt: instantSchema
})
export type JarBuild = z.infer<typeof loggedBuildSchema>
/** The log of a jar, oldest build first. */
export const jarLogSchema = z.object({ builds: z.array(loggedBuildSchema) })

const MS_PER_HOUR = 3_600_000
/** A logged build as learning takes it. */
export function buildLogOf({ line, marks }: JarBuild): BuildLog {
  const batch = lineFromWire(line)
  const seen = marks.map(({ at, rise, signs }) => ({ hours: Math.max((Date.parse(at) - batch.startedAtMs) / MS_PER_HOUR, 0), rise, signs }))
  return { vessel: vesselOf(batch), seen: observationsOf(seen) }
}
