import { DataTypes, type QueryInterface } from 'sequelize'

/** What was overwritten: plans, ingredients, vessels, jars and settings as they were, change by change. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('changes', {
    sequence: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    what: { type: DataTypes.TEXT, allowNull: false },
    ofId: { type: DataTypes.TEXT, allowNull: false },
    atMs: { type: DataTypes.BIGINT, allowNull: false },
    /** Device it came from; null: the machine of the server. */
    who: { type: DataTypes.TEXT, allowNull: true },
    /** A list of field, value before and value after. */
    fields: { type: DataTypes.JSON, allowNull: false }
  })
  await query.addIndex('changes', ['what', 'ofId', 'sequence'])
}
