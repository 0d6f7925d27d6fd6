import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { QueryTypes, Sequelize } from 'sequelize'
import { bakeSchema, bakeToWire } from '../../contract'
import { findBake } from '../records/bakes/bakes'
import { createBatch, lineOf } from '../records/jars/batches'
import { readingsFor } from '../records/kitchen/readings'
import { testId } from '../testing/testServer'
import { versionOne } from '../testing/versionOne'
import { openDatabase } from './connect'
import { MIGRATIONS, migrate } from './migrate'

const NOW = Date.UTC(2026, 10, 20, 8)

test('a kitchen of version 1 comes over: plans hold a formula, pours say which flour, nothing is lost', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const { planned, started } = await versionOne(join(folder, 'kitchen.sqlite'))
  const database = await openDatabase(folder)
  const work = { models: database.models, nowMs: NOW }
  const bake = await findBake(work, planned)
  expect(bakeSchema.safeParse(bakeToWire(bake)).success).toBe(true)
  expect(bake.plan).toMatchObject({
    name: 'Rye tin',
    target: { kind: 'pieces', pieces: [{ count: 1, grams: 950 }] },
    formula: { base: 'total flour', doughKind: 'rye tin', hydration: 0.82, salt: 0.021 },
    build: { source: 'separate build', by: { kind: 'ratio', flourPerSeed: 4 }, hydration: 1.1, keepBackGrams: 30, flours: [{ ingredientId: 'rye' }] }
  })
  expect(bake.plan.formula.lines.map((l) => ('share' in l ? [l.kind, l.share] : [l.kind]))).toEqual([['flour', 1], ['water'], ['levain', 0.2], ['salt']])
  expect(bake.plan.moves).toEqual([])
  const running = await findBake(work, started)
  expect(running.plan.moves).toEqual([])
  expect(running.status).toBe('building')
  expect(running.events).toMatchObject([{ item: 'seed' }, { item: 'flour', ingredientId: 'rye', weighedGrams: 41 }])
  const [kitchen] = (await database.sequelize.query('SELECT settings FROM kitchens', { type: QueryTypes.SELECT })) as { settings: string }[]
  expect(JSON.parse(kitchen?.settings ?? '{}')).toMatchObject({ cups: 'metric', smallScale: true })
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

test('from version 2 places keep one temperature, vessels are glass, jars are learned', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const file = join(folder, 'kitchen.sqlite')
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false })
  await migrate(sequelize, MIGRATIONS.slice(0, 2))
  const [kitchen, place, vessel, jar] = [testId(), testId(), testId(), testId()]
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run("INSERT INTO kitchens VALUES (?, 'K', 0, '{}', 1)", [kitchen])
  await run("INSERT INTO places (id, kitchenId, name, tempC, surroundings, position) VALUES (?, ?, 'Counter', 22, 'air', 0)", [place, kitchen])
  await run("INSERT INTO vessels (id, kitchenId, name, tareMg, capacityMl, innerDiameterMm, heightMm, version) VALUES (?, ?, 'Jar', 1, 500, 80, 110, 1)", [
    vessel,
    kitchen
  ])
  await run("INSERT INTO jars (id, kitchenId, name, flour, keepMinimumMg, placeId, version) VALUES (?, ?, 'Pip', 'rye', 15000, ?, 1)", [jar, kitchen, place])
  await sequelize.close()
  const database = await openDatabase(folder)
  const one = async (sql: string) => (await database.sequelize.query(sql, { type: QueryTypes.SELECT }))[0]
  expect(await one('SELECT tempC, nightTempC FROM places')).toEqual({ tempC: 22, nightTempC: null })
  expect(await one('SELECT material FROM vessels')).toEqual({ material: 'glass' })
  expect(await one('SELECT pace FROM jars')).toEqual({ pace: null })
  expect(await one('SELECT count(*) AS n FROM readings')).toEqual({ n: 0 })
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

