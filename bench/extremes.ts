import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { closeBrowser, openWindow, startProgram } from '../e2e/support'
import {
  bakeEventSchema,
  feedSchema,
  formulaContentSchema,
  ingredientSchema,
  jarOpeningSchema,
  kitchenEditSchema,
  MOVABLE_STEPS,
  planSchema,
  ROUTES,
  stockSchema,
  vesselSchema
} from '../src/contract'
import { seededRandom } from '../src/core'
import type { Loose } from '../src/server/testing/testServer'
import { ERROR_BOUNDARY } from '../src/words/screens/app'
import { heading, report } from './report'

const EXTREMES = Number(process.env.OLVENT_EXTREMES ?? 300)
const SEED = Number(process.env.OLVENT_SEED ?? 78)
const NOW = '2026-11-27T08:30:00.000Z'
const SLOW_MS = 1000
const INSTANTS = ['2010-01-01T00:00:00.000Z', '2026-11-27T08:29:59.000Z', '2027-03-28T01:30:00.000Z', '2059-12-31T23:00:00.000Z']
/** What a view says that has stopped, or could not work a figure out. */
const NONSENSE = new RegExp(`${ERROR_BOUNDARY.thisPageHasFailed}|could not be opened|.*(\\bNaN\\b|Infinity|undefined|\\[object).*`)
const WORDS = ['i', 'W'.repeat(80), '‏שלום 🍞 <b>&amp;', 'a '.repeat(39).trim()]

/** A body with one of its places set to an end of what its schema takes. */
interface Variant {
  readonly where: string
  readonly body: Loose
}

/** Every place of a body, set to each end of what is allowed there. @param schema JSON Schema of the body */
function variantsOf(schema: Loose, body: Loose, where: string): Variant[] {
  const branches: Loose[] = schema.anyOf ?? schema.oneOf ?? [schema]
  const found: Variant[] = []
  const add = (value: Loose) => found.push({ where: `${where} = ${JSON.stringify(value)?.slice(0, 60)}`, body: value })
  for (const branch of branches) {
    if (branch.type === 'null') add(null)
    else if (branch.enum !== undefined) branch.enum.forEach(add)
    else if (branch.type === 'number' || branch.type === 'integer') {
      for (const end of [branch.minimum, branch.maximum]) if (end !== undefined && Math.abs(end) < 1e15) add(end)
    } else if (branch.type === 'boolean') add(body !== true)
    else if (branch.type === 'string') for (const text of branch.format === 'date-time' ? INSTANTS : WORDS) add(text)
    else if (branch.type === 'array' && Array.isArray(body)) {
      add([])
      const [first] = body
      if (first !== undefined) {
        add([first])
        add(Array.from({ length: Math.min(branch.maxItems ?? 60, 60) }, () => (first.id === undefined ? first : { ...first, id: randomUUID() })))
        for (const inner of variantsOf(branch.items ?? {}, first, `${where}[0]`)) found.push({ ...inner, body: [inner.body, ...body.slice(1)] })
      }
    } else if (branch.type === 'object' && body !== null && typeof body === 'object') {
      const kind = Object.entries<Loose>(branch.properties ?? {}).find(([, { const: only }]) => only !== undefined)
      if (kind !== undefined && body[kind[0]] !== kind[1].const) continue
      for (const [name, inner] of Object.entries<Loose>(branch.properties ?? {})) {
        if (/(^id|Id)$/.test(name) || inner.const !== undefined) continue
        for (const variant of variantsOf(inner, body[name], where === '' ? name : `${where}.${name}`))
          found.push({ ...variant, body: { ...body, [name]: variant.body } })
      }
    }
  }
  return found
}

