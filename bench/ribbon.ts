import { closeBrowser, openWindow, startProgram } from '../e2e/support'
import { heading, report } from './report'

const MOVES = 120
/** How far the hill is dragged to either side, px. */
const REACH = 90
const REST = 30
/** Time from one move to the next; what the measuring itself takes is printed as the interval at rest. */
const INTERVAL_MS = 50
/** Pointer moves before the figures count: the code is warm then. */
const WARM = 20

/** Keeps the length of every frame in the window; as text, since it runs there. */
const WATCH_FRAMES = `
  window.framesSeen = []
  let last = performance.now()
  requestAnimationFrame(function tick(now) {
    window.framesSeen.push(now - last)
    last = now
    requestAnimationFrame(tick)
  })
`

/** Dragging a planned hill in the built program, in Chromium: main-thread time of each move, and the frames. */
export async function benchRibbon(): Promise<void> {
  const program = await startProgram({ demo: true })
  const { bakes } = (await (await fetch(`${program.address}/api/bakes`)).json()) as { bakes: { id: string; status: string }[] }
  const bake = bakes.find((b) => b.status === 'planned')
  if (bake === undefined) throw new Error('no planned bake')
  for (const [what, answers, name] of [
    ['the ripe moment, the start answers', 'the start', 'Ripe moment'],
    ['the ripe moment, the ratio answers', 'the ratio', 'Ripe moment'],
    ['the start, the warmth of the place answers', 'the warmth of the place', 'Start of the build']
  ] as const) {
    const { page, context } = await openWindow()
    await page.goto(`${program.address}/bakes/${bake.id}/clock`)
    const grip = page.getByRole('slider', { name })
    await grip.waitFor()
    await page.waitForTimeout(1500)
    await page.getByLabel('What answers when the hill is moved').first().click()
    await page.getByRole('option', { name: answers }).click()
    const box = await grip.boundingBox()
    if (box === null) throw new Error('no grip')
    const cdp = await context.newCDPSession(page)
    await cdp.send('Performance.enable')
    const busy = async () => {
      const { metrics } = await cdp.send('Performance.getMetrics')
      return 1000 * (metrics.find((m) => m.name === 'TaskDuration')?.value ?? 0)
    }
    await page.evaluate(WATCH_FRAMES)
    const x = box.x + box.width / 2
    const y = box.y + box.height / 2
    const rest: number[] = []
    for (let i = 0; i < REST; i++) {
      const before = await busy()
      await page.waitForTimeout(INTERVAL_MS)
      rest.push((await busy()) - before)
    }
    await page.mouse.move(x, y)
    await page.mouse.down()
    const spent: number[] = []
    for (let i = 0; i < MOVES; i++) {
      if (i === WARM) await page.evaluate('window.framesSeen.splice(0)')
      const before = await busy()
      await page.mouse.move(x + REACH * Math.sin(i / 9), y)
      await page.waitForTimeout(INTERVAL_MS)
      if (i >= WARM) spent.push((await busy()) - before)
    }
    const frames = (await page.evaluate('[...window.framesSeen]')) as number[]
    await page.mouse.up()
    heading(`Dragging ${what}, ${spent.length} moves, in Chromium`)
    report('main thread in such an interval, at rest', rest, 'ms')
    report('main thread for each move', spent, 'ms')
    report('frames', frames, 'ms')
    await context.close()
  }
  await closeBrowser()
  await program.end()
}