test('from version 3 jars know their culture and their origin, money has a currency', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, 'kitchen.sqlite'), logging: false })
  await migrate(sequelize, MIGRATIONS.slice(0, 3))
  const [kitchen, place, bramble, spare] = [testId(), testId(), testId(), testId()]
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run(`INSERT INTO kitchens VALUES (?, 'K', 0, '{"mass":"g"}', 1)`, [kitchen])
  await run("INSERT INTO places (id, kitchenId, name, tempC, surroundings, position) VALUES (?, ?, 'Counter', 22, 'air', 0)", [place, kitchen])
  for (const [id, flour] of [
    [bramble, 'rye'],
    [spare, 'spelt']
  ])
    await run('INSERT INTO jars (id, kitchenId, name, flour, keepMinimumMg, placeId, version) VALUES (?, ?, ?, ?, 15000, ?, 1)', [
      id,
      kitchen,
      flour,
      flour,
      place
    ])
  await run("INSERT INTO events (id, kitchenId, jarId, type, payload, happenedAtMs, recordedAtMs, source) VALUES (?, ?, ?, 'split', ?, ?, ?, 'typed')", [
    testId(),
    kitchen,
    bramble,
    JSON.stringify({ newJarId: spare }),
    NOW,
    NOW
  ])
  await sequelize.close()
  const database = await openDatabase(folder)
  const all = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.SELECT })
  expect(await all('SELECT culture, originId, feed, vesselId FROM jars ORDER BY name')).toEqual([
    { culture: 'rye', originId: null, feed: null, vesselId: null },
    { culture: 'wholegrain', originId: bramble, feed: null, vesselId: null }
  ])
  expect(await all("SELECT json_extract(settings, '$.currency') AS currency, json_extract(settings, '$.mass') AS mass FROM kitchens")).toEqual([
    { currency: 'EUR', mass: 'g' }
  ])
  expect(await all('SELECT count(*) AS n FROM programs')).toEqual([{ n: 0 }])
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

test('from version 4 a bake that was mixed is behind us, plans know no dough’s day, and hours are free', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, 'kitchen.sqlite'), logging: false })
  await migrate(sequelize, MIGRATIONS.slice(0, 4))
  const [kitchen, place] = [testId(), testId()]
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run(`INSERT INTO kitchens VALUES (?, 'K', 0, '{"mass":"g"}', 1)`, [kitchen])
  await run("INSERT INTO places (id, kitchenId, name, tempC, surroundings, position) VALUES (?, ?, 'Counter', 22, 'air', 0)", [place, kitchen])
  const plan = JSON.stringify({ name: 'Rye tin', mixAt: '2026-11-21T08:00:00.000Z' })
  for (const [status, frozen] of [
    ['planned', null],
    ['mixed', JSON.stringify({ plan: JSON.parse(plan), ingredients: [] })]
  ])
    await run('INSERT INTO bakes (id, kitchenId, plan, frozen, version, status, mixAtMs, createdAtMs) VALUES (?, ?, ?, ?, 1, ?, ?, ?)', [
      testId(),
      kitchen,
      plan,
      frozen,
      status,
      NOW,
      NOW
    ])
  await sequelize.close()
  const database = await openDatabase(folder)
  const all = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.SELECT })
  const rows = (await all('SELECT status, plan, frozen FROM bakes ORDER BY status')) as { status: string; plan: string; frozen: string | null }[]
  expect(rows.map((r) => r.status)).toEqual(['baked', 'planned'])
  const day = { course: null, startAt: null, before: [], bread: null, pins: [] }
  for (const row of rows) expect(JSON.parse(row.plan)).toMatchObject({ name: 'Rye tin', ...day })
  expect(JSON.parse(rows[0]?.frozen ?? '{}').plan).toMatchObject(day)
  expect(await all("SELECT json_extract(settings, '$.weekly') AS weekly, json_extract(settings, '$.once') AS once FROM kitchens")).toEqual([
    { weekly: '[]', once: '[]' }
  ])
  expect(await all('SELECT takes FROM places')).toEqual([{ takes: null }])
  expect(await all('SELECT count(*) AS n FROM calendar_addresses')).toEqual([{ n: 0 }])
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

test('from version 5 a kitchen can take devices in, and none of what was there is touched', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, 'kitchen.sqlite'), logging: false })
  await migrate(sequelize, MIGRATIONS.slice(0, 5))
  const [kitchen, place, device] = [testId(), testId(), testId()]
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run(`INSERT INTO kitchens VALUES (?, 'K', 0, '{"mass":"g"}', 1)`, [kitchen])
  await run("INSERT INTO places (id, kitchenId, name, tempC, surroundings, position) VALUES (?, ?, 'Counter', 22, 'air', 0)", [place, kitchen])
  await sequelize.close()
  const database = await openDatabase(folder)
  const { devices } = database.models
  const row = { id: device, kitchenId: kitchen, name: 'Wall', kind: 'room' as const, placeId: place, resolution: 0.1, tokenHash: 'x' }
  await devices.create({ ...row, createdAtMs: NOW, seenAtMs: null, revokedAtMs: null })
  // A token opens one device only, and a place that has a sensor is not simply gone.
  await expect(devices.create({ ...row, id: testId(), createdAtMs: NOW, seenAtMs: null, revokedAtMs: null })).rejects.toThrow()
  await expect(database.sequelize.query('DELETE FROM places')).rejects.toThrow()
  const all = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.SELECT })
  expect(await all('SELECT name, tempC FROM places')).toEqual([{ name: 'Counter', tempC: 22 }])
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

