import { randomUUID } from 'node:crypto'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { closeBrowser, openWindow, startProgram } from '../e2e/support'
import { type BatchLine, conditionOf, type FlourKind, simulate, TYPICAL_JAR, vesselOf } from '../src/core'
import { coldJarErrors } from '../src/core/testing/coldJar'
import { referenceRun } from '../src/core/testing/reference'
import { openDatabase } from '../src/server/db/connect'
import { openJar } from '../src/server/records/jars/opening'
import { createKitchen } from '../src/server/records/kitchen/kitchens'
import type { Work } from '../src/server/records/work'
import { heading, percentile, report } from './report'

const HOUR = 3_600_000
const DAY = 24 * HOUR
const NOW = '2026-11-27T09:12:00.000Z'
const now = Date.parse(NOW)

/** Looking after jars: hunger, the cold, and a kitchen with very many of them. */
export async function benchJars(): Promise<void> {
  benchHunger()
  benchCold()
  await benchMany()
}

const LOOK_DAYS = 30

/** A feed of ripe starter, and where it stands. */
function fed(
  flour: FlourKind,
  flourPerSeed: number,
  hydration: number,
  stays: readonly (readonly [afterHours: number, tempC: number, swingK?: number])[]
): BatchLine {
  return {
    startedAtMs: now,
    flours: { [flour]: 20 * flourPerSeed },
    waterGrams: Math.max(20 * (1 + flourPerSeed) * hydration - 20, 1),
    saltGrams: 0,
    mixTempC: 22,
    stays: stays.map(([afterHours, tempC, swingK]) => ({
      fromMs: now + afterHours * HOUR,
      tempC,
      ...(swingK === undefined ? {} : { swing: { swingK, warmestMs: now + 7 * HOUR } })
    })),
    parents: [{ grams: 40, hydration: 1, flour, line: null }]
  }
}

const out = [
  [0, 22],
  [1, 4]
] as const
const CASES: readonly BatchLine[] = [
  fed('white wheat', 1, 1, [[0, 22]]),
  fed('white wheat', 5, 1, [[0, 25]]),
  fed('white wheat', 1, 1, out),
  fed('white wheat', 2, 1, out),
  fed('white wheat', 5, 1, out),
  fed('white wheat', 10, 1, out),
  fed('white wheat', 2, 0.5, out),
  fed('rye', 3, 1.2, out),
  fed('gluten-free', 2, 1.1, [[0, 20, 3]]),
  fed('wholegrain wheat', 2, 1, [[0, 14, 2]]),
  fed('white wheat', 3, 1, [
    [0, 22],
    [2, 4],
    [60, 20],
    [64, 4]
  ])
]

function benchHunger(): void {
  heading(`Hunger against one explicit step a second over ${LOOK_DAYS} days`)
  const off = CASES.flatMap((line) => {
    const slow = referenceRun(vesselOf(line), TYPICAL_JAR, LOOK_DAYS * 24).foodGoneHours
    const { foodGoneHours } = simulate(vesselOf(line), TYPICAL_JAR, { untilHours: LOOK_DAYS * 24 })
    return slow === null || foodGoneHours === null ? [] : [Math.abs(slow - foodGoneHours) * 60]
  })
  report('food gone, off by', off, 'min', 2)
  const times = CASES.map((line) => {
    const begun = performance.now()
    conditionOf(line, now + DAY)
    return performance.now() - begun
  })
  report('how a jar is, one of them', times, 'ms', 2)
}

const COLD_JARS = 100

function benchCold(): void {
  heading(`Days to the peak in the cold against the other generator, ${COLD_JARS} jars, four cycles with a look a day`)
  const errors = Array.from({ length: COLD_JARS }, (_, i) => coldJarErrors(3001 + i))
  const median = (pick: 'before' | 'after') =>
    (
      100 *
      percentile(
        errors.map((e) => e[pick]),
        0.5
      )
    ).toFixed(1)
  process.stdout.write(`  median error before ${median('before')} %, after ${median('after')} %\n`)
}

const JARS = 200
const FEEDS_EACH = 100
const OPENED = 25
/** A window that has stood for so long before somebody goes to its jars, ms. */
const SETTLED_MS = 1500

