import { gzipSync } from 'node:zlib'
import { closeBrowser, openWindow, type Program, startProgram } from '../e2e/support'
import { heading, report } from './report'

const LOADS = 12

/** The built program: start, answers of the server, first load in a real browser. */
export async function benchProgram(): Promise<void> {
  heading('Start of the built program, demo kitchen')
  const begun = performance.now()
  const program = await startProgram({ demo: true })
  report('first start, kitchen laid', [(performance.now() - begun) / 1000], 's', 2)
  const starts: number[] = []
  for (let i = 0; i < 5; i++) {
    await program.kill()
    const again = performance.now()
    await program.start()
    starts.push((performance.now() - again) / 1000)
  }
  report('later starts', starts, 's', 2)

  heading('Answers of the server')
  for (const path of ['/api/kitchen', '/api/jars', '/api/bakes?state=open', '/api/bakes?state=done&limit=20']) {
    const times: number[] = []
    for (let i = 0; i < 60; i++) {
      const asked = performance.now()
      await (await fetch(program.address + path)).arrayBuffer()
      times.push(performance.now() - asked)
    }
    report(path, times.slice(10), 'ms')
  }
  await firstLoad(program)
  await closeBrowser()
  await program.end()
}

async function firstLoad(program: Program): Promise<void> {
  heading('First load of Today in Chromium, empty cache')
  const usable: number[] = []
  const painted: number[] = []
  let scripts = 0
  let gzipped = 0
  for (let i = 0; i < LOADS; i++) {
    const { page, context } = await openWindow()
    if (i === 0) {
      page.on('response', async (response) => {
        if (!response.url().endsWith('.js')) return
        const body = await response.body()
        scripts += body.length
        gzipped += gzipSync(body).length
      })
    }
    await page.goto(program.address)
    await page.getByTestId('next').waitFor()
    usable.push(await page.evaluate(() => performance.now()))
    painted.push(await page.evaluate(() => performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? Number.NaN))
    await context.close()
  }
  report('first contentful paint', painted, 'ms', 0)
  report('next action on the screen and usable', usable, 'ms', 0)
  process.stdout.write(`  JavaScript before that: ${(scripts / 1024).toFixed(0)} KB, ${(gzipped / 1024).toFixed(0)} KB gzipped\n`)
}
