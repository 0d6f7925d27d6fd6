import { z } from 'zod'
import { BAKE_STATUSES, EXPLANATIONS, HOTTEST_WATER_C, MIXED_AS, MOST_BOWLS, POKES, POSSIBLE, POUR_ITEMS, REPAIR_INTO, SCHOOLS, WEIGH_INTO } from '../core'
import { gramsSchema, idSchema, instantSchema, isoOf, momentSchema, nameSchema, noted, numberIn, tempSchema, versionSchema } from './common'
import { buildPlanSchema, formulaSchema, ingredientIdSchema, targetSchema } from './formulas'
import { lineSchema, lineToWire, wireLineSchema } from './lines'
import { pictureNameSchema } from './pictures'
import { signsSchema } from './signs'
import { ingredientSchema } from './stores'

/** A levain moves on to another place. */
export const moveSchema = z.object({ afterHours: numberIn([0, 96], 'Hours after mixing', 'h'), placeId: idSchema, tempC: tempSchema('The place') })
export type PlannedMove = z.infer<typeof moveSchema>

const proofSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('warm'), gas: numberIn([0.05, 2], 'Growth in the proof') }),
  z.object({ kind: z.literal('cold'), hours: numberIn([1, 96], 'Hours in the cold', 'h') })
])

/** The dough's own day, and where it stands. */
export const courseSchema = z.object({
  autolyseMinutes: numberIn([0, 480], 'The autolyse', 'min'),
  folds: z.number().int().min(0).max(12),
  foldEveryMinutes: numberIn([5, 240], 'The time between folds', 'min'),
  /** Where it goes on to while it rises, hours after the mix. */
  moves: z.array(moveSchema).max(3).readonly().default([]),
  /** null: as far as its proof wants. */
  bulkGas: numberIn([0.05, 2.5], 'The rise in bulk').nullable(),
  bulkStretch: numberIn([0.5, 2], 'The stretch of the bulk').default(1),
  proof: proofSchema,
  proofStretch: numberIn([0.5, 2], 'The stretch of the proof').default(1),
  preheatMinutes: numberIn([0, 180], 'Heating the oven', 'min'),
  bakeMinutes: numberIn([2, 300], 'The time in the oven', 'min'),
  loads: z.number().int().min(1).max(12),
  coolHours: numberIn([0, 48], 'Cooling', 'h'),
  placeId: idSchema,
  tempC: tempSchema('The place of the dough'),
  /** The dough when it is mixed. */
  mixTempC: tempSchema('The dough')
})
export type Course = z.infer<typeof courseSchema>

/** A feed or a build before the last build, settled when a plan was taken. */
export const stageBeforeSchema = z.object({
  id: z.string().max(20),
  kind: z.enum(['wake', 'first build']),
  at: instantSchema,
  seedGrams: gramsSchema('The seed'),
  flourGrams: gramsSchema('The flour'),
  waterGrams: gramsSchema('The water'),
  placeId: idSchema,
  tempC: tempSchema('The place')
})
export type StageBeforePlan = z.infer<typeof stageBeforeSchema>

/** When the bread is wanted. */
export const breadSchema = z.object({ kind: z.enum(['out', 'eat', 'mix']), at: instantSchema })
/** Steps that can be moved, and pinned so that they do not. */
export const MOVABLE_STEPS = ['build', 'mix', 'shape', 'bake'] as const
export type MovableStep = (typeof MOVABLE_STEPS)[number]

/** A wish: dough, levain and when. Shares are fractions. */
export const planSchema = z.object({
  name: nameSchema,
  target: targetSchema,
  formula: formulaSchema,
  build: buildPlanSchema,
  jarId: idSchema,
  placeId: idSchema,
  tempC: tempSchema('The place'),
  mixTempC: tempSchema('The fresh mix'),
  /** Where it is moved on to while it ripens, hours after mixing. */
  moves: z.array(moveSchema).max(3).default([]),
  school: z.enum(SCHOOLS),
  mixAt: momentSchema,
  /** When the build begins, where that was chosen; null: as the levain's fit moment wants it. */
  startAt: momentSchema.nullable().default(null),
  /** What the dough goes through after the mix; null: only the levain is planned. */
  course: courseSchema.nullable().default(null),
  before: z.array(stageBeforeSchema).max(4).default([]),
  /** When the bread is wanted; null: nobody said. */
  bread: breadSchema.nullable().default(null),
  /** Its levain comes out of the pot of another bake; null: it has its own. `jarId`, once it has been handed over: the jar that its own would come from. */
  levainFrom: z.object({ bakeId: idSchema, jarId: idSchema.optional() }).nullable().optional(),
  pins: z.array(z.enum(MOVABLE_STEPS)).max(4).default([])
})
export type Plan = z.infer<typeof planSchema>
export type WirePlan = z.input<typeof planSchema>

const quantilesSchema = z.array(z.number().nullable()).length(5)

