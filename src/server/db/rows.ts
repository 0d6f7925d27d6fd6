import type { Model } from 'sequelize'
import type { ChangedField, ChangedThing, DeviceKind, FormulaContent, jarPaceSchema, Kitchen, onceSchema, Weekly, Wire, WirePlan } from '../../contract'
import type {
  Additions,
  BlendPart,
  Culture,
  CupKind,
  DoughBelief,
  FlourKind,
  Ingredient,
  OwnTraits,
  PercentageBase,
  Program,
  School,
  Surroundings,
  VesselMaterial,
  Work
} from '../../core'

/** Settings of a kitchen kept as one document. */
export interface KitchenSettings {
  timeZone: string
  mass: 'g' | 'oz'
  temperature: '°C' | '°F'
  clock: '24 h' | '12 h'
  sleep: { from: string; to: string }
  weekly: Weekly[]
  once: Wire<typeof onceSchema>[]
  school: School
  base: PercentageBase
  smallScale: boolean
  tapTempC: number
  /** Left out by older versions: worked out. */
  sticksGrams?: number | null
  cups: CupKind
  /** Left out by older versions: what is usual. */
  work?: Work
  /** ISO 4217. */
  currency: string
  keys: boolean
}

export interface KitchenRow {
  id: string
  name: string
  demo: boolean
  settings: KitchenSettings
  doughs: DoughBelief | null
  workSeen: Kitchen['workSeen'] | null
  version: number
}
export interface PlaceRow {
  id: string
  kitchenId: string
  name: string
  tempC: number
  guessed: boolean
  nightTempC: number | null
  surroundings: Surroundings
  /** How many vessels find room; null: no limit. */
  takes: number | null
  position: number
  deletedAtMs: number | null
}
export interface JarRow {
  id: string
  kitchenId: string
  name: string
  culture: Culture
  flour: FlourKind
  /** What it is fed; null: what its culture usually is. */
  feed: BlendPart[] | null
  vesselId: string | null
  /** The jar it was taken from. */
  originId: string | null
  keepMinimumMg: number
  placeId: string
  currentBatchId: string | null
  /** Null while it is learned from all of its log. */
  pace: Wire<typeof jarPaceSchema> | null
  version: number
  deletedAtMs: number | null
}
export interface BakeRow {
  id: string
  kitchenId: string
  plan: WirePlan
  /** What the plan and its ingredients were when the first item was poured. */
  frozen: { plan: WirePlan; ingredients: Ingredient[] } | null
  version: number
  /** Kept beside the events for the lists; always written with them. */
  status: string
  mixAtMs: number
  createdAtMs: number
  deletedAtMs: number | null
}
export interface BatchRow {
  id: string
  kitchenId: string
  kind: 'feed' | 'levain' | 'preferment' | 'dough' | 'dried'
  jarId: string | null
  bakeId: string | null
  /** Instant of mixing; null while it is being weighed in. */
  startedAtMs: number | null
  /** What its culture counts as. */
  flour: FlourKind
  /** Fresh flour by kind, mg. */
  floursMg: Partial<Record<FlourKind, number>>
  /** How that flour differs from its kinds; null: as usual. */
  own: OwnTraits | null
  /** Yeast, sugar and fat of a dough, g; null: none. */
  additions: Additions | null
  waterMg: number
  saltMg: number
  mixTempC: number | null
  /** What it stands in is made of; null where that is not known. */
  material: VesselMaterial | null
}
export interface BatchParentRow {
  id?: number
  batchId: string
  parentBatchId: string | null
  milligrams: number
  hydration: number
  flour: FlourKind
}
export interface BatchStayRow {
  id?: number
  batchId: string
  placeId: string | null
  fromMs: number
  /** The place's mean. */
  tempC: number
  surroundings: Surroundings
  /** How it swings between day and night; null where it does not. */
  swingK: number | null
  warmestMs: number | null
}
/** An ingredient of the baker's own, or a built-in one that was changed. */
export interface IngredientRow {
  id: string
  kitchenId: string
  content: Ingredient
  version: number
  deletedAtMs: number | null
}
export interface VesselRow {
  id: string
  kitchenId: string
  name: string
  tareMg: number
  capacityMl: number
  innerDiameterMm: number
  heightMm: number
  material: VesselMaterial
  version: number
  deletedAtMs: number | null
}
export interface FormulaRow {
  id: string
  kitchenId: string
  /** Newest version. */
  version: number
  deletedAtMs: number | null
}
/** An address at which a calendar may read the steps to come. */
export interface CalendarAddressRow {
  id: string
  kitchenId: string
  /** What reads it: "my phone". */
  name: string
  /** The token itself is told once and not kept. */
  tokenHash: string
  createdAtMs: number
  /** When it was last asked; null: never. */
  readAtMs: number | null
  revokedAtMs: number | null
}
/** A guided run of days with a jar, as it was begun. */
export interface ProgramRow {
  id: string
  kitchenId: string
  jarId: string
  program: Program
  placeId: string
  startedAtMs: number
  /** Called off. */
  endedAtMs: number | null
}
/** Where temperatures of a place come from: a log that was brought in, or a device that stands there. */
export interface ImportRow {
  no?: number
  /** Of the log, or of the device. */
  id: string
  kitchenId: string
  placeId: string
  source: 'import' | 'device'
  /** Name of the file; what was pasted has none. */
  name: string
  atMs: number
  count: number
  firstMs: number | null
  lastMs: number | null
  /** Taken back: its readings stay and tell nothing. */
  takenBackAtMs: number | null
}
/** One measured temperature, thousandths of a degree. */
export interface ReadingRow {
  importNo: number
  atMs: number
  milliC: number
}
/** One version of a formula; never changed. */
export interface FormulaVersionRow {
  sequence?: number
  formulaId: string
  version: number
  name: string
  note: string
  content: FormulaContent
  recordedAtMs: number
}
export interface DeviceRow {
  id: string
  kitchenId: string
  name: string
  kind: DeviceKind
  placeId: string | null
  resolution: number
  tokenHash: string
  createdAtMs: number
  seenAtMs: number | null
  revokedAtMs: number | null
}
export interface EventRow {
  id: string
  kitchenId: string
  bakeId: string | null
  jarId: string | null
  batchId: string | null
  type: string
  payload: Record<string, unknown>
  happenedAtMs: number
  recordedAtMs: number
  source: 'typed' | 'device' | 'import'
  device: string | null
  /** Order of recording, given by the database. */
  sequence?: number
}
export interface LedgerRow {
  id?: number
  eventId: string
  account: string
  milligrams: number
}

/** A write that was taken. */
export interface WriteRow {
  sequence?: number
  id: string
  fingerprint: string
  answer: string | null
}

/** The passphrase of this house, hashed. */
export interface PassphraseRow {
  id: number
  secret: string
}

/** A device that signed in. */
export interface SessionRow {
  id: string
  tokenHash: string
  name: string
  createdAtMs: number
  seenAtMs: number
  revokedAtMs: number | null
}

/** What a change has overwritten. */
export interface ChangeRow {
  sequence?: number
  what: ChangedThing
  ofId: string
  atMs: number
  who: string | null
  fields: ChangedField[]
}

/** A row as a plain object. */
export function plain<Row extends object>(row: Model<Row, Row>): Row {
  return row.get({ plain: true }) as unknown as Row
}
