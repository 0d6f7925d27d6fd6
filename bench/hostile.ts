import { randomUUID } from 'node:crypto'
import { startProgram } from '../e2e/support'
import { ROUTES } from '../src/contract'
import { seededRandom } from '../src/core'
import { heading, report } from './report'

const REQUESTS = Number(process.env.OLVENT_HOSTILE ?? 20_000)
const SEED = Number(process.env.OLVENT_SEED ?? 77)
const NOW = '2026-11-27T08:30:00.000Z'
/** Requests to one kitchen: what was taken of them makes its lists longer. */
const PER_KITCHEN = 5000
const SLOW_MS = 1000
const AT_ONCE = 8

type Json = null | boolean | number | string | readonly Json[] | { readonly [name: string]: Json }

/** Values that programs stumble over. */
const NASTY: readonly Json[] = [
  null,
  true,
  '',
  ' ',
  'a'.repeat(5000),
  '__proto__',
  'constructor',
  "'; DROP TABLE jars; --",
  '=1+1',
  '‮abc',
  '\ud800',
  '2026-02-30T25:61:00.000Z',
  '1970-01-01T00:00:00.000Z',
  '9999-12-31T23:59:59.999Z',
  -1,
  0,
  1e-12,
  1e308,
  -0,
  0.1 + 0.2,
  2 ** 53,
  [],
  {},
  [[[[]]]],
  { toString: 1 },
  randomUUID()
]

/** What came of requests. */
interface Outcome {
  readonly statuses: Map<number, number>
  readonly faults: string[]
  readonly listTimes: number[]
  /** Lists that took longer than they may, how often each. */
  readonly slow: Map<string, number>
}

/** Valid requests, thousands of times spoilt in one place or more: what the server makes of them. */
export async function benchHostile(): Promise<void> {
  heading(`${REQUESTS} hostile requests, seed ${SEED}, up to ${PER_KITCHEN} to each kitchen`)
  const outcome: Outcome = { statuses: new Map(), faults: [], listTimes: [], slow: new Map() }
  const { statuses, faults, listTimes, slow } = outcome
  const kitchens = Math.ceil(REQUESTS / PER_KITCHEN)
  for (let kitchen = 0; kitchen < kitchens; kitchen++) await assail(SEED + kitchen, Math.min(PER_KITCHEN, REQUESTS - kitchen * PER_KITCHEN), outcome)
  const told = [...statuses].sort(([a], [b]) => a - b).map(([status, count]) => `${status}: ${count}`)
  process.stdout.write(`  answers: ${told.join(', ')}\n`)
  report('lists meanwhile', listTimes, 'ms')
  const slowTold = [...slow].map(([path, count]) => `${path} ${count}`).join(', ')
  process.stdout.write(`  faults of the server: ${faults.length}; lists slower than ${SLOW_MS} ms: ${slowTold === '' ? 'none' : slowTold}\n`)
  for (const fault of [...new Set(faults)].slice(0, 12)) process.stdout.write(`    ${fault}\n`)
  process.stdout.write(`  started again after a kill, all lists read: ${kitchens} of ${kitchens}\n`)
}

