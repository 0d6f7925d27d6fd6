import { type DataType, DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize'
import type { ChangedField, ChangedThing, DeviceKind, FormulaContent, jarPaceSchema, onceSchema, Weekly, Wire, WirePlan } from '../../contract'
import type { BlendPart, Culture, CupKind, FlourKind, Ingredient, OwnTraits, PercentageBase, Program, Surroundings, VesselMaterial } from '../../core'

/** Settings of a kitchen kept as one document. */
export interface KitchenSettings {
  timeZone: string
  mass: 'g' | 'oz'
  temperature: '°C' | '°F'
  clock: '24 h' | '12 h'
  sleep: { from: string; to: string }
  weekly: Weekly[]
  once: Wire<typeof onceSchema>[]
  school: 'young' | 'dome' | 'mature'
  base: PercentageBase
  smallScale: boolean
  tapTempC: number
  cups: CupKind
  /** ISO 4217. */
  currency: string
  keys: boolean
}

export interface KitchenRow {
  id: string
  name: string
  demo: boolean
  settings: KitchenSettings
  version: number
}
export interface PlaceRow {
  id: string
  kitchenId: string
  name: string
  tempC: number
  nightTempC: number | null
  surroundings: Surroundings
  /** How many vessels find room; null: no limit. */
  takes: number | null
  position: number
  deletedAtMs: number | null
}
/** One measured temperature of a place. */
export interface PlaceReadingRow {
  id?: number
  placeId: string
  importId: string
  atMs: number
  tempC: number
  source: 'import' | 'device'
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

type Table<Row extends object> = ModelStatic<Model<Row, Row>>

/** A row as a plain object. */
export function plain<Row extends object>(row: Model<Row, Row>): Row {
  return row.get({ plain: true }) as unknown as Row
}

/** All tables. */
export interface Models {
  readonly kitchens: Table<KitchenRow>
  readonly places: Table<PlaceRow>
  readonly placeReadings: Table<PlaceReadingRow>
  readonly jars: Table<JarRow>
  readonly bakes: Table<BakeRow>
  readonly batches: Table<BatchRow>
  readonly batchParents: Table<BatchParentRow>
  readonly batchStays: Table<BatchStayRow>
  readonly ingredients: Table<IngredientRow>
  readonly vessels: Table<VesselRow>
  readonly formulas: Table<FormulaRow>
  readonly formulaVersions: Table<FormulaVersionRow>
  readonly programs: Table<ProgramRow>
  readonly calendarAddresses: Table<CalendarAddressRow>
  readonly devices: Table<DeviceRow>
  readonly events: Table<EventRow>
  readonly ledger: Table<LedgerRow>
  readonly writes: Table<WriteRow>
  readonly passphrases: Table<PassphraseRow>
  readonly sessions: Table<SessionRow>
  readonly changes: Table<ChangeRow>
}

const { TEXT, INTEGER, BIGINT, DOUBLE, BOOLEAN, JSON: JSON_TYPE, UUID } = DataTypes

/** Declares the tables to Sequelize; the migrations have made them. */
export function defineModels(sequelize: Sequelize): Models {
  const table = <Row extends object>(name: string, columns: { [Column in keyof Row]-?: DataType }, key: keyof Row & string = 'id' as never): Table<Row> => {
    const attributes = Object.fromEntries(
      Object.entries<DataType>(columns).map(([column, type]) => [
        column,
        { type, ...(column === key ? { primaryKey: true, autoIncrement: type === INTEGER } : {}) }
      ])
    )
    return sequelize.define(name, attributes as never, { tableName: name, timestamps: false }) as unknown as Table<Row>
  }
  return {
    kitchens: table<KitchenRow>('kitchens', { id: UUID, name: TEXT, demo: BOOLEAN, settings: JSON_TYPE, version: INTEGER }),
    places: table<PlaceRow>('places', {
      id: UUID,
      kitchenId: UUID,
      name: TEXT,
      tempC: DOUBLE,
      nightTempC: DOUBLE,
      takes: INTEGER,
      surroundings: TEXT,
      position: INTEGER,
      deletedAtMs: BIGINT
    }),
    placeReadings: table<PlaceReadingRow>('place_readings', { id: INTEGER, placeId: UUID, importId: UUID, atMs: BIGINT, tempC: DOUBLE, source: TEXT }),
    jars: table<JarRow>('jars', {
      id: UUID,
      kitchenId: UUID,
      name: TEXT,
      culture: TEXT,
      flour: TEXT,
      feed: JSON_TYPE,
      vesselId: UUID,
      originId: UUID,
      keepMinimumMg: INTEGER,
      placeId: UUID,
      currentBatchId: UUID,
      pace: JSON_TYPE,
      version: INTEGER,
      deletedAtMs: BIGINT
    }),
    bakes: table<BakeRow>('bakes', {
      id: UUID,
      kitchenId: UUID,
      plan: JSON_TYPE,
      frozen: JSON_TYPE,
      version: INTEGER,
      status: TEXT,
      mixAtMs: BIGINT,
      createdAtMs: BIGINT,
      deletedAtMs: BIGINT
    }),
    batches: table<BatchRow>('batches', {
      id: UUID,
      kitchenId: UUID,
      kind: TEXT,
      jarId: UUID,
      bakeId: UUID,
      startedAtMs: BIGINT,
      flour: TEXT,
      floursMg: JSON_TYPE,
      own: JSON_TYPE,
      waterMg: INTEGER,
      saltMg: INTEGER,
      mixTempC: DOUBLE,
      material: TEXT
    }),
    batchParents: table<BatchParentRow>('batch_parents', {
      id: INTEGER,
      batchId: UUID,
      parentBatchId: UUID,
      milligrams: INTEGER,
      hydration: DOUBLE,
      flour: TEXT
    }),
    batchStays: table<BatchStayRow>('batch_stays', {
      id: INTEGER,
      batchId: UUID,
      placeId: UUID,
      fromMs: BIGINT,
      tempC: DOUBLE,
      surroundings: TEXT,
      swingK: DOUBLE,
      warmestMs: BIGINT
    }),
    ingredients: table<IngredientRow>('ingredients', { id: TEXT, kitchenId: UUID, content: JSON_TYPE, version: INTEGER, deletedAtMs: BIGINT }),
    vessels: table<VesselRow>('vessels', {
      id: UUID,
      kitchenId: UUID,
      name: TEXT,
      tareMg: INTEGER,
      capacityMl: DOUBLE,
      innerDiameterMm: DOUBLE,
      heightMm: DOUBLE,
      material: TEXT,
      version: INTEGER,
      deletedAtMs: BIGINT
    }),
    formulas: table<FormulaRow>('formulas', { id: UUID, kitchenId: UUID, version: INTEGER, deletedAtMs: BIGINT }),
    formulaVersions: table<FormulaVersionRow>(
      'formula_versions',
      { sequence: INTEGER, formulaId: UUID, version: INTEGER, name: TEXT, note: TEXT, content: JSON_TYPE, recordedAtMs: BIGINT },
      'sequence'
    ),
    programs: table<ProgramRow>('programs', {
      id: UUID,
      kitchenId: UUID,
      jarId: UUID,
      program: JSON_TYPE,
      placeId: UUID,
      startedAtMs: BIGINT,
      endedAtMs: BIGINT
    }),
    calendarAddresses: table<CalendarAddressRow>('calendar_addresses', {
      id: UUID,
      kitchenId: UUID,
      name: TEXT,
      tokenHash: TEXT,
      createdAtMs: BIGINT,
      readAtMs: BIGINT,
      revokedAtMs: BIGINT
    }),
    devices: table<DeviceRow>('devices', {
      id: UUID,
      kitchenId: UUID,
      name: TEXT,
      kind: TEXT,
      placeId: UUID,
      resolution: DOUBLE,
      tokenHash: TEXT,
      createdAtMs: BIGINT,
      seenAtMs: BIGINT,
      revokedAtMs: BIGINT
    }),
    events: table<EventRow>(
      'events',
      {
        id: UUID,
        kitchenId: UUID,
        bakeId: UUID,
        jarId: UUID,
        batchId: UUID,
        type: TEXT,
        payload: JSON_TYPE,
        happenedAtMs: BIGINT,
        recordedAtMs: BIGINT,
        source: TEXT,
        device: TEXT,
        sequence: INTEGER
      },
      'sequence'
    ),
    ledger: table<LedgerRow>('ledger_entries', { id: INTEGER, eventId: UUID, account: TEXT, milligrams: INTEGER }),
    writes: table<WriteRow>('writes', { sequence: INTEGER, id: UUID, fingerprint: TEXT, answer: TEXT }, 'sequence'),
    changes: table<ChangeRow>('changes', { sequence: INTEGER, what: TEXT, ofId: TEXT, atMs: BIGINT, who: TEXT, fields: JSON_TYPE }, 'sequence'),
    passphrases: table<PassphraseRow>('passphrases', { id: INTEGER, secret: TEXT }),
    sessions: table<SessionRow>('sessions', { id: UUID, tokenHash: TEXT, name: TEXT, createdAtMs: BIGINT, seenAtMs: BIGINT, revokedAtMs: BIGINT })
  }
}
