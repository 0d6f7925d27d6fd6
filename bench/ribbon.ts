import { closeBrowser, openWindow, startProgram, type Window } from '../e2e/support'
import { UNKNOWN_JAR } from '../src/core'
import { heading, percentile, report } from './report'

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
    await page.goto(`${program.address}/bakes/${bake.id}/plan`)
    const grip = page.getByRole('slider', { name })
    await grip.waitFor()
    await page.waitForTimeout(1500)
    await page.getByLabel('What answers when the hill is moved').first().click()
    await page.getByRole('option', { name: answers }).click()
    const box = await grip.boundingBox()
    if (box === null) throw new Error('no grip')
    const cdp = await context.newCDPSession(page)
    await cdp.send('Performance.enable', { timeDomain: 'threadTicks' })
    const busy = async () => {
      const { metrics } = await cdp.send('Performance.getMetrics')
      const ms = (name: string) => 1000 * (metrics.find((m) => m.name === name)?.value ?? 0)
      return { all: ms('TaskDuration'), answer: ms('ScriptDuration') + ms('RecalcStyleDuration') + ms('LayoutDuration') }
    }
    await page.evaluate(WATCH_FRAMES)
    const x = box.x + box.width / 2
    const y = box.y + box.height / 2
    const rest: number[] = []
    for (let i = 0; i < REST; i++) {
      const before = await busy()
      await page.waitForTimeout(INTERVAL_MS)
      rest.push((await busy()).all - before.all)
    }
    // Straight to the browser: the driver's own mouse prepares for drag and drop with scripts in the page at every move.
    const mouse = (type: 'mouseMoved' | 'mousePressed' | 'mouseReleased', at: number) =>
      cdp.send('Input.dispatchMouseEvent', {
        type,
        x: at,
        y,
        button: type === 'mouseMoved' ? 'none' : 'left',
        buttons: type === 'mouseReleased' ? 0 : 1,
        clickCount: 1
      })
    await page.mouse.move(x, y)
    await mouse('mousePressed', x)
    const spent: number[] = []
    const answering: number[] = []
    for (let i = 0; i < MOVES; i++) {
      if (i === WARM) await page.evaluate('window.framesSeen.splice(0)')
      const before = await busy()
      await mouse('mouseMoved', x + REACH * Math.sin(i / 9))
      await page.waitForTimeout(INTERVAL_MS)
      const after = await busy()
      if (i < WARM) continue
      spent.push(after.all - before.all)
      answering.push(after.answer - before.answer)
    }
    const frames = (await page.evaluate('[...window.framesSeen]')) as number[]
    await mouse('mouseReleased', x)
    heading(`Dragging ${what}, ${spent.length} moves, in Chromium`)
    report('main thread in such an interval, at rest', rest, 'ms')
    const usual = percentile(rest, 0.5)
    report(
      'main thread for each move, beyond that at rest',
      spent.map((ms) => ms - usual),
      'ms'
    )
    report('of it script, style and layout', answering, 'ms')
    report('frames', frames, 'ms')
    await context.close()
  }
  await benchWorker(await openWindow(), program.address)
  await closeBrowser()
  await program.end()
}

const FORECASTS = 80

/** Asks the window's worker as the window does, from inside it; as text, since it runs there. */
const ASK = `(question) => {
  const ask = (school, line) => {
    const from = performance.now()
    const argumentList = [line, school, question.belief].map((value) => ({ type: 'RAW', value }))
    self.dispatchEvent(new MessageEvent('message', { data: { id: 'bench', type: 'APPLY', path: ['forecast'], argumentList } }))
    return performance.now() - from
  }
  const lines = Array.from({ length: question.count }, (_, i) => ({ ...question.line, mixTempC: 22 + i / 40 }))
  return lines.map((line) => [ask('dome', line), ask('young', line)])
}`

/** Forecasts of 400 draws in the worker of the built program. */
async function benchWorker({ page, context }: Window, address: string): Promise<void> {
  const started = page.waitForEvent('worker')
  await page.goto(`${address}/`)
  const worker = await started
  await page.waitForTimeout(1500)
  const line = {
    startedAtMs: 0,
    flours: { 'white wheat': 100 },
    waterGrams: 100,
    saltGrams: 0,
    stays: [{ fromMs: 0, tempC: 24 }],
    parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
  }
  const question = { line, belief: UNKNOWN_JAR, count: FORECASTS + WARM }
  const times = (await worker.evaluate(`(${ASK})(${JSON.stringify(question)})`)) as [number, number][]
  const warm = times.slice(WARM)
  heading('A forecast of 400 draws of an unknown jar, in the worker of the built program')
  report(
    'drawn',
    warm.map(([all, told]) => all - told),
    'ms'
  )
  report(
    'told: quantiles of level, window, fitness',
    warm.map(([, told]) => told),
    'ms'
  )
  await context.close()
}
