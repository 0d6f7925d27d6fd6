import { writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, chromium } from 'playwright-core'
import { PNG } from 'pngjs'
import { closeBrowser, openWindow, startProgram } from '../e2e/support'
import { findLevel, JAR_SHAPES, type JarPicture, type JarShape, jarPicture, type Pixels } from '../src/core'
import { heading, percentile, report } from './report'

/** Seeds the finding was worked out on, without two of the shapes; and those reported, with all of them. */
const TUNED = { first: 1, count: 120, shapes: ['straight', 'rounded', 'shouldered'] as readonly JarShape[] }
const REPORTED = { first: 15001, count: 200, shapes: JAR_SHAPES as readonly JarShape[] }
const NEAR = 0.1

interface Outcome {
  readonly picture: JarPicture
  /** Off by so much of the jar's height; null: could not tell. */
  readonly off: number | null
  /** The floor off by so much of it. */
  readonly floorOff: number | null
  readonly ms: number
}

/** How well levels are found in pictures that were made up, and how long it takes. */
export async function benchPictures(tune: boolean): Promise<void> {
  const { first, count, shapes } = tune ? TUNED : REPORTED
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  const page = await browser.newPage({ viewport: { width: 600, height: 800 } })
  const outcomes: Outcome[] = []
  for (let seed = first; seed < first + count; seed++) {
    const picture = jarPicture(seed, { shapes })
    await page.setContent(`<style>body{margin:0}</style>${picture.svg}`)
    const { data, width, height } = PNG.sync.read(await page.screenshot())
    const pixels: Pixels = { width, height, data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length) }
    const start = performance.now()
    const found = findLevel(pixels)
    const ms = performance.now() - start
    outcomes.push({
      picture,
      off: found === null ? null : Math.abs(found.level * height - picture.levelY) / (picture.floorY - picture.rimY),
      floorOff: found === null ? null : Math.abs(found.frame.floor * height - picture.floorY) / (picture.floorY - picture.rimY),
      ms
    })
    if (tune && (found === null ? picture.readable : (outcomes.at(-1)?.off ?? 0) > 0.05))
      say(
        `  seed ${seed}`,
        `${picture.shape}, ${found === null ? 'cannot tell' : `off ${((outcomes.at(-1)?.off ?? 0) * 100).toFixed(1)} % at ${found.level.toFixed(3)} for ${(picture.levelY / height).toFixed(3)}, frame ${JSON.stringify(found.frame)} true ${(picture.leftX / 600).toFixed(2)}–${(picture.rightX / 600).toFixed(2)}, ${(picture.rimY / 800).toFixed(2)}–${(picture.floorY / 800).toFixed(2)}`}, sure ${found?.sure.toFixed(2)}`
      )
  }
  const large = tune ? null : await largePicture(browser)
  await browser.close()
  heading(`Levels in ${count} made-up pictures (seeds ${first}–${first + count - 1}), shares of the jar's height`)
  tell('all', outcomes)
  for (const shape of shapes)
    tell(
      `  ${shape}${tune || TUNED.shapes.includes(shape) ? '' : ' (never seen before)'}`,
      outcomes.filter((o) => o.picture.shape === shape)
    )
  report(
    'finding jar and level in 0.5 megapixel',
    outcomes.map((o) => o.ms),
    'ms'
  )
  if (large !== null) await benchLarge(large)
}

const LARGE_TIMES = 12

/** A photograph of 12 megapixels, as a phone takes it. @returns its path */
async function largePicture(browser: Browser): Promise<string> {
  const context = await browser.newContext({ viewport: { width: 600, height: 800 }, deviceScaleFactor: 5 })
  const page = await context.newPage()
  await page.setContent(`<style>body{margin:0}</style>${jarPicture(REPORTED.first).svg}`)
  const path = join(tmpdir(), `olvent-large-${process.pid}.jpg`)
  await writeFile(path, await page.screenshot({ type: 'jpeg', quality: 90 }))
  await context.close()
  return path
}

/** In the built program: from the choice of a large picture to its lines, and how long the page stood still meanwhile. */
async function benchLarge(path: string): Promise<void> {
  const program = await startProgram({ demo: true })
  const { bakes } = await program.call('GET', '/api/bakes?state=open')
  const id = (bakes as { id: string; status: string }[]).find((b) => b.status === 'ripening')?.id
  const { page } = await openWindow()
  await page.goto(`${program.address}/bakes/${id}/watch`)
  await page.getByTestId('ways').waitFor()
  await page.getByText('Photographs of the jar').click()
  const until: number[] = []
  const still: number[] = []
  for (let i = 0; i < LARGE_TIMES; i++) {
    await page.evaluate(() => {
      const seen = window as unknown as { chosenAt: number; linesAt: number; longest: number }
      seen.chosenAt = 0
      seen.linesAt = 0
      seen.longest = 0
      const card = document.querySelector('[data-testid=from-pictures]') as HTMLElement
      const before = card.querySelector('img')?.getAttribute('src') ?? ''
      let last = performance.now()
      const watch = {
        frame() {
          const now = performance.now()
          // The bar is there as soon as the picture has been handed over.
          if (seen.chosenAt === 0 && card.querySelector('[role=progressbar]') !== null) seen.chosenAt = last
          if (seen.chosenAt > 0) seen.longest = Math.max(seen.longest, now - last)
          last = now
          const image = card.querySelector('img')?.getAttribute('src') ?? ''
          if (image !== '' && image !== before) seen.linesAt = now
          else requestAnimationFrame(watch.frame)
        }
      }
      requestAnimationFrame(watch.frame)
    })
    await page.locator('[data-testid=from-pictures] input[type=file]').setInputFiles(path)
    await page.waitForTimeout(1200)
    const told = await page.evaluate(() => {
      const { chosenAt, linesAt, longest } = window as unknown as { chosenAt: number; linesAt: number; longest: number }
      return { chosenAt, linesAt, longest }
    })
    if (i > 1) {
      until.push(told.linesAt - told.chosenAt)
      still.push(told.longest)
    }
  }
  heading('A picture of 12 megapixels in the built program, in Chromium')
  report('from the choice to its lines', until, 'ms', 0)
  report('longest the page stood still', still, 'ms', 0)
  await closeBrowser()
  await program.end()
}

function tell(name: string, outcomes: readonly Outcome[]): void {
  const readable = outcomes.filter((o) => o.picture.readable)
  const offs = outcomes.flatMap((o) => o.off ?? [])
  const percent = (x: number) => `${(100 * x).toFixed(1)} %`
  say(
    name,
    `median ${percent(percentile(offs, 0.5))}, 95 % within ${percent(percentile(offs, 0.95))}; floor median ${percent(
      percentile(
        outcomes.flatMap((o) => o.floorOff ?? []),
        0.5
      )
    )}, 95 % within ${percent(
      percentile(
        outcomes.flatMap((o) => o.floorOff ?? []),
        0.95
      )
    )}; off by more than 10 %: ${offs.filter((o) => o > NEAR).length} of ${outcomes.length}; readable, yet "cannot tell": ${readable.filter((o) => o.off === null).length} of ${readable.length}; unreadable, and told so: ${outcomes.filter((o) => !o.picture.readable && o.off === null).length} of ${outcomes.length - readable.length}`
  )
}

function say(name: string, words: string): void {
  process.stdout.write(`  ${name.padEnd(34)} ${words}\n`)
}
