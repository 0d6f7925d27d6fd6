import { type DataType, DataTypes, type QueryInterface, QueryTypes } from 'sequelize'

const id = { type: DataTypes.UUID, primaryKey: true, allowNull: false }
const needed = (type: DataType) => ({ type, allowNull: false })
const kitchen = { type: DataTypes.UUID, allowNull: false, references: { model: 'kitchens', key: 'id' }, onDelete: 'RESTRICT' as const }

/** A plan as version 1 kept it. */
interface OldPlan {
  name: string
  pieces: { count: number; grams: number }[]
  base: string
  hydration: number
  salt: number
  levain: number
  levainHydration: number
  flour: string
  jarId: string
  levainFlour: string
  flourPerSeed: number
  keepBackGrams: number
  placeId: string
  tempC: number
  mixTempC: number
  school: string
  mixAt: string
}

/** One flour, water, levain, salt: the formula that an old plan was. */
function newPlan(old: OldPlan): unknown {
  return {
    name: old.name,
    target: { kind: 'pieces', pieces: old.pieces, handlingLoss: 0.02, bakeLoss: null },
    formula: {
      base: old.base,
      doughKind: old.flour === 'rye' ? 'rye tin' : old.flour === 'gluten-free' ? 'gluten-free' : 'wheat',
      hydration: old.hydration,
      salt: old.salt,
      lines: [
        { id: 'flour', kind: 'flour', ingredientId: old.flour, share: 1 },
        { id: 'water', kind: 'water' },
        { id: 'levain', kind: 'levain', share: old.levain },
        { id: 'salt', kind: 'salt' }
      ],
      autolyse: false,
      heldBack: 0
    },
    build: {
      source: 'separate build',
      by: { kind: 'ratio', flourPerSeed: old.flourPerSeed },
      hydration: old.levainHydration,
      salt: 0,
      oil: 0,
      flours: [{ ingredientId: old.levainFlour, share: 1 }],
      keepBackGrams: old.keepBackGrams,
      older: { share: 0.5, hydration: old.levainHydration },
      vesselId: null,
      alsoFor: []
    },
    jarId: old.jarId,
    placeId: old.placeId,
    tempC: old.tempC,
    mixTempC: old.mixTempC,
    school: old.school,
    mixAt: old.mixAt
  }
}

/** Ingredients, vessels and the formula library; plans hold a formula; pours say which flour. */
export async function up(query: QueryInterface): Promise<void> {
  await query.createTable('ingredients', {
    id: { type: DataTypes.TEXT, primaryKey: true, allowNull: false },
    kitchenId: kitchen,
    content: needed(DataTypes.JSON),
    version: needed(DataTypes.INTEGER),
    deletedAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
  await query.createTable('vessels', {
    id,
    kitchenId: kitchen,
    name: needed(DataTypes.TEXT),
    tareMg: needed(DataTypes.INTEGER),
    capacityMl: needed(DataTypes.DOUBLE),
    innerDiameterMm: needed(DataTypes.DOUBLE),
    heightMm: needed(DataTypes.DOUBLE),
    version: needed(DataTypes.INTEGER),
    deletedAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
  await query.createTable('formulas', {
    id,
    kitchenId: kitchen,
    version: needed(DataTypes.INTEGER),
    deletedAtMs: { type: DataTypes.BIGINT, allowNull: true }
  })
  await query.createTable('formula_versions', {
    sequence: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    formulaId: { type: DataTypes.UUID, allowNull: false, references: { model: 'formulas', key: 'id' }, onDelete: 'RESTRICT' },
    version: needed(DataTypes.INTEGER),
    name: needed(DataTypes.TEXT),
    note: needed(DataTypes.TEXT),
    content: needed(DataTypes.JSON),
    recordedAtMs: needed(DataTypes.BIGINT)
  })
  await query.addIndex('formula_versions', ['formulaId', 'version'], { unique: true })

  const { sequelize } = query
  const rows = <Row extends object>(sql: string) => sequelize.query<Row>(sql, { type: QueryTypes.SELECT })
  const write = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  for (const { id: kitchenId, settings } of await rows<{ id: string; settings: string }>('SELECT id, settings FROM kitchens')) {
    await write('UPDATE kitchens SET settings = ? WHERE id = ?', [JSON.stringify({ ...JSON.parse(settings), cups: 'metric' }), kitchenId])
  }
  for (const bake of await rows<{ id: string; plan: string; frozen: string | null }>('SELECT id, plan, frozen FROM bakes')) {
    const old = JSON.parse(bake.plan) as OldPlan
    const plan = newPlan(old)
    const frozen = bake.frozen === null || bake.frozen === 'null' ? null : JSON.stringify({ plan, ingredients: [] })
    await write('UPDATE bakes SET plan = ?, frozen = ? WHERE id = ?', [JSON.stringify(plan), frozen, bake.id])
    const pours = await rows<{ sequence: number; payload: string }>(
      `SELECT sequence, payload FROM events WHERE type = 'pour' AND bakeId = ${sequelize.escape(bake.id)}`
    )
    for (const { sequence, payload } of pours) {
      const pour = JSON.parse(payload) as { item: string }
      if (pour.item === 'flour')
        await write('UPDATE events SET payload = ? WHERE sequence = ?', [JSON.stringify({ ...pour, ingredientId: old.levainFlour }), sequence])
    }
  }
}
