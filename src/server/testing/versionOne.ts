import { Sequelize } from 'sequelize'
import { MIGRATIONS, migrate } from '../db/migrate'
import { testId } from './testServer'

const NOW = Date.UTC(2026, 10, 20, 8)

/**
 * A kitchen as version 1 kept it: a planned bake and one that is being weighed in.
 * @param steps how far it has come since
 * @returns ids of its bakes
 */
export async function versionOne(file: string, steps = 1): Promise<{ readonly planned: string; readonly started: string }> {
  const sequelize = new Sequelize({ dialect: 'sqlite', storage: file, logging: false })
  const [first] = MIGRATIONS
  await migrate(sequelize, first === undefined ? [] : [first])
  const [kitchen, place, jar, planned, started] = [testId(), testId(), testId(), testId(), testId()]
  const settings = JSON.stringify({
    timeZone: 'UTC',
    mass: 'g',
    temperature: '°C',
    clock: '24 h',
    sleep: { from: '23:00', to: '07:00' },
    school: 'dome',
    base: 'plain',
    smallScale: true,
    tapTempC: 14,
    keys: true
  })
  const plan = JSON.stringify({
    name: 'Rye tin',
    pieces: [{ count: 1, grams: 950 }],
    base: 'total flour',
    hydration: 0.82,
    salt: 0.021,
    levain: 0.2,
    levainHydration: 1.1,
    flour: 'rye',
    jarId: jar,
    levainFlour: 'rye',
    flourPerSeed: 4,
    keepBackGrams: 30,
    placeId: place,
    tempC: 22,
    mixTempC: 24,
    school: 'dome',
    mixAt: '2026-11-21T08:00:00.000Z'
  })
  const run = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  await run('INSERT INTO kitchens VALUES (?, ?, 0, ?, 1)', [kitchen, 'K', settings])
  await run("INSERT INTO places (id, kitchenId, name, tempC, surroundings, position) VALUES (?, ?, 'Counter', 22, 'air', 0)", [place, kitchen])
  await run("INSERT INTO jars (id, kitchenId, name, flour, keepMinimumMg, placeId, version) VALUES (?, ?, 'Bramble', 'rye', 15000, ?, 1)", [
    jar,
    kitchen,
    place
  ])
  for (const [id, status, frozen] of [
    [planned, 'planned', null],
    [started, 'building', JSON.stringify({ plan: JSON.parse(plan), dough: {} })]
  ] as const) {
    await run('INSERT INTO bakes (id, kitchenId, plan, frozen, version, status, mixAtMs, createdAtMs) VALUES (?, ?, ?, ?, 3, ?, ?, ?)', [
      id,
      kitchen,
      plan,
      frozen,
      status,
      NOW,
      NOW
    ])
  }
  for (const item of ['seed', 'flour']) {
    await run("INSERT INTO events (id, kitchenId, bakeId, type, payload, happenedAtMs, recordedAtMs, source) VALUES (?, ?, ?, 'pour', ?, ?, ?, 'typed')", [
      testId(),
      kitchen,
      started,
      JSON.stringify({ item, plannedGrams: 40, weighedGrams: 41 }),
      NOW,
      NOW
    ])
  }
  await migrate(sequelize, MIGRATIONS.slice(0, steps))
  await sequelize.close()
  return { planned, started }
}
