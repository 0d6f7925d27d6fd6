import { z } from 'zod'
import { POSSIBLE } from '../core'
import { idSchema, instantSchema, nameSchema, numberIn } from './common'

/** What a device measures: grams, °C in a dough or a jar, millimetres of level, °C of a place, pH. */
export const DEVICE_KINDS = ['scale', 'probe', 'level', 'room', 'pH meter'] as const
export type DeviceKind = (typeof DEVICE_KINDS)[number]

/** What is possible for each kind, in g, °C, mm, °C, pH. */
export const DEVICE_RANGE: Readonly<Record<DeviceKind, readonly [low: number, high: number]>> = {
  scale: [-50_000, 50_000],
  probe: [-30, 300],
  level: [0, 600],
  room: [-30, 60],
  'pH meter': [0, 14]
}

/** A device of the kitchen. */
export const deviceSchema = z.object({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(DEVICE_KINDS),
  /** A stand-in that ships with Olvent. */
  simulated: z.boolean(),
  /** Where a room sensor hangs. */
  placeId: idSchema.nullable(),
  /** Smallest step it shows, in its unit. */
  resolution: z.number().positive(),
  seenAt: instantSchema.nullable()
})
export type Device = z.infer<typeof deviceSchema>
export type WireDevice = z.input<typeof deviceSchema>
export const devicesSchema = z.object({ devices: z.array(deviceSchema) })

/** A real device that is to push its readings. */
export const devicePostSchema = z
  .object({
    id: idSchema,
    name: nameSchema,
    kind: z.enum(DEVICE_KINDS),
    placeId: idSchema.nullable().default(null),
    resolution: numberIn([0.01, 10], 'The smallest step').default(1)
  })
  .refine((d) => d.kind !== 'room' || d.placeId !== null, { error: 'Say where the room sensor hangs.', path: ['placeId'] })
export type NewDevice = z.input<typeof devicePostSchema>
/** The answer to a new one: all of them, and the token that is told this once. */
export const deviceMadeSchema = devicesSchema.extend({ token: z.string() })

/** Readings as a device pushes them, with `Authorization: Bearer <token>`; without a time they are of now. */
export const devicePushSchema = z.object({
  readings: z
    .array(z.object({ at: instantSchema.optional(), value: z.number({ error: 'A reading is a number.' }), battery: z.number().min(0).max(1).optional() }))
    .min(1, { error: 'There is no reading in it.' })
    .max(600, { error: 'At most 600 readings go in at once.' })
})

const grams = numberIn([-20_000, 20_000], 'The mass', 'g')
/** What the panel does to the stand-ins. */
export const deviceDeedSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('pour'), grams, gramsPerSecond: numberIn([1, 500], 'The pace', 'g/s').optional() }),
  z.object({ do: z.literal('put'), grams }),
  z.object({ do: z.literal('lift') }),
  z.object({ do: z.literal('tare') }),
  z.object({ do: z.literal('battery'), share: z.number().min(0).max(1) }),
  z.object({ do: z.literal('warm'), tempC: numberIn([-20, 60], 'The temperature', '°C') }),
  z.object({ do: z.literal('dip'), tempC: numberIn([-20, 120], 'The temperature', '°C') }),
  z.object({ do: z.literal('fill'), levelMm: numberIn([1, 300], 'The level', 'mm') }),
  z.object({ do: z.literal('immerse'), pH: numberIn(POSSIBLE.pH, 'The pH') })
])
export type DeviceDeed = z.infer<typeof deviceDeedSchema>

/** What comes over the live line: one reading, or that something has changed. */
export const liveSchema = z.discriminatedUnion('type', [
  z.object({
    type: z.literal('reading'),
    device: idSchema,
    kind: z.enum(DEVICE_KINDS),
    /** Server's time, ms. */
    ms: z.number(),
    value: z.number(),
    battery: z.number().nullable()
  }),
  z.object({
    type: z.literal('changed'),
    /** Path that was written to. */
    path: z.string(),
    /** The window that wrote. */
    window: z.string().nullable()
  })
])
export type Live = z.infer<typeof liveSchema>
export type LiveReading = Extract<Live, { type: 'reading' }>

/** Header that names the window a write comes from. */
export const WINDOW_HEADER = 'x-olvent-window'
/** Id of a write: sent twice, it counts once. */
export const WRITE_HEADER = 'x-olvent-write'
/** When an entry was noted that had to wait for the server, ISO 8601: it is believed against a clock that was set back. */
export const NOTED_HEADER = 'x-olvent-noted'
