import { type DataType, DataTypes, type QueryInterface } from 'sequelize'

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false }
const needed = (type: DataType) => ({ type, allowNull: false })
const optional = (type: DataType) => ({ type, allowNull: true })
const to = (table: string, allowNull = false) => ({
  type: DataTypes.UUID,
  allowNull,
  references: { model: table, key: 'id' },
  onDelete: 'RESTRICT' as const
})

/** Kitchens, places, jars, batches with parents and stays, bakes, events, the ledger. Instants are ms since 1970, masses mg. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('kitchens', {
    id,
    name: needed(DataTypes.TEXT),
    demo: needed(DataTypes.BOOLEAN),
    settings: needed(DataTypes.JSON),
    version: needed(DataTypes.INTEGER)
  })
  await query.createTable('places', {
    id,
    kitchenId: to('kitchens'),
    name: needed(DataTypes.TEXT),
    tempC: needed(DataTypes.DOUBLE),
    surroundings: needed(DataTypes.TEXT),
    position: needed(DataTypes.INTEGER),
    deletedAtMs: optional(DataTypes.BIGINT)
  })
  await query.createTable('jars', {
    id,
    kitchenId: to('kitchens'),
    name: needed(DataTypes.TEXT),
    flour: needed(DataTypes.TEXT),
    keepMinimumMg: needed(DataTypes.INTEGER),
    placeId: to('places'),
    currentBatchId: optional(DataTypes.UUID),
    version: needed(DataTypes.INTEGER),
    deletedAtMs: optional(DataTypes.BIGINT)
  })
  await query.createTable('bakes', {
    id,
    kitchenId: to('kitchens'),
    plan: needed(DataTypes.JSON),
    frozen: optional(DataTypes.JSON),
    version: needed(DataTypes.INTEGER),
    status: needed(DataTypes.TEXT),
    mixAtMs: needed(DataTypes.BIGINT),
    createdAtMs: needed(DataTypes.BIGINT),
    deletedAtMs: optional(DataTypes.BIGINT)
  })
  await query.addIndex('bakes', ['kitchenId', 'status', 'mixAtMs'])
  await query.createTable('batches', {
    id,
    kitchenId: to('kitchens'),
    kind: needed(DataTypes.TEXT),
    jarId: to('jars', true),
    bakeId: to('bakes', true),
    startedAtMs: optional(DataTypes.BIGINT),
    flour: needed(DataTypes.TEXT),
    floursMg: needed(DataTypes.JSON),
    waterMg: needed(DataTypes.INTEGER),
    saltMg: needed(DataTypes.INTEGER),
    mixTempC: optional(DataTypes.DOUBLE)
  })
  await query.addIndex('batches', ['bakeId'])
  await query.createTable('batch_parents', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    batchId: to('batches'),
    parentBatchId: to('batches', true),
    milligrams: needed(DataTypes.INTEGER),
    hydration: needed(DataTypes.DOUBLE),
    flour: needed(DataTypes.TEXT)
  })
  await query.addIndex('batch_parents', ['batchId'])
  await query.createTable('batch_stays', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    batchId: to('batches'),
    placeId: to('places', true),
    fromMs: needed(DataTypes.BIGINT),
    tempC: needed(DataTypes.DOUBLE),
    surroundings: needed(DataTypes.TEXT)
  })
  await query.addIndex('batch_stays', ['batchId'])
  await query.createTable('events', {
    sequence: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    id: { type: DataTypes.UUID, allowNull: false, unique: true },
    kitchenId: to('kitchens'),
    bakeId: to('bakes', true),
    jarId: to('jars', true),
    batchId: to('batches', true),
    type: needed(DataTypes.TEXT),
    payload: needed(DataTypes.JSON),
    happenedAtMs: needed(DataTypes.BIGINT),
    recordedAtMs: needed(DataTypes.BIGINT),
    source: needed(DataTypes.TEXT),
    device: optional(DataTypes.TEXT)
  })
  await query.addIndex('events', ['bakeId', 'sequence'])
  await query.addIndex('events', ['jarId', 'sequence'])
  await query.createTable('ledger_entries', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    eventId: to('events'),
    account: needed(DataTypes.TEXT),
    milligrams: needed(DataTypes.INTEGER)
  })
  await query.addIndex('ledger_entries', ['account'])
  await query.addIndex('ledger_entries', ['eventId'])
}
