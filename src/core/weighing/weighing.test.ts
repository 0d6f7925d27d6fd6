import { seededRandom } from '../truth/seededRandom'
import { EMPTY_SCALE, noisyTenth, shownBy, stepMeter, stepProbe, stepScale, type TrueScale, touchScale } from '../truth/trueScale'
import { readPour, toleranceOf } from './readPour'
import { beginItem, pouredNow, pouredStill, readScale, type ScaleState, SILENT_SCALE } from './scaleWatch'

/** A worktop: a stand-in scale, and what is made of its readings, ten times a second. */
function worktop(seed = 1) {
  const random = seededRandom(seed)
  let scale: TrueScale = EMPTY_SCALE
  let state: ScaleState = SILENT_SCALE
  let ms = 0
  return {
    touch: (deed: Parameters<typeof touchScale>[1]) => {
      scale = touchScale(scale, deed)
    },
    begin: () => {
      state = beginItem(state)
    },
    wait: (seconds: number) => {
      for (let i = 0; i < seconds * 10; i++) {
        ms += 100
        scale = stepScale(scale, 0.1, random)
        const grams = shownBy(scale, random, 1)
        if (grams !== null) state = readScale(state, { ms, grams }, 1)
      }
    },
    get state() {
      return state
    },
    get load() {
      return scale.load
    }
  }
}

test('a bowl, then water: what went in is read without a button being pressed', () => {
  const top = worktop()
  top.touch({ do: 'put', grams: 412 })
  top.wait(2)
  top.begin()
  top.touch({ do: 'put', grams: 150 })
  top.wait(0.3)
  expect(pouredStill(top.state)).toBeNull()
  top.wait(2)
  expect(Math.abs((pouredStill(top.state) ?? 0) - 150)).toBeLessThanOrEqual(1)
})

test('a hand that pours goes past what it wanted, by grams and not by spoons', () => {
  const over = [1, 2, 3, 4, 5, 6].map((seed) => {
    const top = worktop(seed)
    top.touch({ do: 'pour', grams: 150 })
    top.wait(12)
    return top.load - 150
  })
  expect(Math.max(...over)).toBeGreaterThan(0.5)
  for (const grams of over) expect(Math.abs(grams)).toBeLessThan(12)
})

test('the bowl lifted off and put back: nothing is lost', () => {
  const top = worktop()
  top.touch({ do: 'put', grams: 500 })
  top.wait(2)
  top.begin()
  top.touch({ do: 'put', grams: 120 })
  top.wait(2)
  top.touch({ do: 'lift' })
  top.wait(2)
  expect(top.state.away).not.toBeNull()
  top.touch({ do: 'put', grams: 620 })
  top.wait(2)
  expect(top.state.away).toBeNull()
  expect(Math.abs((pouredStill(top.state) ?? 0) - 120)).toBeLessThanOrEqual(2)
})

test('its own tare pressed between: what goes in after it counts from there', () => {
  const top = worktop()
  top.touch({ do: 'put', grams: 500 })
  top.wait(2)
  top.begin()
  top.touch({ do: 'tare' })
  top.wait(2)
  top.touch({ do: 'put', grams: 80 })
  top.wait(2)
  expect(Math.abs((pouredStill(top.state) ?? 0) - 80)).toBeLessThanOrEqual(1)
})

test('something taken out of the bowl counts against it', () => {
  const top = worktop()
  top.touch({ do: 'put', grams: 500 })
  top.wait(2)
  top.begin()
  top.touch({ do: 'put', grams: 60 })
  top.wait(2)
  top.touch({ do: 'put', grams: -20 })
  top.wait(2)
  expect(Math.abs((pouredNow(top.state) ?? 0) - 40)).toBeLessThanOrEqual(2)
})

test('an empty battery says nothing', () => {
  const random = seededRandom(1)
  expect(shownBy(touchScale(EMPTY_SCALE, { do: 'battery', share: 0 }), random, 1)).toBeNull()
})

test('a probe lags: two thirds of the way after six seconds, there after half a minute', () => {
  expect(stepProbe(20, 40, 6)).toBeCloseTo(32.64, 1)
  expect(stepProbe(20, 40, 30)).toBeGreaterThan(39.8)
  // A pH meter is half as quick.
  expect(stepMeter(7, 4, 12)).toBeCloseTo(5.1, 1)
  expect(Math.abs(noisyTenth(25, seededRandom(3)) - 25)).toBeLessThan(0.5)
})

const water = { key: 'water', grams: 150, resolution: 1 }
const flour = { key: 'flour', grams: 168, resolution: 1 }

test('tolerance: a step of the scale for little, a little more for much, never more than 8 g', () => {
  expect(toleranceOf({ grams: 16, resolution: 1 })).toBe(1)
  expect(toleranceOf({ grams: 3, resolution: 0.1 })).toBe(0.1)
  // Two grams of 77 are no event.
  expect(toleranceOf({ grams: 77, resolution: 1 })).toBe(2)
  expect(toleranceOf({ grams: 49, resolution: 1 })).toBe(1)
  expect(toleranceOf({ grams: 300, resolution: 1 })).toBe(4.5)
  expect(toleranceOf({ grams: 2000, resolution: 1 })).toBe(8)
})

test('what was poured, read as a baker would', () => {
  expect(readPour(0.4, water)).toEqual({ kind: 'nothing' })
  expect(readPour(149, water)).toEqual({ kind: 'right' })
  expect(readPour(75, { ...water, grams: 77 })).toEqual({ kind: 'right' })
  expect(readPour(120, water)).toEqual({ kind: 'under', missing: 30 })
  expect(readPour(157, water)).toEqual({ kind: 'over', by: 7 })
  expect(readPour(-12, water)).toEqual({ kind: 'taken out', by: 12 })
})

test('the next item’s mass at one go, and a scale that was not set to zero, are noticed', () => {
  expect(readPour(168, water, [flour])).toEqual({ kind: 'another item', key: 'flour' })
  // Flour after 180 g of seed and water, still on the display.
  expect(readPour(348, flour, [], 180)).toEqual({ kind: 'not tared', grams: 168 })
})
