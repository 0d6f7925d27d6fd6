import { DataTypes, type QueryInterface } from 'sequelize'

/** Logs that were brought in have a name and a day, and what is taken back is set aside, not erased. */
export async function up(query: QueryInterface): Promise<void> {
  const needed = (type: typeof DataTypes.TEXT | typeof DataTypes.UUID | typeof DataTypes.BIGINT | typeof DataTypes.DOUBLE) => ({ type, allowNull: false })
  const of = (table: string) => ({ type: DataTypes.UUID, allowNull: false, references: { model: table, key: 'id' }, onDelete: 'RESTRICT' as const })
  await query.createTable('imports', {
    id: { type: DataTypes.UUID, primaryKey: true },
    kitchenId: of('kitchens'),
    placeId: of('places'),
    name: needed(DataTypes.TEXT),
    atMs: needed(DataTypes.BIGINT),
    takenBackAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
  await query.createTable('readings_aside', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    placeId: of('places'),
    importId: needed(DataTypes.UUID),
    atMs: needed(DataTypes.BIGINT),
    tempC: needed(DataTypes.DOUBLE),
    source: needed(DataTypes.TEXT)
  })
  await query.addIndex('readings_aside', ['importId'])
  // When an earlier log was brought in is not known; its last reading is the earliest that it can have been.
  await query.sequelize.query(
    `INSERT INTO imports (id, kitchenId, placeId, name, atMs)
     SELECT importId, (SELECT kitchenId FROM places p WHERE p.id = r.placeId), placeId, '', MAX(atMs) FROM place_readings r WHERE source = 'import' GROUP BY importId`
  )
}
