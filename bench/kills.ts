import { randomUUID } from 'node:crypto'
import { closeBrowser, openWindow, startProgram } from '../e2e/support'
import { seededRandom } from '../src/core'
import { heading, report } from './report'

const ROUNDS = 20
const NOW = '2026-11-27T08:30:00.000Z'
/** A kill comes within so long after a pour, ms. */
const WITHIN_MS = 120

interface Poured {
  readonly type: string
  readonly item: string
  readonly weighedGrams: number
}

/** The server killed with SIGKILL in the middle of a pour, twenty times over: what was lost, what was doubled. */
export async function benchKills(): Promise<void> {
  heading(`The server killed within ${WITHIN_MS} ms of a pour, and started again: ${ROUNDS} times`)
  const random = seededRandom(20)
  const program = await startProgram({ demo: true, now: NOW })
  const ask = async (method: string, path: string, body?: unknown) => {
    const answer = await fetch(program.address + path, {
      method,
      headers: { 'Content-Type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) })
    })
    // biome-ignore lint/suspicious/noExplicitAny: figures of a bench, whatever their shape
    return (await answer.json()) as any
  }
  const { jars } = await ask('GET', '/api/jars')
  const juno = jars.find((j: { name: string }) => j.name === 'Juno')
  await ask('POST', `/api/jars/${juno.id}/weighings`, { id: randomUUID(), happenedAt: NOW, grams: 3000 })
  const { bakes } = await ask('GET', '/api/bakes?state=open')
  const { plan } = bakes.find((b: { plan: { name: string } }) => b.plan.name.startsWith('Market'))
  const { page } = await openWindow()
  let [lost, doubled, outOfOrder] = [0, 0, 0]
  const back: number[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const id = randomUUID()
    await ask('POST', '/api/bakes', { id, plan })
    await page.goto(`${program.address}/bakes/${id}/weigh`)
    const pour = page.getByRole('button', { name: /^Poured/ })
    await page.getByRole('heading', { name: 'Seed from Juno' }).waitFor()
    await page.waitForTimeout(2000)
    await pour.click()
    await page.waitForTimeout(random() * WITHIN_MS)
    await program.kill()
    await page.getByTestId('pour').getByRole('heading', { name: 'Water' }).waitFor()
    await pour.click()
    await page.waitForTimeout(random() * 400)
    await program.start()
    const started = performance.now()
    let events: Poured[] = []
    for (let tries = 0; tries < 100 && events.length < 2; tries++) {
      await page.waitForTimeout(100)
      events = (await ask('GET', `/api/bakes/${id}`)).events
    }
    back.push(performance.now() - started)
    await page.waitForTimeout(1500)
    events = (await ask('GET', `/api/bakes/${id}`)).events
    const of = (item: string) => events.filter((e) => e.type === 'pour' && e.item === item).length
    lost += Number(of('seed') === 0) + Number(of('water') === 0)
    doubled += Number(of('seed') > 1) + Number(of('water') > 1)
    outOfOrder += Number(events.map((e) => e.item).join() !== 'seed,water')
  }
  report('from the start until all had arrived', back, 'ms', 0)
  process.stdout.write(`  pours: ${2 * ROUNDS}; lost: ${lost}; doubled: ${doubled}; out of order: ${outOfOrder}\n`)
  await closeBrowser()
  await program.end()
}
