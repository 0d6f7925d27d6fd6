import { randomUUID } from 'node:crypto'
import { mkdtemp, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { readConfig } from '../config'
import { contentsOf } from '../db/health'
import { STEP_NAMES } from '../db/migrate'
import { importFrom } from '../takeAlongByHand'
import { firstRun, type Loose, planFor, startTestServer, TEST_NOW, type TestServer } from '../testing/testServer'

/** Two kitchens become one: what is new comes, what has gone on is brought up to date, and a baker is asked only where both have something of their own. */

const started: TestServer[] = []
afterEach(async () => {
  for (const server of started.splice(0)) await server.end()
})

const kitchen = async (options: Parameters<typeof startTestServer>[0] = {}) => {
  const server = await startTestServer(options)
  started.push(server)
  return server
}
const fileOf = async (server: TestServer) => new Uint8Array(await (await fetch(`${server.address}/api/export.zip`)).arrayBuffer())
const lookInto = async (server: TestServer, file: Uint8Array<ArrayBuffer>): Promise<Loose> =>
  (await fetch(`${server.address}/api/import`, { method: 'POST', headers: { 'Content-Type': 'application/zip' }, body: file })).json()
const weigh = (server: TestServer, jarId: string, grams: number) =>
  server.send('POST', `/api/jars/${jarId}/weighings`, { id: randomUUID(), happenedAt: TEST_NOW, grams })
const jarsOf = async (server: TestServer): Promise<Loose[]> => (await server.send('GET', '/api/jars')).body.jars
const bakesOf = async (server: TestServer): Promise<Loose[]> => (await server.send('GET', '/api/bakes?state=open')).body.bakes
const merge = (server: TestServer, id: string, choices: Record<string, string> = {}) => server.send('POST', `/api/import/${id}`, { how: 'merge', choices })

/** A kitchen with one jar, and the same kitchen on another computer. */
async function twoOfOne(): Promise<{ here: TestServer; there: TestServer; jarId: string }> {
  const here = await kitchen()
  await here.send('POST', '/api/kitchen/first-run', firstRun())
  const there = await kitchen()
  const { id } = await lookInto(there, await fileOf(here))
  await there.send('POST', `/api/import/${id}`, { how: 'replace' })
  return { here, there, jarId: (await jarsOf(here))[0].id }
}

async function bakeIn(server: TestServer, name: string): Promise<string> {
  const id = randomUUID()
  expect((await server.send('POST', '/api/bakes', { id, plan: await planFor(server, { name }) })).status).toBe(200)
  return id
}

test('what has gone on in the file only is brought up to date without a question', async () => {
  const { here, there, jarId } = await twoOfOne()
  await bakeIn(there, 'Planned elsewhere')
  await weigh(there, jarId, 64)
  const { id, merge: told } = await lookInto(here, await fileOf(there))
  expect(told).toMatchObject({ added: { bake: 1 }, goneOn: 1, clashes: [] })
  expect((await merge(here, id)).status).toBe(200)
  expect((await jarsOf(here)).map((jar) => jar.grams)).toEqual([64])
  expect((await bakesOf(here)).map((bake) => bake.plan.name)).toEqual(['Planned elsewhere'])
  expect((await here.send('GET', '/api/copies')).body.copies[0].reason).toBe('import')
})

test('what has gone on here only stays, and the file of an older day brings nothing', async () => {
  const { here, there, jarId } = await twoOfOne()
  const older = await fileOf(there)
  await weigh(here, jarId, 71)
  const mine = await bakeIn(here, 'Planned here')
  const { id, merge: told } = await lookInto(here, older)
  expect(told).toMatchObject({ added: {}, goneOn: 0, clashes: [] })
  await merge(here, id)
  expect((await jarsOf(here))[0].grams).toBe(71)
  expect((await bakesOf(here)).map((bake) => bake.id)).toEqual([mine])
})

describe('where both have noted something of one jar', () => {
  const both = async () => {
    const { here, there, jarId } = await twoOfOne()
    await weigh(here, jarId, 71)
    await weigh(there, jarId, 64)
    await bakeIn(there, 'Planned elsewhere')
    return { here, jarId, ...(await lookInto(here, await fileOf(there))) }
  }

  test('it is asked, and nothing happens before it is answered', async () => {
    const { here, jarId, id, merge: told } = await both()
    expect(told.clashes).toEqual([
      { kind: 'jar', id: jarId, name: 'Pip', why: 'changed', here: { entries: 2, at: TEST_NOW }, there: { entries: 2, at: TEST_NOW } }
    ])
    const refused = await merge(here, id)
    expect([refused.status, refused.body.error.message]).toEqual([400, 'Say first which one counts: Pip.'])
    expect([await bakesOf(here), (await jarsOf(here))[0].grams]).toEqual([[], 71])
  })

  test.each([
    ['here', 71],
    ['there', 64]
  ])('the side that is chosen counts: %s', async (side, grams) => {
    const { here, jarId, id } = await both()
    expect((await merge(here, id, { [jarId]: side })).status).toBe(200)
    expect((await jarsOf(here))[0].grams).toBe(grams)
    expect(await bakesOf(here)).toHaveLength(1)
    const { body } = await here.send('GET', `/api/jars/${jarId}/history`)
    expect(body.error).toBeUndefined()
    await here.stop()
    started.splice(started.indexOf(here), 1)
    expect((await contentsOf(join(here.folder, 'kitchen.sqlite'), STEP_NAMES, 'thorough')).damage).toBeNull()
    await rm(here.folder, { recursive: true })
  })
})

test('a jar that both sides took of is asked about; a choice that leaves less than nothing is refused, another one then goes through', async () => {
  const { here, there, jarId } = await twoOfOne()
  await weigh(here, jarId, 10)
  const bakeId = await bakeIn(there, 'Weighed elsewhere')
  const poured = { id: randomUUID(), type: 'pour', happenedAt: TEST_NOW, item: 'seed', plannedGrams: 17, weighedGrams: 17 }
  expect((await there.send('POST', `/api/bakes/${bakeId}/events`, poured)).status).toBe(200)
  const { id, merge: told } = await lookInto(here, await fileOf(there))
  expect(told.clashes.map((clash: Loose) => [clash.kind, clash.id])).toEqual([['jar', jarId]])
  const refused = await merge(here, id, { [jarId]: 'here' })
  expect([refused.status, refused.body.error.message]).toEqual([400, expect.stringContaining('do not fit together')])
  expect([(await jarsOf(here))[0].grams, await bakesOf(here)]).toEqual([10, []])
  expect((await merge(here, id, { [jarId]: 'there' })).status).toBe(200)
  // 100 g in the jar, 17 g of it in the bake.
  expect((await jarsOf(here))[0].grams).toBe(83)
  expect((await bakesOf(here))[0].events).toHaveLength(1)
})

test('a jar with the longest of names is still called after its file, within what a name may be', async () => {
  const [here, there] = [await kitchen(), await kitchen()]
  const name = 'P'.repeat(80)
  for (const server of [here, there]) {
    const answers = firstRun()
    await server.send('POST', '/api/kitchen/first-run', { ...answers, jar: { ...(answers.jar as Loose), name } })
  }
  const { id, merge: told } = await lookInto(here, await fileOf(there))
  await merge(here, id, Object.fromEntries(told.clashes.map((clash: Loose) => [clash.id, 'there'])))
  expect((await jarsOf(here)).map((jar) => jar.name).sort()).toEqual([`${'P'.repeat(64)} (from the file)`, name].sort())
})

test('two strangers: places of one name become one, a second jar of a name is called after its file', async () => {
  const [here, there] = [await kitchen(), await kitchen()]
  for (const server of [here, there]) await server.send('POST', '/api/kitchen/first-run', firstRun())
  const { id, merge: told } = await lookInto(here, await fileOf(there))
  expect(told.added).toEqual({ jar: 1 })
  expect(told.clashes.length).toBeGreaterThan(0)
  expect(told.clashes.every((clash: Loose) => clash.why === 'same name')).toBe(true)
  const choices = Object.fromEntries(told.clashes.map((clash: Loose) => [clash.id, 'here']))
  const places = (await here.send('GET', '/api/kitchen')).body.kitchen.places.map((place: Loose) => place.name)
  expect((await merge(here, id, choices)).status).toBe(200)
  const jars = await jarsOf(here)
  expect(jars.map((jar) => jar.name).sort()).toEqual(['Pip', 'Pip (from the file)'])
  expect(new Set(jars.map((jar) => jar.placeId)).size).toBe(1)
  expect((await here.send('GET', '/api/kitchen')).body.kitchen.places.map((place: Loose) => place.name)).toEqual(places)
})

test('all of Lantern Street comes into a kitchen in use, to the gram, and can be brought in again without a change', async () => {
  const here = await kitchen()
  const demo = await kitchen({ demo: true })
  await here.send('POST', '/api/kitchen/first-run', firstRun())
  const file = await fileOf(demo)
  const first = await lookInto(here, file)
  const keepBoth = Object.fromEntries(first.merge.clashes.map((clash: Loose) => [clash.id, 'there']))
  expect((await merge(here, first.id, keepBoth)).status).toBe(200)
  const grams = async (server: TestServer) => Object.fromEntries((await jarsOf(server)).map((jar) => [jar.name, jar.grams]))
  expect(await grams(here)).toEqual({ Pip: 100, ...(await grams(demo)) })
  expect((await bakesOf(here)).map((bake) => [bake.id, bake.status])).toEqual((await bakesOf(demo)).map((bake) => [bake.id, bake.status]))
  const again = await lookInto(here, file)
  expect(again.merge).toMatchObject({ added: {}, goneOn: 0 })
  expect(again.merge.clashes.filter((clash: Loose) => !/place|vessel|ingredient/.test(clash.kind))).toEqual([])
})

test('from the terminal a file is added where that is said, and what is here stays where both differ', async () => {
  const { here, there, jarId } = await twoOfOne()
  await weigh(here, jarId, 71)
  await weigh(there, jarId, 64)
  await bakeIn(there, 'Planned elsewhere')
  const file = join(await mkdtemp(join(tmpdir(), 'olvent-merge-')), 'kitchen.zip')
  await writeFile(file, await fileOf(there))
  await here.stop()
  const config = readConfig({ OLVENT_DATA: here.folder, PORT: '0' }, ['--no-web'], here.folder)
  await expect(importFrom(config, [file])).rejects.toThrow('add --add')
  expect(await importFrom(config, [file, '--add'])).toBe('"My kitchen" is now part of "My kitchen". Yours stayed of: Pip.')
  const again = await kitchen({ folder: here.folder })
  started.splice(started.indexOf(here), 1)
  expect((await jarsOf(again))[0].grams).toBe(71)
  expect(await bakesOf(again)).toHaveLength(1)
})