/** Bodies that are valid by schema, one place of each at its end; they are taken or refused, and every view that tells of them is opened. */
export async function benchExtremes(): Promise<void> {
  const program = await startProgram({ demo: true, now: NOW })
  const { kitchen } = await program.call('GET', ROUTES.kitchen)
  const { jars } = await program.call('GET', ROUTES.jars)
  const { bakes } = await program.call('GET', `${ROUTES.bakes}?state=open`)
  const { ingredients } = await program.call('GET', ROUTES.ingredients)
  const { vessels } = await program.call('GET', ROUTES.vessels)
  const { formulas } = await program.call('GET', ROUTES.formulas)
  const planned = bakes.find((b: Loose) => b.status === 'planned' && b.plan.course !== null)
  const running = bakes.find((b: Loose) => b.status === 'ripening')
  const { id: _, version: __, demo: ___, ...edit } = kitchen
  const noted = { happenedAt: NOW, source: 'typed' }
  const send = async (method: string, path: string, body?: Loose) => {
    const answer = await fetch(program.address + path, {
      method,
      headers: { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) })
    })
    const told = await answer.text()
    if (answer.status >= 500) faults.push(`${answer.status} ${method} ${path} ${told.slice(0, 200)}`)
    return { status: answer.status }
  }
  const STATIONS = ['recipe', 'levain', 'plan', 'weigh', 'watch', 'bread', 'day', 'compare']
  const bakeViews = (id: string) => STATIONS.map((station) => `/bakes/${id}/${station}`)
  const jarViews = (id: string) => [`/jars/${id}`, `/jars/${id}/pace`, `/jars/${id}/label`]
  const plan = { ...planned.plan, bread: { kind: 'eat', at: '2026-11-29T11:00:00.000Z' }, pins: [...MOVABLE_STEPS.slice(0, 1)] }
  const jar = {
    name: 'Ends',
    flour: 'wholegrain wheat',
    begun: false,
    vesselId: vessels[0].id,
    hydration: 1,
    grams: 120,
    keepMinimumGrams: 15,
    lastFedAt: '2026-11-26T08:00:00.000Z',
    placeId: kitchen.places[0].id
  }
  const feed = {
    ...noted,
    keepGrams: 10,
    trimGrams: 0,
    flours: [{ ingredientId: 'white wheat', grams: 40 }],
    waterGrams: 40,
    mixTempC: 24,
    placeId: jar.placeId,
    later: { placeId: jar.placeId, afterHours: 2 }
  }
  const newBake = (body: Loose) => async () => {
    const id = randomUUID()
    const { status } = await send('POST', ROUTES.bakes, { id, plan: body })
    return { status, views: bakeViews(id), undo: () => send('DELETE', ROUTES.bake(id)) }
  }
  const newJar = (body: Loose, fed?: Loose) => async () => {
    const id = randomUUID()
    let { status } = await send('POST', ROUTES.jars, { ...body, id })
    if (status === 200 && fed !== undefined) status = (await send('POST', ROUTES.jarFeeds(id), { ...fed, id: randomUUID() })).status
    return { status, views: jarViews(id), undo: () => send('POST', ROUTES.jarEnd(id), { ...noted, id: randomUUID(), why: 'not wanted' }) }
  }
  const newEvent = (body: Loose) => async () => {
    const id = randomUUID()
    await send('POST', ROUTES.bakes, { id, plan: running.plan })
    const all = [...poured(running.plan), body]
    let status = 0
    for (const event of all) ({ status } = await send('POST', ROUTES.bakeEvents(id), { ...event, id: randomUUID() }))
    return { status, views: bakeViews(id), undo: () => send('DELETE', ROUTES.bake(id)) }
  }
  const poured = (of: Loose): Loose[] => [
    { ...noted, type: 'pour', item: 'seed', plannedGrams: 5, weighedGrams: 5 },
    { ...noted, type: 'pour', item: 'water', plannedGrams: 50, weighedGrams: 50 },
    ...of.build.flours.map(({ ingredientId }: Loose) => ({ ...noted, type: 'pour', item: 'flour', ingredientId, plannedGrams: 50, weighedGrams: 50 })),
    { ...noted, type: 'band', mixTempC: 24 }
  ]
  const kinds: readonly { readonly name: string; readonly schema: z.ZodType; readonly body: Loose; readonly deed: (body: Loose) => () => Promise<Deed> }[] = [
    { name: 'plan', schema: planSchema, body: plan, deed: newBake },
    {
      name: 'recipe',
      schema: formulaContentSchema,
      body: formulas[0].content,
      deed: (content) => async () => {
        const id = randomUUID()
        const { status } = await send('POST', ROUTES.formulas, { id, name: 'Ends', content })
        return { status, views: [`/recipes/${id}`, '/recipes'], undo: () => send('DELETE', ROUTES.formula(id)) }
      }
    },
    { name: 'jar', schema: jarOpeningSchema, body: { ...jar, id: randomUUID() }, deed: (body) => newJar(body) },
    { name: 'feed', schema: feedSchema, body: { ...feed, id: randomUUID() }, deed: (body) => newJar(jar, body) },
    ...[
      { type: 'pour', item: 'seed', plannedGrams: 20, weighedGrams: 20 },
      { type: 'mark', rise: 1.4, signs: { top: 'domed' }, note: 'x' },
      { type: 'mixed', levainGrams: 40, keepBackGrams: 0, mixTempC: 24 },
      { type: 'band', mixTempC: 24 }
    ].map((event) => ({ name: event.type, schema: bakeEventSchema, body: { ...noted, ...event, id: randomUUID() }, deed: newEvent })),
    {
      name: 'kitchen',
      schema: kitchenEditSchema,
      body: edit,
      deed: (body) => async () => {
        const before = await program.call('GET', ROUTES.kitchen)
        const { status } = await send('PUT', ROUTES.kitchen, { version: before.kitchen.version, kitchen: body })
        const views = ['', '/places', '/hours', '/habits', '/devices', '/this'].map((room) => `/kitchen${room}`)
        const undo = async () => {
          const { version } = (await program.call('GET', ROUTES.kitchen)).kitchen
          return send('PUT', ROUTES.kitchen, { version, kitchen: edit })
        }
        return { status, views: [...views, ...bakeViews(running.id)], undo }
      }
    },
    {
      name: 'ingredient',
      schema: ingredientSchema,
      body: ingredients[0].ingredient,
      deed: (body) => async () => {
        const { id } = body
        const { version } = (await program.call('GET', ROUTES.ingredients)).ingredients.find((i: Loose) => i.ingredient.id === id)
        const { status } = await send('PUT', ROUTES.ingredient(id), { version, ingredient: body })
        const undo = async () => {
          const now = (await program.call('GET', ROUTES.ingredients)).ingredients.find((i: Loose) => i.ingredient.id === id)
          return send('PUT', ROUTES.ingredient(id), { version: now.version, ingredient: ingredients[0].ingredient })
        }
        return { status, views: [`/shelf?ingredient=${id}`, ...bakeViews(planned.id)], undo }
      }
    },
    {
      name: 'vessel',
      schema: vesselSchema,
      body: vessels[0],
      deed: (body) => async () => {
        const id = randomUUID()
        const { status } = await send('PUT', ROUTES.vessel(id), { version: 0, vessel: { ...body, id } })
        return { status, views: ['/kitchen/vessels', ...jarViews(jars[0].id)], undo: () => send('DELETE', ROUTES.vessel(id)) }
      }
    },
    {
      name: 'stock',
      schema: stockSchema,
      body: { ...noted, id: randomUUID(), how: 'counted', ingredientId: 'rye', grams: 500 },
      deed: (body) => async () => ({ status: (await send('POST', ROUTES.stock, { ...body, id: randomUUID() })).status, views: [], undo: async () => null })
    }
  ]
  const faults: string[] = []
  const drawn = kinds.flatMap(({ name, schema, body, deed }) => {
    const shape = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' })
    return variantsOf(shape, body, name)
      .filter(({ body: spread }) => schema.safeParse(spread).success)
      .map(({ where, body: spread }) => ({ where, deed: deed(spread) }))
  })
  const random = seededRandom(SEED)
  const order = drawn.map((one) => ({ one, at: random() })).sort((a, b) => a.at - b.at)
  const chosen = order.slice(0, EXTREMES).map(({ one }) => one)
  heading(`${chosen.length} of ${drawn.length} extremes that are valid by schema, every view that tells of them opened, seed ${SEED}`)
  const { page, complaints } = await openWindow()
  page.setDefaultTimeout(20_000)
  page.on('response', (answer) => answer.status() >= 500 && faults.push(`${answer.status()} asked by a view: ${answer.url()}`))
  await page.goto(program.address)
  const stopped: string[] = []
  const listTimes: number[] = []
  const calendarTimes: number[] = []
  const slow: string[] = []
  let taken = 0
  let opened = 0
  const lists = [ROUTES.kitchen, ROUTES.jars, `${ROUTES.bakes}?state=open`, ROUTES.shelf, ROUTES.calendar]
  for (const { where, deed } of chosen) {
    const { status, views, undo } = await deed()
    if (status >= 500) stopped.push(`${where}: ${status}`)
    if (status !== 200) continue
    taken++
    for (const list of lists) {
      const began = performance.now()
      const answer = await fetch(program.address + list)
      await answer.text()
      const tookMs = performance.now() - began
      if (list === ROUTES.calendar) calendarTimes.push(tookMs)
      else listTimes.push(tookMs)
      if (list !== ROUTES.calendar && tookMs > SLOW_MS) slow.push(`${list} ${Math.round(tookMs)} ms after ${where}`)
      if (answer.status !== 200) stopped.push(`${where}: ${list} ${answer.status}`)
    }
    for (const view of ['/', '/bakes', '/jars', '/shelf', ...views]) {
      opened++
      const before = complaints.length
      await page.evaluate(`history.pushState(null, '', ${JSON.stringify(view)}); dispatchEvent(new PopStateEvent('popstate'))`)
      const problem = await page
        .waitForTimeout(60)
        .then(() => page.locator('main h1').first().waitFor({ state: 'attached' }))
        .then(() => page.waitForFunction(() => document.querySelector('.mantine-Skeleton-root, [aria-label=Opening]') === null))
        .then(() => page.locator('main').innerText())
        .then((words) => NONSENSE.exec(words)?.[0] ?? null)
        .catch((error: Error) => error.message.split('\n')[0] ?? 'no answer')
      const said = complaints.slice(before).join(' | ')
      if (problem !== null || said !== '') stopped.push(`${where}: ${view.replace(/[0-9a-f-]{36}/, '…')}: ${problem ?? ''} ${said.slice(0, 200)}`)
      if (problem !== null) await page.goto(program.address)
    }
    await undo()
  }
  report('lists', listTimes, 'ms')
  report('calendar, made anew', calendarTimes, 'ms')
  process.stdout.write(`  taken ${taken}, refused with a sentence ${chosen.length - taken}, views opened ${opened}\n`)
  process.stdout.write(`  faults of the server: ${faults.length}; lists slower than ${SLOW_MS} ms: ${slow.length} of ${listTimes.length}\n`)
  process.stdout.write(`  views that stopped or told nonsense: ${stopped.length}\n`)
  for (const line of [...faults, ...stopped, ...slow].slice(0, 60)) process.stdout.write(`    ${line}\n`)
  await closeBrowser()
  await program.end()
}

interface Deed {
  readonly status: number
  readonly views: readonly string[]
  readonly undo: () => Promise<unknown>
}
