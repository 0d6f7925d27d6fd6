import { z } from 'zod'
import { BUSY_KINDS, MOST_WORK_MINUTES, PERCENTAGE_BASES, POSSIBLE, SCHOOLS, UNKNOWN_DOUGHS, WORK_STEPS } from '../core'
import { clockTimeSchema, idSchema, instantSchema, isoOf, LONGEST_NAME, nameSchema, numberIn, tempSchema, versionSchema } from './common'
import { jarOpeningSchema } from './jars'
import { surroundingsSchema } from './lines'
import { cupKindSchema } from './stores'

export const timeZoneSchema = z.string().refine(isTimeZone, { error: 'This time zone is not known. It looks like Europe/Lisbon.' })

function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return name.length > 0
  } catch {
    return false
  }
}

/** A place where jars stand. */
export const placeSchema = z.object({
  id: idSchema,
  name: nameSchema,
  /** By day, at its warmest. */
  tempC: tempSchema('The temperature'),
  /** Nobody has measured it, or said how warm it is: what is usual stands for it. */
  guessed: z.boolean().default(false),
  /** By night, at its coldest; null where it keeps one temperature. */
  nightTempC: tempSchema('The temperature by night').nullable().default(null),
  surroundings: surroundingsSchema.default('air'),
  /** How many levains and doughs find room there; null: as many as there are. */
  takes: z.number().int().min(1).max(20).nullable().default(null)
})
export type Place = z.infer<typeof placeSchema>

const busyKindSchema = z.enum(BUSY_KINDS)
/** A busy time every week, by the kitchen's clock. */
export const weeklySchema = z.object({
  id: idSchema,
  name: nameSchema,
  kind: busyKindSchema,
  days: z.array(z.number().int().min(1).max(7)).min(1, { error: 'Choose at least one day.' }).max(7),
  from: clockTimeSchema,
  to: clockTimeSchema
})
export type Weekly = z.infer<typeof weeklySchema>
/** A busy time once; `calendar`: the file it came from. */
export const onceSchema = z
  .object({ id: idSchema, name: nameSchema, kind: busyKindSchema, from: instantSchema, to: instantSchema, calendar: nameSchema.optional() })
  .refine(({ from, to }) => to > from, { error: 'It has to end after it begins.' })
export type Once = z.infer<typeof onceSchema>

/** What the baker may change of a kitchen. */
export const kitchenEditSchema = z.object({
  name: nameSchema,
  timeZone: timeZoneSchema,
  mass: z.enum(['g', 'oz']),
  temperature: z.enum(['°C', '°F']),
  clock: z.enum(['24 h', '12 h']),
  sleep: z.object({ from: clockTimeSchema, to: clockTimeSchema }),
  weekly: z.array(weeklySchema).max(40).default([]),
  once: z.array(onceSchema).max(500, { error: 'At most 500 single times can be kept.' }).default([]),
  school: z.enum(SCHOOLS),
  base: z.enum(PERCENTAGE_BASES),
  /** A second scale that shows 0.1 g. */
  smallScale: z.boolean(),
  tapTempC: tempSchema('The tap water'),
  /** What of a levain clings to jar and spoon, g; null: worked out. */
  sticksGrams: numberIn(POSSIBLE.sticksGrams, 'What sticks', 'g').nullable().default(null),
  /** Which cups and spoons are meant where a recipe measures by them. */
  cups: cupKindSchema,
  /** Hands-on minutes of what is done; left out: what is usual. */
  work: z.record(z.enum(WORK_STEPS), numberIn([0, MOST_WORK_MINUTES], 'The minutes of work', 'min')).optional(),
  /** ISO 4217, for prices. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, { error: 'A currency has three letters, like EUR.' })
    .default('EUR'),
  /** Single-key shortcuts on. */
  keys: z.boolean(),
  places: z.array(placeSchema).min(1, { error: 'A kitchen needs at least one place.' }).max(20)
})
export type KitchenEdit = z.infer<typeof kitchenEditSchema>