/** A forecast or verdict as it stood on the screen when somebody acted on it. Hours since mixing, 5 25 50 75 95 %. */
export const shownSchema = z.object({
  modelVersion: z.string().max(40),
  inputs: wireLineSchema,
  theta: z.record(z.string(), z.number()),
  quantiles: z.object({ opens: quantilesSchema, peak: quantilesSchema, closes: quantilesSchema }),
  phase: z.string().max(40).optional(),
  /** Whether the forecast held against the last look; so, when left out. */
  holds: z.boolean().optional(),
  probability: z.number().min(0).max(1).optional(),
  advice: z.string().max(40).optional(),
  /** The day as it was planned: what moved since is told against it. */
  steps: z
    .array(z.object({ id: z.string().max(80), at: instantSchema }))
    .max(40)
    .optional()
})
/** The same as the window sends it. */
export type Shown = z.input<typeof shownSchema>

/** Pours of this item that the sender knew of: another device may have been faster. */
const nthSchema = z.number().int().min(0).max(100).optional()
const markSchema = (what: string) => numberIn([1, 5], what).optional()

/** What happened to a bake. Kept for ever; corrected by a later entry. */
export const bakeEventSchema = z.discriminatedUnion('type', [
  z.object({
    ...noted,
    type: z.literal('pour'),
    item: z.enum(POUR_ITEMS),
    ingredientId: ingredientIdSchema.optional(),
    plannedGrams: gramsSchema('The planned mass'),
    weighedGrams: numberIn([0.1, 50_000], 'What was weighed', 'g'),
    nth: nthSchema
  }),
  z.object({
    ...noted,
    type: z.literal('weigh'),
    into: z.enum(WEIGH_INTO),
    key: z.string().max(120),
    lineId: z.string().max(80).optional(),
    ingredientId: ingredientIdSchema.optional(),
    bowls: z.number().int().min(1).max(MOST_BOWLS).default(1),
    plannedGrams: gramsSchema('The planned mass'),
    weighedGrams: numberIn([0.1, 50_000], 'What was weighed', 'g'),
    nth: nthSchema
  }),
  z.object({ ...noted, type: z.literal('repair'), into: z.enum(REPAIR_INTO), targets: z.record(z.string().max(120), gramsSchema('What it is to hold')) }),
  z.object({
    ...noted,
    type: z.literal('measured'),
    into: z.enum(REPAIR_INTO),
    lineId: z.string().max(80).optional(),
    flourC: tempSchema('The flour').optional(),
    cultureC: tempSchema('The starter or levain').optional(),
    waterC: numberIn([0, HOTTEST_WATER_C], 'The water', '°C').optional()
  }),
  z.object({
    ...noted,
    type: z.literal('band'),
    mixTempC: tempSchema('The mix'),
    /** Above the bottom of the jar. */
    levelMm: numberIn([1, 400], 'The level', 'mm').optional(),
    shown: shownSchema.optional()
  }),
  z.object({
    ...noted,
    type: z.literal('mark'),
    rise: numberIn(POSSIBLE.rise, 'The rise').optional(),
    pH: numberIn(POSSIBLE.pH, 'The pH').optional(),
    signs: signsSchema,
    note: z.string().max(500).optional(),
    picture: pictureNameSchema.optional()
  }),
  z.object({ ...noted, type: z.literal('explained'), look: idSchema, as: z.enum(EXPLANATIONS) }),
  z.object({ ...noted, type: z.literal('moved'), placeId: idSchema, tempC: tempSchema('The place') }),
  z.object({
    ...noted,
    type: z.literal('mixed'),
    levainGrams: gramsSchema('Levain in the dough'),
    keepBackGrams: gramsSchema('What goes back to the jar'),
    /** It is kept apart, as old levain in a jar of its own. */
    keepAs: z.object({ jarId: idSchema, name: nameSchema, placeId: idSchema }).optional(),
    /** Of the dough, as measured. */
    mixTempC: tempSchema('The dough').optional(),
    /** How the levain was then, by eye. */
    was: z.enum(MIXED_AS).optional(),
    shown: shownSchema.optional()
  }),
  z.object({
    ...noted,
    type: z.literal('fed again'),
    /** What it is called among the stages before the levain. */
    stage: z.string().regex(/^fed again( \d)?$/),
    flourPerSeed: numberIn(POSSIBLE.flourPerSeed, 'Parts of flour to one of starter'),
    /** When the dough is mixed with the next one. */
    mixAt: momentSchema
  }),
  z.object({ ...noted, type: z.literal('begun'), step: z.string().max(80) }),
  z.object({ ...noted, type: z.literal('step'), step: z.string().max(80), did: z.enum(['done', 'skipped']) }),
  z.object({
    ...noted,
    type: z.literal('dough'),
    tempC: tempSchema('The dough').optional(),
    rise: numberIn(POSSIBLE.rise, 'The rise').optional(),
    sampleRise: numberIn(POSSIBLE.rise, 'The rise of the sample').optional(),
    poke: z.enum(POKES).optional(),
    pH: numberIn(POSSIBLE.pH, 'The pH').optional(),
    coreTempC: numberIn([0, 130], 'The middle of the bread', '°C').optional()
  }),
  z.object({
    ...noted,
    type: z.literal('outcome'),
    rise: markSchema('The rise'),
    crumb: markSchema('The crumb'),
    taste: markSchema('The taste'),
    note: z.string().max(1000).optional(),
    picture: pictureNameSchema.optional()
  }),
  z.object({
    ...noted,
    type: z.literal('undo'),
    undoes: idSchema,
    /** What stands on it goes with it. */
    withAll: z.boolean().optional()
  })
])
export type BakeEvent = z.infer<typeof bakeEventSchema>
/** Kinds of events. */
const BAKE_EVENTS = bakeEventSchema.options.map((option) => option.shape.type.value)
/** An event as it is noted and sent. */
export type NewBakeEvent = z.input<typeof bakeEventSchema>