/** 200 jars with a hundred feeds each, written straight into the tables. */
async function layMany(folder: string): Promise<void> {
  const database = await openDatabase(folder)
  await database.write(async (transaction) => {
    const work: Work = { models: database.models, transaction, nowMs: now, known: new Map() }
    const places = [
      { id: randomUUID(), name: 'Worktop', tempC: 22, guessed: false, nightTempC: null, surroundings: 'air' as const, takes: null },
      { id: randomUUID(), name: 'Fridge', tempC: 4, guessed: false, nightTempC: null, surroundings: 'air' as const, takes: null }
    ]
    const kitchenId = randomUUID()
    await createKitchen(work, kitchenId, false, {
      name: 'A school of baking',
      timeZone: 'Europe/Lisbon',
      weekly: [],
      once: [],
      mass: 'g',
      temperature: '°C',
      clock: '24 h',
      sleep: { from: '22:30', to: '06:30' },
      school: 'dome',
      base: 'dough flour',
      smallScale: false,
      tapTempC: 14,
      sticksGrams: null,
      cups: 'metric',
      currency: 'EUR',
      keys: true,
      places
    })
    const { batches, batchParents, batchStays, events, ledger, jars } = database.models
    for (let j = 0; j < JARS; j++) {
      const jarId = randomUUID()
      const place = places[j % 2] as (typeof places)[number]
      const opened = now - (FEEDS_EACH + 1) * DAY
      const lastFedAt = opened
      await openJar(work, {
        id: jarId,
        name: `Jar ${j + 1}`,
        flour: 'white wheat',
        begun: false,
        vesselId: null,
        hydration: 1,
        grams: 100,
        keepMinimumGrams: 15,
        lastFedAt,
        flourPerSeed: null,
        guesses: [],
        placeId: place.id
      })
      const ids = Array.from({ length: FEEDS_EACH }, () => ({ batchId: randomUUID(), eventId: randomUUID() }))
      const at = (n: number) => opened + (n + 1) * DAY - (j % 24) * HOUR
      const of = { kitchenId, jarId, bakeId: null, flour: 'white wheat' as const }
      await batches.bulkCreate(
        ids.map(({ batchId }, n) => ({
          ...of,
          id: batchId,
          kind: 'feed' as const,
          startedAtMs: at(n),
          floursMg: { 'white wheat': 40_000 },
          own: null,
          waterMg: 40_000,
          saltMg: 0,
          mixTempC: 22,
          material: null
        })),
        { transaction }
      )
      await batchParents.bulkCreate(
        ids.map(({ batchId }, n) => ({ batchId, parentBatchId: ids[n - 1]?.batchId ?? null, milligrams: 20_000, hydration: 1, flour: 'white wheat' as const })),
        { transaction }
      )
      await batchStays.bulkCreate(
        ids.map(({ batchId }, n) => ({
          batchId,
          placeId: place.id,
          fromMs: at(n),
          tempC: place.tempC,
          surroundings: 'air' as const,
          swingK: null,
          warmestMs: null
        })),
        { transaction }
      )
      await events.bulkCreate(
        ids.map(({ batchId, eventId }, n) => ({
          id: eventId,
          kitchenId,
          bakeId: null,
          jarId,
          batchId: null,
          type: 'feed',
          payload: {
            keepGrams: 20,
            trimGrams: 0,
            flours: [{ ingredientId: 'white wheat', grams: 40 }],
            flourGrams: 40,
            waterGrams: 40,
            placeId: place.id,
            batchId
          },
          happenedAtMs: at(n),
          recordedAtMs: at(n),
          source: 'typed' as const,
          device: null
        })),
        { transaction }
      )
      await ledger.bulkCreate(
        ids.flatMap(({ eventId }) => [
          { eventId, account: `jar:${jarId}`, milligrams: -80_000 },
          { eventId, account: 'discard', milligrams: 80_000 },
          { eventId, account: 'shelf:white wheat', milligrams: -40_000 },
          { eventId, account: `jar:${jarId}`, milligrams: 80_000 },
          { eventId, account: 'shelf:water', milligrams: -40_000 }
        ]),
        { transaction }
      )
      await jars.update({ currentBatchId: ids.at(-1)?.batchId ?? null }, { where: { id: jarId }, transaction })
    }
  })
  await database.close()
}

async function benchMany(): Promise<void> {
  heading(`A kitchen of ${JARS} jars and ${JARS * FEEDS_EACH} feeds`)
  const folder = await mkdtemp(join(tmpdir(), 'olvent-bench-'))
  await layMany(folder)
  const program = await startProgram({ now: NOW, folder })
  for (const path of ['/api/jars', '/api/discard', '/api/shelf']) {
    const times: number[] = []
    for (let i = 0; i < 30; i++) {
      const asked = performance.now()
      await (await fetch(program.address + path)).arrayBuffer()
      times.push(performance.now() - asked)
    }
    report(path, times.slice(5), 'ms')
  }
  const { page } = await openWindow()
  await page.goto(`${program.address}/kitchen`)
  const opened: number[] = []
  for (let i = 0; i < OPENED + 3; i++) {
    await page.goto(`${program.address}/bakes`)
    await page.getByRole('heading', { level: 1 }).waitFor()
    await page.waitForTimeout(SETTLED_MS)
    // From the click until the cards stand there with their words, and a frame has been painted.
    const ms = await page.evaluate(`new Promise((done) => {
      const begun = performance.now()
      document.querySelector('a[href="/jars"]').click()
      const look = () => document.querySelector('article b') === null ? requestAnimationFrame(look) : requestAnimationFrame(() => done(performance.now() - begun))
      look()
    })`)
    opened.push(ms as number)
  }
  report('Jars opens, from the click to the painted cards', opened.slice(3), 'ms', 0)
  const typed: number[] = []
  for (let i = 0; i < OPENED; i++) {
    await page.goto(`${program.address}/jars`, { waitUntil: 'commit' })
    await page.locator('article b').first().waitFor()
    typed.push((await page.evaluate('performance.now()')) as number)
  }
  report('its address typed, to the painted cards', typed.slice(3), 'ms', 0)
  await closeBrowser()
  await program.end()
}
