import { randomUUID } from 'node:crypto'
import { millisecondsInHour } from 'date-fns/constants'
import { seededRandom } from '../../../core'
import { type Loose, startTestServer, type TestServer } from '../../testing/testServer'

/** Every gram from account to account, against a book of the test's own. */
let server: TestServer
let at = Date.parse('2026-11-26T19:00:00.000Z')

beforeAll(async () => {
  server = await startTestServer({ demo: true })
  const { jars } = (await server.send('GET', '/api/jars')).body
  const juno = jars.find((j: Loose) => j.name === 'Juno')
  await server.send('POST', `/api/jars/${juno.id}/weighings`, { id: randomUUID(), happenedAt: new Date(at).toISOString(), grams: 4000 })
})
afterAll(() => server.end())

async function newBake(name = 'Market rolls'): Promise<Loose> {
  const { bakes } = (await server.send('GET', '/api/bakes?state=open')).body
  const like = bakes.find((b: Loose) => b.plan.name.startsWith(name))
  return (await server.send('POST', '/api/bakes', { id: randomUUID(), plan: like.plan })).body
}
const note = (bakeId: string, event: Loose, id = randomUUID()) => {
  at += 1000
  return server.send('POST', `/api/bakes/${bakeId}/events`, { id, happenedAt: new Date(at).toISOString(), ...event })
}

/** What the shelf holds of something, g. */
async function onShelf(ingredientId: string): Promise<number> {
  const { stock } = (await server.send('GET', '/api/shelf')).body
  return stock.find((i: Loose) => i.ingredientId === ingredientId)?.grams ?? 0
}
const inJar = async () => (await server.send('GET', '/api/jars')).body.jars.find((j: Loose) => j.name === 'Juno').grams as number

/** A levain that stands, with what went into it. */
async function built(): Promise<Loose> {
  const bake = await newBake()
  const grams = { seed: 40, water: 120, flour: 120 }
  for (const item of ['seed', 'water', 'flour'] as const) {
    const answer = await note(bake.id, { type: 'pour', item, plannedGrams: grams[item], weighedGrams: grams[item] })
    if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  }
  const band = await note(bake.id, { type: 'band', mixTempC: 24, levelMm: 62 })
  expect(band.body.events.at(-1).levelMm).toBe(62)
  return bake
}
const lineOf = (bake: Loose, kind: string) => bake.plan.formula.lines.find((l: Loose) => l.kind === kind)

test('weighing, repairs and undo in any order: jar and shelf always hold what the book of the test says', async () => {
  const random = seededRandom(41)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  for (let round = 0; round < 6; round++) {
    const bake = await newBake()
    const flourId = bake.plan.build.flours[0].ingredientId
    const [flourBefore, jarBefore] = [await onShelf(flourId), await inJar()]
    const done: { id: string; flour: number; seed: number }[] = []
    for (let step = 0; step < 18; step++) {
      // Any pour of a bowl that is being filled, and the latest entry whatever it is.
      const open = done.filter((d, i) => d.flour > 0 || d.seed > 0 || i === done.length - 1)
      if (open.length > 0 && random() < 0.35) {
        const back = pick(open)
        expect((await note(bake.id, { type: 'undo', undoes: back.id })).status).toBe(200)
        done.splice(done.indexOf(back), 1)
        continue
      }
      const id = randomUUID()
      const grams = Math.round(random() * 800) / 10 + 0.1
      const kind = pick(['seed', 'flour', 'repair', 'soaker'] as const)
      const event =
        kind === 'repair'
          ? { type: 'repair', into: 'levain', targets: { water: grams } }
          : kind === 'soaker'
            ? {
                type: 'weigh',
                into: 'pre-ferment',
                key: 'soaker:0',
                lineId: lineOf(bake, 'pre-ferment').id,
                ingredientId: flourId,
                plannedGrams: grams,
                weighedGrams: grams
              }
            : { type: 'pour', item: kind, ...(kind === 'flour' ? { ingredientId: flourId } : {}), plannedGrams: grams, weighedGrams: grams }
      const happenedAt = new Date(at).toISOString()
      const answer = await note(bake.id, { ...event, happenedAt }, id)
      expect(answer.status).toBe(200)
      // Sent again, as after a server that died: it counts once; something else under the same id is refused.
      expect((await note(bake.id, { ...event, happenedAt }, id)).body.events).toHaveLength(answer.body.events.length)
      expect((await note(bake.id, { type: 'undo', undoes: id }, id)).body.error.code).toBe('used id')
      done.push({ id, flour: kind === 'flour' || kind === 'soaker' ? grams : 0, seed: kind === 'seed' ? grams : 0 })
    }
    const sum = (key: 'flour' | 'seed') => done.reduce((total, d) => total + d[key], 0)
    expect(await onShelf(flourId)).toBeCloseTo(flourBefore - sum('flour'), 3)
    expect(await inJar()).toBeCloseTo(jarBefore - sum('seed'), 3)
  }
})