/** What happened, before it has an id and a moment. */
export type Happening = WithoutMoment<NewBakeEvent>
type WithoutMoment<Event> = Event extends unknown ? Omit<Event, 'id' | 'happenedAt'> : never

/** What happened, as it is sent: with its id and its moment, ms. */
export const newEvent = (what: Happening, id: string, ms: number): NewBakeEvent => ({ ...what, id, happenedAt: isoOf(ms) })

/**
 * A plan and an event as they were kept. Whoever wrote them checked them by the ranges of their day; what has been kept is read whatever ranges hold
 * today, so that a range tightened later never closes an old kitchen. Only what came in later gets its default.
 */
const keptStageSchema = z.looseObject({ at: instantSchema })
export const keptPlanSchema = z.looseObject({
  mixAt: instantSchema,
  startAt: instantSchema.nullable().default(null),
  moves: z.array(z.unknown()).default([]),
  course: z
    .looseObject({ bulkStretch: z.number().default(1), proofStretch: z.number().default(1) })
    .nullable()
    .default(null),
  before: z.array(keptStageSchema).default([]),
  bread: z.looseObject({ at: instantSchema }).nullable().default(null),
  pins: z.array(z.unknown()).default([])
}) as unknown as z.ZodType<Plan, z.input<typeof planSchema>>
export const keptBakeEventSchema = z.looseObject({
  type: z.enum(BAKE_EVENTS),
  happenedAt: instantSchema,
  source: z.string().default('typed'),
  shown: z.looseObject({ steps: z.array(z.looseObject({ at: instantSchema })).optional() }).optional()
}) as unknown as z.ZodType<BakeEvent, z.input<typeof bakeEventSchema>>

/** A bake with all that happened to it. */
export const bakeSchema = z.object({
  id: idSchema,
  version: versionSchema,
  plan: keptPlanSchema,
  status: z.enum(BAKE_STATUSES),
  events: z.array(keptBakeEventSchema),
  /** What its ingredients were when it was started; empty while it is planned. */
  ingredients: z.array(ingredientSchema),
  /** The levain as it was really mixed; null until the band is set. */
  line: lineSchema.nullable(),
  createdAt: instantSchema,
  deletedAt: instantSchema.nullable()
})
export type BakeRecord = z.infer<typeof bakeSchema>
export type WireBake = z.input<typeof bakeSchema>

/** A plan as it is sent and kept. */
export function planToWire(plan: Plan): WirePlan {
  const { mixAt, startAt, before, bread } = plan
  return {
    ...plan,
    mixAt: isoOf(mixAt),
    startAt: startAt === null ? null : isoOf(startAt),
    before: before.map((stage) => ({ ...stage, at: isoOf(stage.at) })),
    bread: bread === null ? null : { ...bread, at: isoOf(bread.at) }
  }
}

/** An event as it is kept and told. */
export function eventToWire(event: BakeEvent): NewBakeEvent {
  const told = { ...event, happenedAt: isoOf(event.happenedAt) }
  if (!('shown' in event) || event.shown?.steps === undefined) return told as NewBakeEvent
  return { ...told, shown: { ...event.shown, steps: event.shown.steps.map((step) => ({ ...step, at: isoOf(step.at) })) } } as NewBakeEvent
}

/** A bake as it is told. */
export function bakeToWire(bake: BakeRecord): WireBake {
  const { id, version, plan, status, events, ingredients, line, createdAt, deletedAt } = bake
  return {
    id,
    version,
    plan: planToWire(plan),
    status,
    events: events.map(eventToWire),
    ingredients,
    line: line === null ? null : lineToWire(line),
    createdAt: isoOf(createdAt),
    deletedAt: deletedAt === null ? null : isoOf(deletedAt)
  }
}

export const bakePostSchema = z.object({ id: idSchema, plan: planSchema })
export const bakePutSchema = z.object({ version: versionSchema, plan: planSchema })

/** A page of bakes, newest first. */
export const bakePageSchema = z.object({ bakes: z.array(bakeSchema), total: z.number() })
export const bakeQuerySchema = z.object({
  state: z.enum(['open', 'done', 'deleted']).default('open'),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(100).default(50)
})
