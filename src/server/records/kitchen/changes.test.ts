import { firstRun, type Loose, planFor, startTestServer, type TestServer, testId } from '../../testing/testServer'
import { changedFields } from './changes'

let server: TestServer
beforeEach(async () => {
  server = await startTestServer()
  await server.send('POST', '/api/kitchen/first-run', firstRun())
})
afterEach(() => server.end())

const changes = async (what: string, of: string): Promise<Loose[]> => (await server.send('GET', `/api/changes?what=${what}&of=${of}`)).body.changes
const later = (minutes: number) => server.send('POST', '/api/clock', { now: new Date(Date.parse('2026-11-26T19:42:00.000Z') + minutes * 60_000).toISOString() })

test('a plan keeps what was overwritten: from what, to what, when; typing is one change, and back again none', async () => {
  const id = testId()
  let bake = (await server.send('POST', '/api/bakes', { id, plan: await planFor(server) })).body
  const edit = async (salt: number) => {
    bake = (await server.send('PUT', `/api/bakes/${id}`, { version: bake.version, plan: { ...bake.plan, formula: { ...bake.plan.formula, salt } } })).body
  }
  const { salt } = bake.plan.formula
  await edit(0.021)
  await edit(0.0215)
  expect(await changes('plan', id)).toEqual([{ at: '2026-11-26T19:42:00.000Z', who: null, fields: [{ field: 'formula.salt', from: salt, to: 0.0215 }] }])
  await edit(salt)
  expect(await changes('plan', id)).toEqual([])
  await edit(0.023)
  await later(11)
  await edit(0.018)
  expect((await changes('plan', id)).map((c) => c.fields[0])).toEqual([
    { field: 'formula.salt', from: 0.023, to: 0.018 },
    { field: 'formula.salt', from: salt, to: 0.023 }
  ])
})

test('settings, places, jars, vessels and ingredients as well', async () => {
  const { kitchen } = (await server.send('GET', '/api/kitchen')).body
  const { id, version, demo: _demo, ...edit } = kitchen
  const [place, ...others] = edit.places
  await server.send('PUT', '/api/kitchen', { version, kitchen: { ...edit, tapTempC: 11, places: [{ ...place, tempC: 24 }, ...others] } })
  expect((await changes('kitchen', id))[0].fields).toEqual([
    { field: 'tapTempC', from: edit.tapTempC, to: 11 },
    { field: `places.${place.id}.tempC`, from: 22, to: 24 }
  ])
  const { jars } = (await server.send('GET', '/api/jars')).body
  const { name: _name, ...jar } = jars[0]
  const put = { name: 'Pippa', culture: jar.culture, flour: jar.flour, feed: jar.feed, vesselId: jar.vesselId, keepMinimumGrams: jar.keepMinimumGrams }
  expect((await server.send('PUT', `/api/jars/${jar.id}`, { version: jar.version, jar: put })).status).toBe(200)
  expect((await changes('jar', jar.id))[0].fields).toContainEqual({ field: 'name', from: 'Pip', to: 'Pippa' })
  const { ingredients } = (await server.send('GET', '/api/ingredients')).body
  const rye = ingredients.find((i: Loose) => i.ingredient.id === 'rye').ingredient
  await server.send('PUT', '/api/ingredients/rye', { version: 0, ingredient: { ...rye, name: 'Dark rye' } })
  expect((await changes('ingredient', 'rye'))[0].fields).toEqual([{ field: 'name', from: rye.name, to: 'Dark rye' }])
})

test('another device is named', async () => {
  await server.send('PUT', '/api/passphrase', { next: 'four warm loaves on Saturday' })
  const elsewhere = { 'x-forwarded-for': '192.168.1.7' }
  const { headers } = await server.send('POST', '/api/session', { passphrase: 'four warm loaves on Saturday', name: 'Tablet' }, elsewhere)
  const cookie = (headers.get('set-cookie') ?? '').split(';')[0] ?? ''
  const { kitchen } = (await server.send('GET', '/api/kitchen')).body
  const { id, version, demo: _demo, ...edit } = kitchen
  await server.send('PUT', '/api/kitchen', { version, kitchen: { ...edit, tapTempC: 11 } }, { ...elsewhere, cookie })
  expect((await changes('kitchen', id))[0].who).toBe('Tablet')
})

test('lists of things with ids are gone through by these, other lists are one value', () => {
  const line = (id: string, share: number) => ({ id, share })
  expect(changedFields({ lines: [line('a', 1), line('b', 2)] }, { lines: [line('b', 3), line('a', 1)] })).toEqual([{ field: 'lines.b.share', from: 2, to: 3 }])
  expect(changedFields({ pins: ['mix'] }, { pins: ['mix', 'bake'] })).toEqual([{ field: 'pins', from: ['mix'], to: ['mix', 'bake'] }])
  expect(changedFields({ a: 1 }, { a: 1, b: 2 })).toEqual([{ field: 'b', from: null, to: 2 }])
})