export const kitchenSchema = kitchenEditSchema.extend({
  id: idSchema,
  version: versionSchema,
  /** The made-up kitchen to try things in. */
  demo: z.boolean(),
  /** How fast its doughs go beside what is reckoned, as a logarithm with its doubt, and how many it was learned from. */
  doughs: z.object({ log: z.number(), sd: z.number(), doughs: z.number().int() }).default(UNKNOWN_DOUGHS),
  /** Hands-on minutes as they were seen, from steps marked begun and done; only those seen often enough. */
  workSeen: z.partialRecord(z.enum(WORK_STEPS), z.number()).default({})
})
export type Kitchen = z.infer<typeof kitchenSchema>
export type WireKitchen = z.input<typeof kitchenSchema>

/** Single times as they are sent and kept. */
export const onceToWire = (once: readonly Once[]): z.input<typeof onceSchema>[] => once.map((one) => ({ ...one, from: isoOf(one.from), to: isoOf(one.to) }))
/** A kitchen as it is sent or told. */
export const kitchenToWire = <Settings extends Pick<KitchenEdit, 'once'>>(kitchen: Settings) => ({ ...kitchen, once: onceToWire(kitchen.once) })

export const kitchenPutSchema = z.object({ version: versionSchema, kitchen: kitchenEditSchema })

/** The answers of the first run. */
export const firstRunSchema = z.object({
  id: idSchema,
  timeZone: timeZoneSchema,
  /** null: not known. */
  roomTempC: tempSchema('The room').nullable(),
  fridgeTempC: tempSchema('The fridge').nullable().default(null),
  sleep: z.object({ from: clockTimeSchema, to: clockTimeSchema }),
  /** Out of the house every week; null: not said. */
  out: weeklySchema.nullable().default(null),
  /** A place besides room and fridge where the jar stands. */
  elsewhere: z
    .object({ name: nameSchema, tempC: tempSchema('The place') })
    .nullable()
    .default(null),
  /** null: there is none yet. */
  jar: jarOpeningSchema
    .omit({ placeId: true })
    .extend({ stands: z.enum(['room', 'fridge', 'elsewhere']).default('room') })
    .nullable()
})
export type FirstRun = z.input<typeof firstRunSchema>

/** The kitchen, or that there is none yet. */
export const kitchenAnswerSchema = z.object({ kitchen: kitchenSchema.nullable() })

export const clockSchema = z.object({
  now: instantSchema,
  /** Stands still until moved: tests and pictures. */
  fixed: z.boolean(),
  /** When the newest entry was made. A clock well before that is set wrong, or was. */
  lastEntryAt: instantSchema.nullable()
})
export const clockMoveSchema = z.object({ now: instantSchema })

/** Temperatures measured at a place: one import, which can be taken back. */
export const readingsPostSchema = z.object({
  id: idSchema,
  /** The import it is a part of; left out: it is the whole of it. */
  importId: idSchema.optional(),
  /** Name of the file. */
  name: z.string().trim().max(LONGEST_NAME).default(''),
  readings: z
    .array(z.object({ at: instantSchema, tempC: numberIn([-30, 120], 'A reading', '°C') }))
    .min(1, { error: 'There are no readings in it.' })
    .max(20_000, { error: 'At most 20,000 readings go in at once. Thin them, or bring them in parts.' })
})
/** What is known of the temperature of a place. */
export const readingsSchema = z.object({
  count: z.number(),
  firstAt: instantSchema.nullable(),
  lastAt: instantSchema.nullable(),
  /** Logs that were brought in, newest first. */
  imports: z.array(z.object({ id: idSchema, name: z.string(), at: instantSchema, count: z.number(), takenBack: z.boolean() }))
})
export type PlaceReadings = z.infer<typeof readingsSchema>
