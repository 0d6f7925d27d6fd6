import { request as rawRequest } from 'node:http'
import { buildWith, firstRun, formulaFor, type Loose, piecesOf, planFor, startTestServer, type TestServer, testId } from './testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.end())

describe('before the first run', () => {
  test('there is no kitchen yet, and that is an answer', async () => {
    expect((await server.send('GET', '/api/kitchen')).body).toEqual({ kitchen: null })
    expect((await server.send('GET', '/api/jars')).body).toEqual({ jars: [] })
  })
  test('a bake without a kitchen is told what to do first', async () => {
    const { status, body } = await server.send('POST', '/api/jars', { ...(firstRun().jar as object), placeId: testId() })
    expect(status).toBe(409)
    expect(body.error.message).toContain('answer the first questions')
  })
})

describe('the first run', () => {
  const answers = firstRun()
  test('the first answers open a kitchen with a jar, a worktop and a fridge', async () => {
    const { status, body } = await server.send('POST', '/api/kitchen/first-run', answers)
    expect(status).toBe(200)
    expect(body.places.map((p: Loose) => [p.name, p.tempC])).toEqual([
      ['Worktop', 22],
      ['Fridge', 4]
    ])
    expect(body.demo).toBe(false)
    const { jars } = (await server.send('GET', '/api/jars')).body
    expect(jars).toHaveLength(1)
    expect(jars[0]).toMatchObject({ name: 'Pip', grams: 100, hydration: expect.closeTo(1, 3) })
  })
  test('sent twice it counts once', async () => {
    expect((await server.send('POST', '/api/kitchen/first-run', answers)).status).toBe(200)
    expect((await server.send('GET', '/api/jars')).body.jars).toHaveLength(1)
  })
  test('another window comes too late', async () => {
    const { status, body } = await server.send('POST', '/api/kitchen/first-run', firstRun())
    expect(status).toBe(409)
    expect(body.error.message).toContain('another window')
  })
})

describe('settings', () => {
  test('change under a version; a stale one gets both', async () => {
    const { kitchen } = (await server.send('GET', '/api/kitchen')).body
    const { id, version, demo, ...edit } = kitchen
    const changed = await server.send('PUT', '/api/kitchen', { version, kitchen: { ...edit, mass: 'oz', name: 'Corner kitchen' } })
    expect(changed.body).toMatchObject({ mass: 'oz', name: 'Corner kitchen', version: version + 1, id, demo })
    const stale = await server.send('PUT', '/api/kitchen', { version, kitchen: edit })
    expect(stale.status).toBe(409)
    expect(stale.body.error.current.name).toBe('Corner kitchen')
    await server.send('PUT', '/api/kitchen', { version: version + 1, kitchen: edit })
  })
  test('an unknown zone, a wrong time and no place at all are sentences by field', async () => {
    const { kitchen } = (await server.send('GET', '/api/kitchen')).body
    const { id: _id, version, demo: _demo, ...edit } = kitchen
    const { status, body } = await server.send('PUT', '/api/kitchen', {
      version,
      kitchen: { ...edit, timeZone: 'Mars/Base', sleep: { from: '25:00', to: 'x' }, places: [] }
    })
    expect(status).toBe(400)
    expect(Object.keys(body.error.fields)).toEqual(expect.arrayContaining(['kitchen.timeZone', 'kitchen.sleep.from', 'kitchen.sleep.to', 'kitchen.places']))
  })
})

