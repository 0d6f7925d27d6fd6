import { createHash, randomUUID } from 'node:crypto'
import { readdir, utimes, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { millisecondsInDay } from 'date-fns/constants'
import sharp from 'sharp'
import { type Loose, startTestServer, TEST_NOW, type TestServer } from '../testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer({ demo: true })
})
afterAll(() => server.end())

const send = async (bytes: Buffer, type = 'image/png') => {
  const answer = await fetch(`${server.address}/api/pictures`, { method: 'POST', headers: { 'Content-Type': type }, body: new Uint8Array(bytes) })
  return { status: answer.status, body: (await answer.json()) as { name: string; error: { message: string } } }
}

test('a picture is kept under its own hash, once, and survives a restart', async () => {
  const DOT = await sharp({ create: { width: 1, height: 1, channels: 3, background: 'white' } })
    .png()
    .toBuffer()
  const { body } = await send(DOT)
  expect((await send(DOT)).body.name).toBe(body.name)
  await server.restart()
  const back = await fetch(`${server.address}/api/pictures/${body.name}`)
  expect(back.headers.get('content-type')).toBe('image/jpeg')
  const bytes = Buffer.from(await back.arrayBuffer())
  expect(createHash('sha256').update(bytes).digest('hex')).toBe(body.name.slice(0, 64))
  expect(await sharp(bytes).metadata()).toMatchObject({ width: 1, height: 1 })
})

test('where and by what it was taken is not kept, in none of the three ways a picture can say it', async () => {
  const loaf = sharp({ create: { width: 40, height: 30, channels: 3, background: 'tan' } })
  const xmp = '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">Lantern Street 7</rdf:RDF></x:xmpmeta>'
  for (const type of ['jpeg', 'png', 'webp'] as const) {
    const placed = await loaf
      .clone()
      .withExif({ IFD0: { Make: 'Lantern', Copyright: 'Street 7' } })
      .withXmp(xmp)
      [type]()
      .toBuffer()
    expect(placed.toString('latin1')).toMatch(/Street 7/)
    const { status, body } = await send(placed, `image/${type}`)
    expect(status).toBe(200)
    const kept = Buffer.from(await (await fetch(`${server.address}/api/pictures/${body.name}`)).arrayBuffer())
    expect(kept.toString('latin1')).not.toMatch(/Street 7|Exif|xmpmeta|eXIf/)
    const { exif, xmp: said } = await sharp(kept).metadata()
    expect([exif, said]).toEqual([undefined, undefined])
  }
})

test('a large one is kept no wider than a screen; one of too many dots, and what is no picture, are refused', async () => {
  const wide = await sharp({ create: { width: 3000, height: 1500, channels: 3, background: 'tan' } })
    .jpeg()
    .toBuffer()
  const { body } = await send(wide, 'image/jpeg')
  const kept = Buffer.from(await (await fetch(`${server.address}/api/pictures/${body.name}`)).arrayBuffer())
  expect(await sharp(kept).metadata()).toMatchObject({ width: 2400, height: 1200, format: 'jpeg' })
  const endless = await sharp({ create: { width: 9000, height: 9000, channels: 3, background: 'tan' } })
    .png()
    .toBuffer()
  expect((await send(endless)).status).toBe(400)
  expect((await send(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" onload="x"/>'))).status).toBe(400)
  expect((await send(wide.subarray(0, wide.length / 2), 'image/jpeg')).status).toBe(400)
  expect((await server.send('GET', '/api/pictures/..%2Folvent.sqlite')).status).toBe(400)
  expect((await server.send('GET', `/api/pictures/${'0'.repeat(64)}.png`)).status).toBe(404)
})

test('a picture of which no entry speaks is swept away after a month, and half a one at once; any other stays', async () => {
  const shade = async (background: string) =>
    (
      await send(
        await sharp({ create: { width: 2, height: 2, channels: 3, background } })
          .png()
          .toBuffer()
      )
    ).body.name
  const [told, forgotten, waiting] = [await shade('brown'), await shade('tan'), await shade('white')]
  const { bakes } = (await server.send('GET', '/api/bakes?state=open')).body
  const growing = bakes.find((bake: Loose) => bake.plan.name === 'Two lantern loaves')
  const event = { id: randomUUID(), happenedAt: TEST_NOW, type: 'mark', rise: 1.9, signs: {}, picture: told }
  expect((await server.send('POST', `/api/bakes/${growing.id}/events`, event)).body).not.toHaveProperty('error')
  const folder = join(server.folder, 'pictures')
  const daysAgo = (days: number) => new Date(Date.parse(TEST_NOW) - days * millisecondsInDay)
  for (const name of [told, forgotten]) await utimes(join(folder, name), daysAgo(31), daysAgo(31))
  await utimes(join(folder, waiting), daysAgo(29), daysAgo(29))
  await writeFile(join(folder, `${waiting}.1.half`), 'half')
  await server.restart()
  const there = await readdir(folder)
  expect(there).toEqual(expect.arrayContaining([told, waiting]))
  expect(there).not.toContain(forgotten)
  expect(there.join()).not.toContain('half')
})
