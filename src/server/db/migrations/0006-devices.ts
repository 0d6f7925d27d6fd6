import { DataTypes, type QueryInterface } from 'sequelize'

/** Devices that push their readings. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('devices', {
    id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
    kitchenId: { type: DataTypes.UUID, allowNull: false, references: { model: 'kitchens', key: 'id' }, onDelete: 'RESTRICT' },
    name: { type: DataTypes.TEXT, allowNull: false },
    kind: { type: DataTypes.TEXT, allowNull: false },
    placeId: { type: DataTypes.UUID, allowNull: true, references: { model: 'places', key: 'id' }, onDelete: 'RESTRICT' },
    resolution: { type: DataTypes.DOUBLE, allowNull: false },
    tokenHash: { type: DataTypes.TEXT, allowNull: false, unique: true },
    createdAtMs: { type: DataTypes.BIGINT, allowNull: false },
    seenAtMs: { type: DataTypes.BIGINT, allowNull: true },
    revokedAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
}
