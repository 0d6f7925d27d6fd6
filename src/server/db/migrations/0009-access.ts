import { DataTypes, type QueryInterface } from 'sequelize'

/** The passphrase of this house, and the devices that have signed in with it. Neither is part of what is taken along. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('passphrases', {
    id: { type: DataTypes.INTEGER, primaryKey: true, allowNull: false },
    /** scrypt: cost, salt and hash. */
    secret: { type: DataTypes.TEXT, allowNull: false }
  })
  await query.createTable('sessions', {
    id: { type: DataTypes.UUID, primaryKey: true, allowNull: false },
    tokenHash: { type: DataTypes.TEXT, allowNull: false, unique: true },
    name: { type: DataTypes.TEXT, allowNull: false },
    createdAtMs: { type: DataTypes.BIGINT, allowNull: false },
    seenAtMs: { type: DataTypes.BIGINT, allowNull: false },
    revokedAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
}
