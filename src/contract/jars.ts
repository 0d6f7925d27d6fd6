import { z } from 'zod'
import { CULTURES, EXPLANATIONS, MIXED_AS, PARAMETERS, POSSIBLE, recordOf } from '../core'
import { gramsSchema, idSchema, instantSchema, isoOf, nameSchema, noted, numberIn, shareIn, tempSchema, versionSchema } from './common'
import { blendSchema, ingredientIdSchema } from './formulas'
import { flourKindSchema, lineSchema, lineToWire } from './lines'
import { signsSchema } from './signs'

export const cultureSchema = z.enum(CULTURES, { error: 'This kind of culture is not known.' })

/** What of a jar may be a guess: its baker did not know it, and what is usual stands for it until it is known. */
export const GUESSES = ['grams', 'hydration', 'lastFedAt'] as const
export type Guess = (typeof GUESSES)[number]

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
  /** Fresh flour per gram kept at that feed; null: nobody knows. */
  flourPerSeed: numberIn(POSSIBLE.flourPerSeed, 'Flour per starter').nullable().default(null),
  guesses: z.array(z.enum(GUESSES)).max(GUESSES.length).default([]),
  placeId: idSchema
})
export type JarOpening = z.input<typeof jarOpeningSchema>

/** What a jar was told to be when it came: all of it can be corrected, and what was made from it follows. */
export const jarToldSchema = jarOpeningSchema.omit({ id: true, name: true, vesselId: true, keepMinimumGrams: true })
export type JarTold = z.infer<typeof jarToldSchema>
/** The same as it is sent. */
export const toldToWire = (told: JarTold): z.input<typeof jarToldSchema> => ({ ...told, lastFedAt: isoOf(told.lastFedAt) })
export const jarToldAnswerSchema = z.object({ told: jarToldSchema })
/** A correction of it. */
export const jarCorrectionSchema = z.object({ ...noted, told: jarToldSchema })

/** A factor of a jar on a typical one. */
const factorSchema = z.number().min(0.05).max(20)
/** What a jar is believed to be, each a factor on what is usual. */
export const parametersSchema = z.object(recordOf(PARAMETERS, () => factorSchema))

/** Where the pace of a jar comes from: learned from its log (from an instant on, when it was begun anew), or pinned by its baker. */
export const jarPaceSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('learned'), since: instantSchema.nullable() }),
  z.object({ kind: z.literal('pinned'), parameters: parametersSchema })
])
export type JarPace = z.infer<typeof jarPaceSchema>
/** A pace as it is sent and kept. */
export const paceToWire = (pace: JarPace): z.input<typeof jarPaceSchema> =>
  pace.kind === 'pinned' ? pace : { ...pace, since: pace.since === null ? null : isoOf(pace.since) }
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
  /** Begun from flour and water, and not seen risen after two feeds yet: nobody can tell when it will be ripe. */
  young: z.boolean(),
  /** The program it is in. */
  program: z.object({ id: idSchema, title: z.string(), step: z.string(), dueAt: instantSchema }).nullable(),
  hydration: z.number(),
  /** What of it is still a guess. */
  guesses: z.array(z.enum(GUESSES)),
  keepMinimumGrams: z.number(),
  /** From the ledger. */
  grams: z.number(),
  /** Where it stands in the end. */
  placeId: idSchema,
  /** Where what is in it has stood, stands, and is to go on to, in the order of time. */
  stays: z.array(z.object({ placeId: idSchema, from: instantSchema })),
  /** Looks at what is in it, in the order of time. */
  looks: z.array(
    z.object({
      id: idSchema,
      at: instantSchema,
      rise: z.number().optional(),
      pH: z.number().optional(),
      signs: signsSchema,
      explained: z.enum(EXPLANATIONS).optional()
    })
  ),
  /** When somebody last said where it stands: what its stays say of later is planned, and nobody has said yet that it was done. */
  placeToldAt: instantSchema,
  /** Its feed was put off until then; null: it was not, or it was fed since. */
  putOffUntil: instantSchema.nullable(),
  version: versionSchema,
  pace: jarPaceSchema,
  /** Changes whenever its log does: what was learned under another stamp no longer holds. */
  logStamp: z.string(),
  /** What is in it now. */
  line: lineSchema
})
export type Jar = z.infer<typeof jarSchema>