test('a dough that was weighed in part: the shelf gives what was weighed, and the rest as planned', async () => {
  const whole = await built()
  const part = await built()
  const flour = lineOf(part, 'flour')
  const wanted = async (bake: Loose) => {
    const before = await onShelf(flour.ingredientId)
    const answer = await note(bake.id, { type: 'mixed', levainGrams: 200, keepBackGrams: 40 })
    expect(answer.status).toBe(200)
    return before - (await onShelf(flour.ingredientId))
  }
  const planned = await wanted(whole)
  const before = await onShelf(flour.ingredientId)
  const weigh = { type: 'weigh', into: 'dough', key: `mix:${flour.id}`, lineId: flour.id, ingredientId: flour.ingredientId, plannedGrams: 900 }
  expect((await note(part.id, { ...weigh, weighedGrams: 907 })).status).toBe(200)
  expect(before - (await onShelf(flour.ingredientId))).toBeCloseTo(907, 3)
  // The soaker’s flours, if any, come besides; the dough’s own flour is drawn once only.
  const rest = await wanted(part)
  expect(rest).toBeLessThan(planned - 500)
  // Nothing goes into a dough that is mixed.
  expect((await note(part.id, { ...weigh, weighedGrams: 5 })).status).toBe(409)
  expect((await note(part.id, { type: 'weigh', into: 'pieces', key: 'piece:1', plannedGrams: 80, weighedGrams: 81 })).status).toBe(200)
})

test('levain that is in the bowl counts as mixed in, and no more than there is', async () => {
  const bake = await built()
  const levain = lineOf(bake, 'levain')
  const weigh = { type: 'weigh', into: 'dough', key: `mix:${levain.id}`, lineId: levain.id, plannedGrams: 200 }
  expect((await note(bake.id, { ...weigh, weighedGrams: 900 })).body.error.message).toMatch(/weighs 280 g/)
  expect((await note(bake.id, { ...weigh, weighedGrams: 203 })).status).toBe(200)
  expect((await note(bake.id, { type: 'mixed', levainGrams: 150, keepBackGrams: 20 })).body.error.message).toMatch(/203 g of levain are in the bowl already/)
  const jar = await inJar()
  expect((await note(bake.id, { type: 'mixed', levainGrams: 203, keepBackGrams: 60, mixTempC: 23.5 })).status).toBe(200)
  expect(await inJar()).toBeCloseTo(jar + 60, 3)
})

test('two windows pour the same item: the second is asked, not doubled, and may say that it went in besides', async () => {
  const bake = await newBake()
  const pour = { type: 'pour', item: 'seed', plannedGrams: 30, weighedGrams: 30, nth: 0 }
  expect((await note(bake.id, pour)).status).toBe(200)
  const second = await note(bake.id, pour)
  expect(second.status).toBe(409)
  expect(second.body.error).toMatchObject({ code: 'poured already' })
  expect(second.body.error.message).toMatch(/Another device has noted 30 g/)
  const { nth: _, ...besides } = pour
  expect((await note(bake.id, besides)).body.events.filter((e: Loose) => e.type === 'pour')).toHaveLength(2)
})

test('what cannot be yet is refused with a sentence', async () => {
  const bake = await newBake()
  const refused = async (event: Loose) => (await note(bake.id, event)).body.error.message as string
  expect(await refused({ type: 'dough', rise: 1.3 })).toMatch(/no dough yet/)
  expect(await refused({ type: 'outcome', crumb: 4 })).toMatch(/not out of the oven/)
  expect(await refused({ type: 'weigh', into: 'pieces', key: 'piece:1', plannedGrams: 80, weighedGrams: 80 })).toMatch(/no dough to share out/)
  const levain = lineOf(bake, 'levain')
  expect(await refused({ type: 'weigh', into: 'dough', key: 'x', lineId: levain.id, plannedGrams: 80, weighedGrams: 80 })).toMatch(/not been built/)
  const done = await built()
  await note(done.id, { type: 'mixed', levainGrams: 200, keepBackGrams: 40 })
  expect((await note(done.id, { type: 'dough' })).body.error.message).toMatch(/at least one thing/)
  expect((await note(done.id, { type: 'repair', into: 'levain', targets: { water: 1 } })).status).toBe(409)
})

test('two windows that read the same scale note one pour', async () => {
  const bake = await newBake()
  const pour = { type: 'pour', item: 'seed', plannedGrams: 30, weighedGrams: 30, nth: 0, source: 'device', device: 'Stand-in scale' }
  const first = await note(bake.id, pour)
  const second = await note(bake.id, { ...pour, weighedGrams: 31 })
  expect(second.status).toBe(200)
  expect(second.body.events).toHaveLength(1)
  // Another device, or another mass, is another pour: that is asked about.
  expect((await note(bake.id, { ...pour, device: 'Bowl scale' })).status).toBe(409)
  expect((await note(bake.id, { ...pour, weighedGrams: 44 })).status).toBe(409)
  // Taken back, the same pour counts anew.
  await note(bake.id, { type: 'undo', undoes: first.body.events[0].id })
  expect((await note(bake.id, pour)).body.events.filter((e: Loose) => e.type === 'pour')).toHaveLength(2)
})

