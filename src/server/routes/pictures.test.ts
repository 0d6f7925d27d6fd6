import { startTestServer, type TestServer } from '../testing/testServer'

let server: TestServer
beforeAll(async () => {
  server = await startTestServer({ demo: true })
})
afterAll(() => server.end())

/** The smallest picture: one white dot. */
const DOT = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mP8/w8AAwMCAO+ip1sAAAAASUVORK5CYII=', 'base64')
const send = async (bytes: Buffer, type = 'image/png') => {
  const answer = await fetch(`${server.address}/api/pictures`, { method: 'POST', headers: { 'Content-Type': type }, body: new Uint8Array(bytes) })
  return { status: answer.status, body: (await answer.json()) as { name: string; error: { message: string } } }
}

test('a picture is kept under its own hash, once, and survives a restart', async () => {
  const { body } = await send(DOT)
  expect((await send(DOT)).body.name).toBe(body.name)
  await server.restart()
  const back = await fetch(`${server.address}/api/pictures/${body.name}`)
  expect(back.headers.get('content-type')).toBe('image/png')
  expect(Buffer.from(await back.arrayBuffer()).equals(DOT)).toBe(true)
})

test('what is no picture, what says where it was taken, and names from outside are refused', async () => {
  expect((await send(Buffer.from('<svg onload="x">'))).status).toBe(400)
  const placed = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0, 20]), Buffer.from('Exif\0\0GPS')])
  expect((await send(placed, 'image/jpeg')).body.error.message).toMatch(/says where/)
  expect((await server.send('GET', '/api/pictures/..%2Folvent.sqlite')).status).toBe(400)
  expect((await server.send('GET', `/api/pictures/${'0'.repeat(64)}.png`)).status).toBe(404)
})
