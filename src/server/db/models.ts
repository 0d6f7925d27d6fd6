import { type DataType, DataTypes, type Model, type ModelStatic, type Sequelize } from 'sequelize'
import type {
  BakeRow,
  BatchParentRow,
  BatchRow,
  BatchStayRow,
  CalendarAddressRow,
  ChangeRow,
  DeviceRow,
  EventRow,
  FormulaRow,
  FormulaVersionRow,
  ImportRow,
  IngredientRow,
  JarRow,
  KitchenRow,
  LedgerRow,
  PassphraseRow,
  PlaceRow,
  ProgramRow,
  ReadingRow,
  SessionRow,
  VesselRow,
  WriteRow
} from './rows'

type Table<Row extends object> = ModelStatic<Model<Row, Row>>

/** All tables. */
export interface Models {
  readonly kitchens: Table<KitchenRow>
  readonly places: Table<PlaceRow>
  readonly readings: Table<ReadingRow>
  readonly imports: Table<ImportRow>
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
    kitchens: table<KitchenRow>('kitchens', {
      id: UUID,
      name: TEXT,
      demo: BOOLEAN,
      settings: JSON_TYPE,
      doughs: JSON_TYPE,
      workSeen: JSON_TYPE,
      version: INTEGER
    }),
    places: table<PlaceRow>('places', {
      id: UUID,
      kitchenId: UUID,
      name: TEXT,
      tempC: DOUBLE,
      guessed: BOOLEAN,
      nightTempC: DOUBLE,
      takes: INTEGER,
      surroundings: TEXT,
      position: INTEGER,
      deletedAtMs: BIGINT
    }),
    imports: table<ImportRow>(
      'imports',
      {
        no: INTEGER,
        id: UUID,
        kitchenId: UUID,
        placeId: UUID,
        source: TEXT,
        name: TEXT,
        atMs: BIGINT,
        count: INTEGER,
        firstMs: BIGINT,
        lastMs: BIGINT,
        takenBackAtMs: BIGINT
      },
      'no'
    ),
    readings: table<ReadingRow>('readings', { importNo: BIGINT, atMs: BIGINT, milliC: BIGINT }, 'importNo'),
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
      additions: JSON_TYPE,
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
