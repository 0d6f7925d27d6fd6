import { closeBrowser, openWindow, startProgram } from '../e2e/support'
import { largeFormula } from './formula'
import { heading, report } from './report'

const KEYSTROKES = 200
const LINES = 25
/** Between two keystrokes of a fast typist. */
const PACE_MS = 90

interface Keystroke {
  committed: number
  painted: number
}

/** Typing in the formula grid of the built program, in Chromium: from the keystroke to the other cells in the document, and to the paint. */
export async function benchGrid(): Promise<void> {
  const program = await startProgram({ demo: true })
  const { bakes } = (await (await fetch(`${program.address}/api/bakes`)).json()) as { bakes: { id: string; status: string; version: number; plan: object }[] }
  const bake = bakes.find((b) => b.status === 'planned')
  if (bake === undefined) throw new Error('no planned bake')
  const full = largeFormula()
  const formula = { ...full, lines: full.lines.slice(0, LINES) }
  const answer = await fetch(`${program.address}/api/bakes/${bake.id}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ version: bake.version, plan: { ...bake.plan, formula } })
  })
  if (!answer.ok) throw new Error(await answer.text())
  const { page } = await openWindow()
  await page.goto(`${program.address}/bakes/${bake.id}/recipe`)
  await page.getByRole('textbox', { name: 'Water, grams' }).waitFor()
  await page.waitForTimeout(1500)
  for (const [name, label] of [
    ['%', 'Water, %'],
    ['g', 'Water, grams']
  ] as const) {
    await page.getByRole('textbox', { name: label }).focus()
    const times = await page.evaluate(
      async ({ keystrokes, cell, other, pace }) => {
        const input = document.querySelector<HTMLInputElement>(`input[aria-label="${cell}"]`)
        const witness = document.querySelector<HTMLInputElement>(`input[aria-label="${other}"]`)
        const put = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set
        if (input === null || witness === null || put === undefined) throw new Error('no cell')
        const start = Number(input.value)
        const found: Keystroke[] = []
        for (let i = 0; i < keystrokes; i++) {
          const before = witness.value
          const begun = performance.now()
          put.call(input, String(Math.round(start * (1 + 0.1 * Math.sin(i + 1)) * 10) / 10))
          input.dispatchEvent(new Event('input', { bubbles: true }))
          let committed = performance.now()
          while (witness.value === before && performance.now() - begun < 200) {
            await Promise.resolve()
            committed = performance.now()
          }
          await new Promise<void>((done) => {
            requestAnimationFrame(() => {
              const channel = new MessageChannel()
              channel.port1.onmessage = () => done()
              channel.port2.postMessage(null)
            })
          })
          // A keystroke that leaves the rounded grams as they were has nothing to commit.
          if (witness.value !== before) found.push({ committed: committed - begun, painted: performance.now() - begun })
          await new Promise((done) => setTimeout(done, pace))
        }
        return found
      },
      { keystrokes: KEYSTROKES, pace: PACE_MS, cell: label, other: 'Strong white flour, grams' }
    )
    heading(`Typing in a ${name} cell of a dough of ${LINES} lines, in Chromium`)
    report(
      'all cells committed',
      times.map((t) => t.committed),
      'ms'
    )
    report(
      'painted',
      times.map((t) => t.painted),
      'ms'
    )
  }
  await closeBrowser()
  await program.end()
}
