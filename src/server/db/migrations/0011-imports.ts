import { DataTypes, type QueryInterface } from 'sequelize'

/**
 * Readings belong to a log or a device and take a tenth of the room: five million of them made a kitchen of 1.2 GB, which took
 * many seconds to open. A log that is taken back is marked, not erased.
 */
export async function up(query: QueryInterface): Promise<void> {
  const of = (table: string) => ({ type: DataTypes.UUID, allowNull: false, references: { model: table, key: 'id' }, onDelete: 'RESTRICT' as const })
  const needed = (type: typeof DataTypes.TEXT | typeof DataTypes.BIGINT) => ({ type, allowNull: false })
  await query.createTable('imports', {
    no: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    /** Of the log, or of the device. */
    id: { type: DataTypes.UUID, allowNull: false },
    kitchenId: of('kitchens'),
    placeId: of('places'),
    source: needed(DataTypes.TEXT),
    name: needed(DataTypes.TEXT),
    atMs: needed(DataTypes.BIGINT),
    count: { type: DataTypes.INTEGER, allowNull: false },
    firstMs: { type: DataTypes.BIGINT, allowNull: true },
    lastMs: { type: DataTypes.BIGINT, allowNull: true },
    takenBackAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
  await query.addIndex('imports', ['id', 'placeId'], { unique: true })
  await query.addIndex('imports', ['placeId'])
  const run = (sql: string) => query.sequelize.query(sql)
  await run('CREATE TABLE readings (importNo INTEGER NOT NULL, atMs INTEGER NOT NULL, milliC INTEGER NOT NULL, PRIMARY KEY (importNo, atMs)) WITHOUT ROWID')
  // When an earlier log was brought in is not known; its last reading is the earliest that it can have been.
  await run(
    `INSERT INTO imports (id, kitchenId, placeId, source, name, atMs, count, firstMs, lastMs)
     SELECT importId, (SELECT kitchenId FROM places p WHERE p.id = r.placeId), placeId, source, '', MAX(atMs), COUNT(DISTINCT atMs), MIN(atMs), MAX(atMs)
     FROM place_readings r GROUP BY importId, placeId, source`
  )
  await run(
    `INSERT OR IGNORE INTO readings (importNo, atMs, milliC)
     SELECT i.no, r.atMs, CAST(ROUND(r.tempC * 1000) AS INTEGER) FROM place_readings r JOIN imports i ON i.id = r.importId AND i.placeId = r.placeId`
  )
  await query.dropTable('place_readings')
}