/** All jars, by name. */
export const jarsSchema = z.object({ jars: z.array(jarSchema) })

/** A jar as it is told. */
export function jarToWire(jar: Jar): z.input<typeof jarSchema> {
  const { lastFeed, program, pace, line, stays, looks } = jar
  return {
    ...jar,
    lastFeed: lastFeed === null ? null : { ...lastFeed, at: isoOf(lastFeed.at) },
    program: program === null ? null : { ...program, dueAt: isoOf(program.dueAt) },
    pace: paceToWire(pace),
    stays: stays.map((stay) => ({ ...stay, from: isoOf(stay.from) })),
    looks: looks.map((look) => ({ ...look, at: isoOf(look.at) })),
    placeToldAt: isoOf(jar.placeToldAt),
    putOffUntil: jar.putOffUntil === null ? null : isoOf(jar.putOffUntil),
    line: lineToWire(line)
  }
}

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

/** A jar goes to another place; `planned`: it is to go there then, and is asked for. */
export const jarMoveSchema = z.object({ ...noted, placeId: idSchema, planned: z.boolean().optional() })

/** The feed of a jar is put off: it is asked for again then. */
export const jarPutOffSchema = z.object({ ...noted, until: instantSchema })

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

/** A look at a jar: how high it stands, what it looks like, its pH by a meter. */
export const jarLookSchema = z.object({
  ...noted,
  rise: numberIn(POSSIBLE.rise, 'The rise').optional(),
  pH: numberIn(POSSIBLE.pH, 'The pH').optional(),
  signs: signsSchema,
  /** What its baker said of a level that does not fit. */
  explained: z.enum(EXPLANATIONS).optional()
})
export type JarLook = z.input<typeof jarLookSchema>

/** A jar that is no more. */
export const jarEndSchema = z.object({ ...noted, why: z.enum(['spoiled', 'not wanted', 'given away']) })
export type JarEnd = z.input<typeof jarEndSchema>

/** Something that happened to a jar, as its history tells it. */
export const jarEventSchema = z.object({
  id: idSchema,
  at: instantSchema,
  type: z.enum(['opened', 'feed', 'weighing', 'moved', 'planned move', 'put off', 'split', 'pace', 'look', 'ended', 'corrected', 'drawn', 'returned']),
  /** It was taken back later. */
  undone: z.boolean(),
  /** What it weighed, or held when it came. */
  grams: z.number().nullable(),
  keepGrams: z.number().nullable(),
  flourGrams: z.number().nullable(),
  waterGrams: z.number().nullable(),
  /** Height ÷ height after the feed, of a look. */
  rise: z.number().nullable(),
  /** By a meter, of a look. */
  pH: z.number().nullable(),
  placeName: z.string().nullable(),
  /** Until when its feed was put off. */
  until: instantSchema.nullable(),
  /** The bake it went into, or came back from. */
  bakeName: z.string().nullable()
})
export type JarEvent = z.infer<typeof jarEventSchema>
export type WireJarEvent = z.input<typeof jarEventSchema>
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
  marks: z.array(z.object({ at: instantSchema, rise: z.number().optional(), pH: z.number().optional(), signs: signsSchema })),
  mixedAt: instantSchema,
  /** How it was when it was mixed, by eye. */
  mixedAs: z.enum(MIXED_AS).optional(),
  /** How the bread rose, a mark from 1 to 5, where that was noted. */
  breadRise: z.number().optional(),
  /** The dough it went into, where a meter was put into that. */
  dough: z.object({ line: lineSchema, metered: z.array(z.object({ at: instantSchema, pH: z.number() })) }).optional()
})
export type JarBuild = z.infer<typeof loggedBuildSchema>
export type WireJarBuild = z.input<typeof loggedBuildSchema>
/** A logged build as it is told. */
export const buildToWire = (build: JarBuild): z.input<typeof loggedBuildSchema> => ({
  ...build,
  line: lineToWire(build.line),
  marks: build.marks.map((mark) => ({ ...mark, at: isoOf(mark.at) })),
  mixedAt: isoOf(build.mixedAt),
  dough:
    build.dough === undefined ? undefined : { line: lineToWire(build.dough.line), metered: build.dough.metered.map(({ at, pH }) => ({ at: isoOf(at), pH })) }
})
/** The log of a jar, oldest build first. */
export const jarLogSchema = z.object({ builds: z.array(loggedBuildSchema) })
