import type { Locator, Page } from 'playwright-core'
import { type Program, plain } from '../support'

/** A baker at work: what they click and type is counted, as it would tire them. */
export interface Baker {
  readonly page: Page
  /** Presses a button, follows a link, takes a chip. */
  click(what: Locator): Promise<void>
  /** Takes what says just these words. */
  take(words: string): Promise<void>
  /** Types into a field. */
  fill(label: string | RegExp, text: string): Promise<void>
  /** Types the hour of a time of day. */
  hour(label: string, hour: string): Promise<void>
  /** Clicks and fields since it was asked last. */
  counted(): number
  /** Moves the kitchen's clock, and looks at a page anew. @param path left out: the page that is open */
  later(iso: string, path?: string): Promise<void>
  /** All that the open room says. */
  room(): Promise<string>
}

export function bakerAt(page: Page, program: Program): Baker {
  let count = 0
  return {
    page,
    async click(what) {
      count++
      await what.click()
    },
    async take(words) {
      count++
      await page.getByText(words, { exact: true }).first().click()
    },
    async fill(label, text) {
      count++
      await page.getByRole('textbox', { name: label }).first().fill(text)
    },
    async hour(label, hour) {
      count++
      await page.getByRole('spinbutton', { name: `${label}, hour` }).fill(hour)
    },
    counted() {
      const all = count
      count = 0
      return all
    },
    async later(iso, path) {
      await program.moveClock(iso)
      if (path === undefined) await page.reload()
      else await page.goto(program.address + path)
    },
    room: async () => plain(await page.locator('main').innerText())
  }
}
