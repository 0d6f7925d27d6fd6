import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { closeBrowser, openWindow, startProgram, type Window } from '../e2e/support'

/** One current picture per main view, from the demo kitchen at a standing clock, into docs/screenshots. */
const folder = join(process.cwd(), 'docs', 'screenshots')

async function shoot(window: Window, address: string, path: string, name: string): Promise<void> {
  await window.page.goto(address + path)
  await window.page.locator('h1').first().waitFor({ state: 'attached' })
  // The live line never rests: what is loading is told by the room itself.
  await window.page.waitForFunction(() => document.querySelector('[role=progressbar]') === null)
  await window.page.waitForFunction(() => document.querySelector('.mantine-Skeleton-root') === null)
  await window.page.waitForTimeout(1500)
  await window.page.screenshot({ path: join(folder, `${name}.png`) })
  process.stdout.write(`  ${name}\n`)
}

/** Plan with the schedules that were found. */
async function shootWays({ page }: Window, address: string, path: string): Promise<void> {
  await page.goto(address + path)
  await page.getByRole('button', { name: 'Find schedules' }).click()
  await page.locator('section[aria-label="Schedules"][aria-busy=false]').waitFor()
  await page
    .getByRole('region', { name: 'When do you want bread?' })
    .evaluate((card) => window.scrollTo(0, card.getBoundingClientRect().top + window.scrollY - 16))
  await page.waitForTimeout(700)
  await page.screenshot({ path: join(folder, 'bake-plan.png') })
  process.stdout.write('  bake-plan\n')
}

/** The first questions, with the first one answered. */
async function shootFirstRun({ page }: Window, address: string): Promise<void> {
  await page.goto(address)
  await page.getByText('In the fridge', { exact: true }).click()
  await page.getByText('What is it like?').waitFor()
  await page.waitForTimeout(700)
  await page.screenshot({ path: join(folder, 'first-run.png') })
  process.stdout.write('  first-run\n')
}

/** The running levain goes into its dough. */
async function mixed(address: string, id: string | undefined): Promise<void> {
  const event = { id: '0ff1ce00-0000-4000-8000-000000000001', happenedAt: '2026-11-27T09:12:00.000Z', type: 'mixed', levainGrams: 220, keepBackGrams: 20 }
  const answer = await fetch(`${address}/api/bakes/${id}/events`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(event)
  })
  if (!answer.ok) throw new Error(await answer.text())
}

async function main(): Promise<void> {
  mkdirSync(folder, { recursive: true })
  const demo = await startProgram({ demo: true, now: '2026-11-27T09:12:00.000Z' })
  const own = await startProgram({ now: '2026-11-27T09:12:00.000Z' })
  const { bakes } = (await (await fetch(`${demo.address}/api/bakes`)).json()) as { bakes: { id: string; status: string }[] }
  const running = bakes.find((b) => b.status === 'ripening')?.id
  const planned = bakes.find((b) => b.status === 'planned')?.id
  const { jars } = (await (await fetch(`${demo.address}/api/jars`)).json()) as { jars: { id: string; name: string }[] }
  const juno = jars.find((j) => j.name === 'Juno')?.id
  const wide = await openWindow()
  await shoot(wide, demo.address, '/', 'today')
  await shoot(wide, demo.address, `/bakes/${planned}/recipe`, 'bake-recipe')
  await shoot(wide, demo.address, `/bakes/${planned}/levain`, 'bake-levain')
  await shootWays(wide, demo.address, `/bakes/${planned}/plan`)
  await shoot(wide, demo.address, `/bakes/${planned}/compare`, 'compare')
  await shoot(wide, demo.address, '/jars', 'jars')
  await shoot(wide, demo.address, `/jars/${juno}/programs?kind=absence`, 'program')
  await shoot(wide, demo.address, '/shelf', 'shelf')
  await shoot(wide, demo.address, `/jars/${juno}/pace`, 'pace')
  await shoot(wide, demo.address, `/bakes/${planned}/weigh`, 'bake-weigh')
  await shoot(wide, demo.address, `/bakes/${running}/watch`, 'bake-watch')
  await shoot(wide, demo.address, '/recipes', 'recipes')
  await shoot(wide, demo.address, '/kitchen', 'kitchen')
  await shootFirstRun(wide, own.address)
  await shoot(await openWindow({ dim: true }), demo.address, '/', 'today-dim')
  const phone = await openWindow({ width: 390, height: 844 })
  await shoot(phone, demo.address, '/', 'today-phone')
  await shoot(phone, demo.address, `/bakes/${planned}/weigh`, 'bake-weigh-phone')
  await mixed(demo.address, running)
  await shoot(wide, demo.address, `/bakes/${running}/bread`, 'bake-bread')
  await closeBrowser()
  await demo.end()
  await own.end()
}

main().catch((error: unknown) => {
  process.stderr.write(`${String(error)}\n`)
  process.exit(1)
})