test('from version 10 readings stand in less room, each as it was, of its log or its device; asked for, they are the same', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, 'kitchen.sqlite'), logging: false })
  await migrate(sequelize, MIGRATIONS.slice(0, 10))
  const [kitchen, place, log, device] = [testId(), testId(), testId(), testId()]
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run(`INSERT INTO kitchens VALUES (?, 'K', 0, '{"mass":"g"}', 1)`, [kitchen])
  await run("INSERT INTO places (id, kitchenId, name, tempC, surroundings, position) VALUES (?, ?, 'Counter', 22, 'air', 0)", [place, kitchen])
  const MINUTE = 60_000
  for (const [importId, source, minutes, tempC] of [
    [log, 'import', 0, 21.456],
    [log, 'import', 10, -3.5],
    // The same instant twice in one log: one of them counts.
    [log, 'import', 10, -3.5],
    [device, 'device', 20, 24]
  ])
    await run('INSERT INTO place_readings (placeId, importId, atMs, tempC, source) VALUES (?, ?, ?, ?, ?)', [
      place,
      importId,
      NOW + Number(minutes) * MINUTE,
      tempC,
      source
    ])
  await sequelize.close()
  const database = await openDatabase(folder)
  const all = (sql: string) => database.sequelize.query(sql, { type: QueryTypes.SELECT })
  expect(await all('SELECT id, source, count, firstMs, lastMs, takenBackAtMs FROM imports ORDER BY source DESC')).toEqual([
    { id: log, source: 'import', count: 2, firstMs: NOW, lastMs: NOW + 10 * MINUTE, takenBackAtMs: null },
    { id: device, source: 'device', count: 1, firstMs: NOW + 20 * MINUTE, lastMs: NOW + 20 * MINUTE, takenBackAtMs: null }
  ])
  const [measured] = await readingsFor({ models: database.models, nowMs: NOW }, [{ placeId: place, fromMs: NOW, toMs: NOW + 60 * MINUTE }])
  expect(measured).toEqual([
    { ms: NOW, tempC: 21.456 },
    { ms: NOW + 10 * MINUTE, tempC: -3.5 },
    { ms: NOW + 20 * MINUTE, tempC: 24 }
  ])
  await database.close()
  await rm(folder, { recursive: true, force: true })
})

test('from version 11 a dough keeps what it holds besides; one mixed before holds nothing besides', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'olvent-migrate-'))
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: join(folder, 'kitchen.sqlite'), logging: false })
  await migrate(sequelize, MIGRATIONS.slice(0, 11))
  const [kitchen, old, fresh] = [testId(), testId(), testId()]
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run(`INSERT INTO kitchens VALUES (?, 'K', 0, '{"mass":"g"}', 1)`, [kitchen])
  await run("INSERT INTO batches (id, kitchenId, kind, startedAtMs, flour, floursMg, waterMg, saltMg) VALUES (?, ?, 'dough', ?, 'white wheat', '{}', 1, 0)", [
    old,
    kitchen,
    NOW
  ])
  await sequelize.close()
  const { models, ...database } = await openDatabase(folder)
  const work = { models, nowMs: NOW }
  const additions = { yeastGrams: 1.5, sugarGrams: 40, fatGrams: 12 }
  const dough = { kitchenId: kitchen, kind: 'dough' as const, jarId: null, bakeId: null, startedAtMs: NOW, flour: 'white wheat' as const }
  await createBatch(work, { ...dough, id: fresh, floursMg: {}, waterMg: 1000, saltMg: 0, mixTempC: 24, additions, parents: [], stays: [] })
  expect((await models.batches.findByPk(old))?.get('additions')).toBeNull()
  expect((await lineOf(work, fresh, 1))?.additions).toEqual(additions)
  await database.close()
  await rm(folder, { recursive: true, force: true })
})