describe('guards', () => {
  test('a strict policy: no inline script, no outside host, no promise of https', async () => {
    const { headers } = await server.send('GET', '/api/health')
    const policy = headers.get('content-security-policy') ?? ''
    expect(policy).toContain("script-src 'self'")
    expect(policy).not.toMatch(/unsafe-inline|unsafe-eval|https?:/)
    expect(policy).toMatch(/style-src 'self' 'nonce-[^']+'/)
    expect(policy).not.toContain('upgrade-insecure-requests')
    expect(headers.get('strict-transport-security')).toBeNull()
    expect(headers.get('x-powered-by')).toBeNull()
  })
  test('every answer has a nonce of its own', async () => {
    const nonce = async () => (await server.send('GET', '/api/health')).headers.get('content-security-policy')?.match(/nonce-([^']+)/)?.[1]
    expect(await nonce()).not.toBe(await nonce())
  })
  test('a page of somebody else cannot write', async () => {
    const { status } = await server.send('DELETE', `/api/bakes/${testId()}`, undefined, { Origin: 'http://elsewhere.example' })
    expect(status).toBe(403)
  })
  test('a strange name for this machine is not answered', async () => {
    const { port } = new URL(server.address)
    const status = await new Promise<number | undefined>((resolve, reject) => {
      const req = rawRequest({ host: '127.0.0.1', port, path: '/api/health', headers: { Host: 'rebound.example' } }, (res) => {
        res.resume()
        resolve(res.statusCode)
      })
      req.on('error', reject)
      req.end()
    })
    expect(status).toBe(403)
  })
  test('broken JSON, two megabytes, an unknown address: sentences, never a fault', async () => {
    const broken = await server.send('POST', '/api/bakes', '{"id": ')
    expect([broken.status, broken.body.error.code]).toEqual([400, 'not json'])
    const huge = await server.send('POST', '/api/bakes', { id: testId(), plan: { name: 'x'.repeat(2_000_000) } })
    expect([huge.status, huge.body.error.code]).toEqual([413, 'too large'])
    const nowhere = await server.send('GET', '/api/cakes')
    expect([nowhere.status, nowhere.body.error.code]).toEqual([404, 'no such address'])
    const illFormed = await server.send('GET', '/api/bakes/%E0%A4%A')
    expect(illFormed.status).toBe(400)
  })
  test.each(['', 'null', '[]', '"text"', '7'])('a body of %j is refused with a sentence', async (body) => {
    const answer = await server.send('POST', '/api/bakes', body)
    expect(answer.status).toBe(400)
    expect(answer.body.error.message.length).toBeGreaterThan(10)
  })
})

describe('bad wishes', () => {
  test.each([
    ['a negative hydration', { formula: formulaFor({ hydration: -0.5 }) }, 'plan.formula.hydration'],
    ['hydration 0', { formula: formulaFor({ hydration: 0 }) }, 'plan.formula.hydration'],
    ['hydration as text', { formula: formulaFor({ hydration: 'wet' }) }, 'plan.formula.hydration'],
    ['NaN, which JSON makes null', { formula: formulaFor({ salt: Number.NaN }) }, 'plan.formula.salt'],
    ['a thousand million grams', { target: piecesOf(1, 1e9) }, 'plan.target.pieces.0.grams'],
    ['half a piece', { target: piecesOf(0.5, 500) }, 'plan.target.pieces.0.count'],
    ['no pieces', { target: { ...piecesOf(1, 1), pieces: [] } }, 'plan.target.pieces'],
    ['more dough than a kitchen holds', { target: piecesOf(500, 20_000) }, 'plan.target'],
    ['no name', { name: '   ' }, 'plan.name'],
    ['yesterday', { mixAt: '2026-11-25T09:00:00.000Z' }, 'plan.mixAt'],
    ['in three years', { mixAt: '2029-11-25T09:00:00.000Z' }, 'plan.mixAt'],
    ['no date at all', { mixAt: 'soon' }, 'plan.mixAt'],
    ['an unknown base', { formula: formulaFor({ base: 'my own' }) }, 'plan.formula.base'],
    ['a ratio of nothing', { build: buildWith({ by: { kind: 'ratio', flourPerSeed: 0 } }) }, 'plan.build.by.flourPerSeed'],
    ['a levain wetter than the dough allows', { formula: formulaFor({ levain: 3, hydration: 0.3 }), build: buildWith({ hydration: 2.5 }) }, 'plan.formula'],
    ['a wet seed into a stiff levain', { build: buildWith({ hydration: 0.3, by: { kind: 'ratio', flourPerSeed: 0.2 } }) }, 'plan.build.by'],
    [
      'no flour line',
      {
        formula: formulaFor({
          lines: [
            { id: 'w', kind: 'water' },
            { id: 's', kind: 'salt' },
            { id: 'l', kind: 'levain', share: 0.2 }
          ]
        })
      },
      'plan.formula.lines'
    ],
    [
      'an ingredient that is not in the kitchen',
      { formula: formulaFor({ lines: [...(formulaFor().lines as object[]), { id: 'x', kind: 'extra', ingredientId: 'stardust', share: 0.1 }] }) },
      'plan.formula'
    ],
    ['a dough without levain', { formula: formulaFor({ levain: 0 }) }, 'plan.formula'],
    ['a levain of a flour that is not there', { build: buildWith({ flours: [{ ingredientId: 'stardust', share: 1 }] }) }, 'plan.build.flours'],
    ['a place that is gone', { placeId: '99999999-0000-4000-8000-000000000000' }, 'placeId']
  ])('%s', async (_, more, field) => {
    const before = (await server.send('GET', '/api/bakes')).body.total
    const { status, body } = await server.send('POST', '/api/bakes', { id: testId(), plan: await planFor(server, more) })
    expect(status).toBe(400)
    expect(body.error.fields).toHaveProperty([field])
    expect(body.error.message).toMatch(/^[A-Z].*[.?]$/)
    expect((await server.send('GET', '/api/bakes')).body.total).toBe(before)
  })
  test('unknown ids, well formed or not', async () => {
    for (const id of [testId(), 'nonsense']) {
      expect((await server.send('GET', `/api/bakes/${id}`)).status).toBe(404)
      expect(
        (await server.send('POST', `/api/bakes/${id}/events`, { id: testId(), type: 'undo', undoes: testId(), happenedAt: '2026-11-26T19:00:00Z' })).status
      ).toBe(404)
    }
    const unknownJar = await server.send('POST', '/api/bakes', { id: testId(), plan: await planFor(server, { jarId: testId() }) })
    expect(unknownJar.status).toBe(404)
  })
})

describe('texts and dates that harm', () => {
  const rename = async (name: unknown) => {
    const { id: _id, version, demo: _demo, ...edit } = (await server.send('GET', '/api/kitchen')).body.kitchen
    return server.send('PUT', '/api/kitchen', { version, kitchen: { ...edit, name } })
  }
  test.each(['Kitchen\nATTENDEE:mailto:x@example.com', 'Kitchen\r\nEND:VCALENDAR', 'Bell\u0007', 'Next\u0085line'])(
    'a name stands on one line: %j is refused',
    async (name) => {
      const { status, body } = await rename(name)
      expect([status, body.error.fields['kitchen.name']]).toEqual([400, 'A name stands on one line.'])
    }
  )
  test('a NUL is refused wherever it stands', async () => {
    const { jars } = (await server.send('GET', '/api/jars')).body
    const look = await server.send('POST', `/api/jars/${jars[0].id}/looks`, { id: testId(), happenedAt: '2026-11-26T19:00:00.000Z', note: 'so\u0000il' })
    expect([look.status, look.body.error.message]).toEqual([400, expect.stringContaining('cannot be kept')])
  })
  test.each(['1970-01-01T00:00:00.000Z', '1999-12-31T23:59:59.000Z', '2126-01-01T00:00:00.000Z'])(
    'a date of another century is a sentence: %s',
    async (mixAt) => {
      const { status, body } = await server.send('POST', '/api/bakes', { id: testId(), plan: await planFor(server, { mixAt }) })
      expect([status, body.error.fields['plan.mixAt']]).toEqual([400, 'This date is too far away. It has to lie between 2000 and 2100.'])
    }
  )
  test.each(['constructor', '__proto__', 'toString'])('a flour called %s is one like any other', async (name) => {
    const { kitchen } = (await server.send('GET', '/api/kitchen')).body
    const ingredient = { ...(await server.send('GET', '/api/ingredients')).body.ingredients[0].ingredient, id: name, name }
    const put = await server.send('PUT', `/api/ingredients/${name}`, { version: 0, ingredient })
    const plan = await planFor(server, { build: buildWith({ flours: [{ ingredientId: name, share: 1 }] }) })
    const bake = await server.send('POST', '/api/bakes', { id: testId(), plan })
    // Either it is refused as a name, or its levain has flour.
    if (put.status === 200) expect(bake.status).toBe(200)
    else expect([put.status, bake.status]).toEqual([400, 400])
    expect(kitchen.places.length).toBeGreaterThan(0)
  })
})