test('a soaker weighed the evening before: the masses stand, the hours may still be moved', async () => {
  const bake = await newBake()
  const soaker = lineOf(bake, 'pre-ferment')
  const weigh = { type: 'weigh', into: 'pre-ferment', key: `${soaker.id}:0`, lineId: soaker.id, ingredientId: 'water', plannedGrams: 60, weighedGrams: 61 }
  const { body } = await note(bake.id, weigh)
  expect(body.status).toBe('planned')
  const later = { ...body.plan, mixAt: new Date(Date.parse(body.plan.mixAt) + millisecondsInHour).toISOString() }
  const moved = await server.send('PUT', `/api/bakes/${bake.id}`, { version: body.version, plan: later })
  expect(moved.status).toBe(200)
  expect(moved.body.plan.mixAt).toBe(later.mixAt)
  const wetter = { ...later, formula: { ...later.formula, hydration: 0.9 } }
  const refused = await server.send('PUT', `/api/bakes/${bake.id}`, { version: moved.body.version, plan: wetter })
  expect(refused.body.error.code).toBe('started')
})

describe('a first build', () => {
  const STAGE = { id: 'first build', kind: 'first build', seedGrams: 10, flourGrams: 20, waterGrams: 20 }
  async function staged(): Promise<Loose> {
    const { bakes } = (await server.send('GET', '/api/bakes?state=open')).body
    const { plan } = bakes.find((b: Loose) => b.plan.name.startsWith('Market rolls'))
    const before = [{ ...STAGE, at: new Date(at).toISOString(), placeId: plan.placeId, tempC: plan.tempC }]
    return (await server.send('POST', '/api/bakes', { id: randomUUID(), plan: { ...plan, before } })).body
  }
  const weigh = (bake: Loose, key: string, grams: number) =>
    note(bake.id, { type: 'weigh', into: 'first build', key, ...(key === 'seed' ? {} : { ingredientId: key }), plannedGrams: grams, weighedGrams: grams })

  test('what was weighed is in it, and it seeds the levain: the jar gives its seed once', async () => {
    const bake = await staged()
    const flour = bake.plan.build.flours[0].ingredientId
    const [jar, shelf] = [await inJar(), await onShelf(flour)]
    await weigh(bake, 'seed', 12)
    await weigh(bake, 'water', 20)
    await weigh(bake, flour, 21)
    expect((await note(bake.id, { type: 'step', step: 'first build', did: 'done' })).status).toBe(200)
    expect(await inJar()).toBeCloseTo(jar - 12, 3)
    expect(await onShelf(flour)).toBeCloseTo(shelf - 21, 3)
    // It stands: nothing more goes in, and none of its pours can be taken back by itself.
    expect((await weigh(bake, 'water', 5)).status).toBe(409)
    // 53 g of it; 40 g seed the levain, none of them from the jar.
    await note(bake.id, { type: 'pour', item: 'seed', plannedGrams: 40, weighedGrams: 40 })
    expect(await inJar()).toBeCloseTo(jar - 12, 3)
    for (const item of ['water', 'flour']) await note(bake.id, { type: 'pour', item, plannedGrams: 120, weighedGrams: 120 })
    const pot = async () => (await server.send('GET', '/api/discard')).body.portions.reduce((sum: number, p: Loose) => sum + p.grams, 0) as number
    const before = await pot()
    const band = await note(bake.id, { type: 'band', mixTempC: 24 })
    expect(band.status).toBe(200)
    const [parent] = band.body.line.parents
    expect(parent.grams).toBeCloseTo(40, 3)
    // Its own parent is the jar: 12 g in 53 g.
    expect(parent.line.parents[0].grams).toBeCloseTo(12, 3)
    expect((await pot()) - before).toBeCloseTo(13, 1)
  })

  test('told done by a word it is taken as planned; taken back, the jar has its seed again', async () => {
    const bake = await staged()
    const jar = await inJar()
    const done = await note(bake.id, { type: 'step', step: 'first build', did: 'done' })
    expect(done.status).toBe(200)
    expect(await inJar()).toBeCloseTo(jar - 10, 3)
    await note(bake.id, { type: 'undo', undoes: done.body.events.at(-1).id })
    expect(await inJar()).toBeCloseTo(jar, 3)
    // More seed than there is of it comes from the jar as well.
    await note(bake.id, { type: 'step', step: 'first build', did: 'done' })
    await note(bake.id, { type: 'pour', item: 'seed', plannedGrams: 60, weighedGrams: 60 })
    expect(await inJar()).toBeCloseTo(jar - 10 - 10, 3)
  })
})