/** One kitchen and its requests; afterwards its program is killed and started, and its lists are read. @throws a list that cannot be read */
async function assail(seed: number, requests: number, { statuses, faults, listTimes, slow }: Outcome): Promise<void> {
  const program = await startProgram({ demo: true, now: NOW })
  const random = seededRandom(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
  const { kitchen } = await program.call('GET', ROUTES.kitchen)
  const { jars } = await program.call('GET', ROUTES.jars)
  const { bakes } = await program.call('GET', `${ROUTES.bakes}?state=open`)
  const { ingredients } = await program.call('GET', ROUTES.ingredients)
  const { vessels } = await program.call('GET', ROUTES.vessels)
  const { formulas } = await program.call('GET', ROUTES.formulas)
  const { id: _, version, demo: __, ...edit } = kitchen
  const [jar, bake, vessel, formula] = [jars[1], bakes[0], vessels[0], formulas[0]]
  const noted = () => ({ id: randomUUID(), happenedAt: NOW, source: 'typed' })
  const valid: readonly (() => { readonly method: string; readonly path: string; readonly body: Json })[] = [
    () => ({ method: 'PUT', path: ROUTES.kitchen, body: { version, kitchen: edit } }),
    () => ({ method: 'POST', path: ROUTES.bakes, body: { id: randomUUID(), plan: bake.plan } }),
    () => ({ method: 'PUT', path: ROUTES.bake(bake.id), body: { version: bake.version, plan: bake.plan } }),
    () => ({ method: 'POST', path: ROUTES.bakeEvents(bake.id), body: { ...noted(), type: 'pour', item: 'seed', plannedGrams: 20, weighedGrams: 20 } }),
    () => ({ method: 'POST', path: ROUTES.bakeEvents(bake.id), body: { ...noted(), type: 'mark', rise: 1.4, signs: { dome: 'domed' } } }),
    () => ({ method: 'POST', path: ROUTES.bakeEvents(bake.id), body: { ...noted(), type: 'undo', undoes: randomUUID() } }),
    () => ({ method: 'POST', path: ROUTES.jarWeighings(jar.id), body: { ...noted(), grams: 90 } }),
    () => ({ method: 'POST', path: ROUTES.jarMoves(jar.id), body: { ...noted(), placeId: jar.placeId } }),
    () => ({ method: 'POST', path: ROUTES.jarLooks(jar.id), body: { ...noted(), note: 'domed' } }),
    () => ({
      method: 'POST',
      path: ROUTES.jarFeeds(jar.id),
      body: { ...noted(), keepGrams: 20, flours: [{ ingredientId: 'white wheat', grams: 40 }], waterGrams: 40, mixTempC: 24, placeId: jar.placeId }
    }),
    () => ({ method: 'PUT', path: ROUTES.ingredient('rye'), body: { version: 0, ingredient: ingredients[0].ingredient } }),
    () => ({ method: 'PUT', path: ROUTES.vessel(vessel.id), body: { version: vessel.version, vessel } }),
    () => ({ method: 'POST', path: ROUTES.formulas, body: { id: randomUUID(), name: 'Loaf', content: formula.content } }),
    () => ({ method: 'POST', path: ROUTES.placeReadings(jar.placeId), body: { id: randomUUID(), readings: [{ at: NOW, tempC: 22 }] } }),
    () => ({ method: 'POST', path: ROUTES.stock, body: { ...noted(), ingredientId: 'rye', grams: 500 } }),
    () => ({ method: 'POST', path: ROUTES.together, body: { ...noted(), parts: [{ do: 'move', jarId: jar.id, move: { ...noted(), placeId: jar.placeId } }] } }),
    () => ({ method: 'POST', path: ROUTES.calendarAddresses, body: { id: randomUUID(), name: 'phone' } }),
    () => ({ method: 'POST', path: ROUTES.devices, body: { id: randomUUID(), name: 'scale', kind: 'scale', placeId: null, resolution: 0.1 } }),
    () => ({ method: 'POST', path: ROUTES.session, body: { passphrase: 'x', name: 'y' } }),
    () => ({ method: 'POST', path: ROUTES.clock, body: { now: 'later' } })
  ]
  const lists = [
    ROUTES.kitchen,
    ROUTES.jars,
    `${ROUTES.bakes}?state=open`,
    `${ROUTES.bakes}?state=done&limit=20`,
    ROUTES.shelf,
    ROUTES.ingredients,
    ROUTES.calendar
  ]
  const queries = ['state=constructor', 'limit=1e9', 'offset=-1', 'limit=abc&limit=2', 'state[]=open', 'before=%00']

  /** Spoils one place of a value. */
  function spoilt(value: Json): Json {
    if (random() < 0.25 || typeof value !== 'object' || value === null) return pick(NASTY)
    const names = Object.keys(value)
    if (names.length === 0) return pick(NASTY)
    const name = pick(names)
    if (Array.isArray(value)) {
      const list = [...value] as Json[]
      if (random() < 0.2) return Array.from({ length: 300 }, () => list[0] ?? null)
      list[Number(name)] = spoilt(list[Number(name)] ?? null)
      return list
    }
    const fields = { ...(value as Record<string, Json>) }
    const way = random()
    if (way < 0.15) delete fields[name]
    else if (way < 0.25) fields[pick(['__proto__', 'constructor', 'extra', ''])] = pick(NASTY)
    else fields[name] = spoilt(fields[name] ?? null)
    return fields
  }
  async function ask(method: string, path: string, body: string | null): Promise<void> {
    const began = performance.now()
    const answer = await fetch(program.address + path, { method, headers: { 'Content-Type': 'application/json' }, body }).catch(() => null)
    const tookMs = performance.now() - began
    const status = answer?.status ?? 0
    await answer?.arrayBuffer().catch(() => undefined)
    statuses.set(status, (statuses.get(status) ?? 0) + 1)
    if (method === 'GET') {
      listTimes.push(tookMs)
      if (tookMs > SLOW_MS) slow.set(path, (slow.get(path) ?? 0) + 1)
    }
    if (status === 0 || status === 500) faults.push(`${method} ${path.slice(0, 90)} ${body?.slice(0, 300) ?? ''}`)
  }
  for (let n = 0; n < requests; n += AT_ONCE) {
    await Promise.all(
      Array.from({ length: AT_ONCE }, () => {
        const kind = random()
        if (kind < 0.12) return ask('GET', random() < 0.5 ? pick(lists) : `${ROUTES.bakes}?${pick(queries)}`, null)
        const { method, path, body } = pick(valid)()
        if (kind < 0.2) return ask(method, path.replace(/[0-9a-f-]{36}/, pick(['..%2f', '%00', randomUUID(), '__proto__'])), JSON.stringify(body))
        if (kind < 0.24) return ask(method, path, JSON.stringify(body).slice(0, Math.floor(random() * 80)))
        return ask(method, path, JSON.stringify(random() < 0.1 ? body : spoilt(body)))
      })
    )
  }
  // What is left can still be read, and its grams add up.
  await program.kill()
  await program.start()
  for (const path of lists.slice(0, -1)) await program.call('GET', path)
  await program.end()
}
