import { DataTypes, type QueryInterface } from 'sequelize'

/** Which writes have been taken, so that one that is sent again does nothing twice. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('writes', {
    sequence: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    id: { type: DataTypes.UUID, allowNull: false, unique: true },
    /** Fingerprint of method, address and body. */
    fingerprint: { type: DataTypes.TEXT, allowNull: false },
    /** What it was answered with; null once that is old. */
    answer: { type: DataTypes.TEXT, allowNull: true }
  })
}
