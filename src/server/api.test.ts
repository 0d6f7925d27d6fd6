import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { z } from 'zod'
import { apiDocument, apiPage } from '../../scripts/apiDocument'
import { API, type Operation } from '../contract'
import { allRoutes } from './testing/routesOf'
import { type Loose, startTestServer, type TestServer } from './testing/testServer'

const operations = Object.values(API).flat()
const published: Loose = JSON.parse(readFileSync('docs/openapi.json', 'utf8'))

test('what is published of the API is every route the server has, and no other', async () => {
  const there = (await allRoutes()).map(({ method, path }) => `${method} ${path.replace(/:\w+/g, '{}')}`)
  expect(operations.map(({ method, path }) => `${method} ${path.replace(/\{\w+\}/g, '{}')}`).sort()).toEqual(there.sort())
})

test('the published document and page are those that the schemas make', () => {
  expect(published).toEqual(JSON.parse(JSON.stringify(apiDocument())))
  // Its columns are set out by whoever formats it.
  const cells = (page: string) =>
    page
      .trim()
      .replace(/ *\| */g, '|')
      .replace(/-{3,}/g, '---')
  expect(cells(readFileSync('docs/api.md', 'utf8'))).toBe(cells(apiPage()))
})

test('whatever the document refers to stands in it', () => {
  const refs = [...JSON.stringify(published).matchAll(/"\$ref":"([^"]+)"/g)].map(([, ref = '']) => ref)
  expect(refs.length).toBeGreaterThan(100)
  const missing = refs.filter((ref) => ref.startsWith('#/components/schemas/') && published.components.schemas[ref.split('/')[3] ?? ''] === undefined)
  expect(missing).toEqual([])
})

describe('in Lantern Street', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await startTestServer({ demo: true })
  })
  afterAll(() => server.end())

  /** Something that is there, for addresses with an id. */
  async function there(path: string): Promise<string> {
    const { jars } = (await server.send('GET', '/api/jars')).body
    const { bakes } = (await server.send('GET', '/api/bakes')).body
    const { formulas } = (await server.send('GET', '/api/formulas')).body
    const { kitchen } = (await server.send('GET', '/api/kitchen')).body
    const of: Record<string, string> = { jars: jars[0].id, bakes: bakes[0].id, formulas: formulas[0].id, places: kitchen.places[0].id }
    return of[path.split('/')[2] ?? ''] ?? randomUUID()
  }
  /** Asked of what is not there, or in need of more than an address. */
  const APART = ['/api/changes', '/api/programs/{id}', '/api/pictures/{name}']

  test('every question is answered in the shape that is published', async () => {
    const wrong: string[] = []
    let asked = 0
    for (const { method, path, gives } of operations) {
      if (method !== 'GET' || typeof gives === 'string' || APART.includes(path)) continue
      const { status, body } = await server.send('GET', path.replace('{id}', await there(path)))
      asked++
      const read = gives.safeParse(body)
      if (status !== 200 || !read.success) wrong.push(`${path} ${status} ${read.error?.message.slice(0, 200) ?? ''}`)
    }
    expect(wrong).toEqual([])
    expect(asked).toBeGreaterThan(15)
  })

  test('whatever takes JSON refuses what is none of its shape, with a sentence', async () => {
    const takers = operations.filter((o): o is Operation & { takes: z.ZodType } => o.takes instanceof z.ZodType)
    expect(takers.length).toBeGreaterThan(35)
    const wrong: string[] = []
    for (const { method, path } of takers) {
      const { status, body } = await server.send(method, path.replace('{id}', await there(path)), { no: 'such thing' })
      if (status < 400 || status >= 500 || !/\.$/.test(body.error.message)) wrong.push(`${method} ${path} ${status}`)
    }
    expect(wrong).toEqual([])
  })
})
