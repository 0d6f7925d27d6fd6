import { type ChildProcess, spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { closeBrowser, openWindow, plain, startProgram } from '../e2e/support'
import { heading, report } from './report'

const WINDOWS = 50
const DEVICES = 3
const HERTZ = 10
const SECONDS = 20
const PORT = 4391
const TICKS_PER_SECOND = 100

/** The live line: fifty windows listen, three devices push ten times a second. */
export async function benchLive(): Promise<void> {
  heading(`Live line: ${WINDOWS} windows, ${DEVICES} devices pushing at ${HERTZ} Hz for ${SECONDS} s, the built server in a process of its own`)
  const folder = await mkdtemp(join(tmpdir(), 'olvent-bench-'))
  const child = spawn(process.execPath, ['dist/server/main.js', '--demo'], {
    env: { ...process.env, OLVENT_DATA: folder, PORT: String(PORT), LOG_LEVEL: 'error' },
    stdio: ['ignore', 'pipe', 'inherit']
  })
  await new Promise<void>((ready, failed) => {
    child.stdout.on('data', (words: Buffer) => words.toString().includes('Olvent is ready') && ready())
    child.once('exit', (code) => failed(new Error(`The server ended with ${code}.`)))
  })
  const address = `http://localhost:${PORT}`
  const post = (path: string, body: unknown, token?: string) =>
    fetch(address + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', ...(token === undefined ? {} : { Authorization: `Bearer ${token}` }) },
      body: JSON.stringify(body)
    }).then((answer) => answer.json() as Promise<{ token: string }>)
  const sent = new Map<string, number>()
  const latencies: number[] = []
  let missed = 0
  const lines = Array.from({ length: WINDOWS }, () => {
    const call = request(`${address}/api/live`, (answer) => {
      answer.on('data', (chunk: Buffer) => {
        const now = performance.now()
        for (const [, device, value] of chunk.toString().matchAll(/"device":"([^"]+)"[^}]*?"value":([\d.]+)/g)) {
          const at = sent.get(`${device} ${value}`)
          if (at !== undefined) latencies.push(now - at)
        }
      })
    })
    call.on('error', () => undefined)
    call.end()
    return call
  })
  await new Promise((go) => setTimeout(go, 1000))
  const devices = await Promise.all(
    Array.from({ length: DEVICES }, async (_, i) => {
      const id = randomUUID()
      return { id, token: (await post('/api/devices', { id, name: `Scale ${i}`, kind: 'scale', resolution: 0.1 })).token }
    })
  )
  const cpuBefore = cpuSeconds(child)
  const begun = performance.now()
  let pushes = 0
  for (let tick = 0; tick < SECONDS * HERTZ; tick++) {
    for (const [i, { id, token }] of devices.entries()) {
      const value = 1000 + tick + i / 10
      sent.set(`${id} ${value}`, performance.now())
      pushes++
      void post(`/api/devices/${id}/readings`, { readings: [{ value }] }, token).then((answer) => {
        if ('error' in answer) missed++
      })
    }
    await new Promise((go) => setTimeout(go, begun + ((tick + 1) * 1000) / HERTZ - performance.now()))
  }
  await new Promise((go) => setTimeout(go, 500))
  const seconds = (performance.now() - begun) / 1000
  report('from the push to a window', latencies, 'ms')
  process.stdout.write(`  arrived: ${((100 * latencies.length) / (pushes * WINDOWS)).toFixed(1)} % of ${pushes * WINDOWS}; refused: ${missed}\n`)
  process.stdout.write(
    `  processor of the server: ${((100 * (cpuSeconds(child) - cpuBefore)) / seconds).toFixed(1)} % of one core (the stand-ins speak beside them)\n`
  )
  for (const line of lines) line.destroy()
  child.kill()
  await rm(folder, { recursive: true, force: true })
}

const POURS = 20

/** Two devices at one bowl: from the tap on one until the other shows the next item, there and back by undo. */
export async function benchTwoDevices(): Promise<void> {
  heading(`Two devices on one bake: ${POURS} pours on one, until the other shows the next item`)
  const program = await startProgram({ demo: true, now: '2026-11-27T08:30:00.000Z' })
  const { bakes } = await program.call('GET', '/api/bakes?state=open')
  const planned = bakes.find((b: { plan: { name: string } }) => b.plan.name.startsWith('Market rolls'))
  const devices = [await openWindow(), await openWindow()] as const
  const pour = (of: number) => devices[of as 0 | 1].page.getByTestId('pour')
  for (const { page } of devices) await page.goto(`${program.address}/bakes/${planned.id}/weigh`)
  const first = plain(await pour(0).getByRole('heading', { level: 2 }).innerText())
  await pour(1).getByRole('heading', { name: first }).waitFor()
  const took: number[] = []
  for (let i = 0; i < POURS; i++) {
    const begun = performance.now()
    await devices[0].page.getByRole('button', { name: /^Poured/ }).click()
    await pour(1).getByRole('heading', { name: 'Water' }).waitFor()
    took.push(performance.now() - begun)
    await devices[0].page.getByRole('button', { name: 'Undo the last pour' }).click()
    await pour(1).getByRole('heading', { name: first }).waitFor()
  }
  report('from the tap to the other device', took, 'ms')
  await closeBrowser()
  await program.end()
}

/** Processor time of a process so far, s. Source: proc(5). */
function cpuSeconds({ pid }: ChildProcess): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
    .replace(/^.*\) /, '')
    .split(' ')
  return (Number(fields[11]) + Number(fields[12])) / TICKS_PER_SECOND
}
