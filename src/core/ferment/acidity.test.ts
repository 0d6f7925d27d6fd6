import fc from 'fast-check'
import { within } from '../testing/bakersTable'
import { type Acidity, acidityOf } from './acidity'
import { mixCultures, RIPE } from './culture'
import { FLOUR_KINDS, FLOURS, type FlourKind } from './flours'
import { TYPICAL_JAR } from './jarParameters'
import { exampleVessel } from './jarTraits'
import { simulate, type Vessel } from './simulate'

/** A levain of 100 % fed 1 : f : f with ripe seed. */
const levain = (flourPerSeed: number, tempC: number, kind: FlourKind = 'white wheat'): Vessel => ({
  ...exampleVessel(tempC),
  start: mixCultures([{ flourGrams: 1, state: RIPE }], 2 * flourPerSeed, FLOURS[kind].food),
  flours: { [kind]: 1 }
})
const peakOf = (vessel: Vessel) => simulate(vessel, TYPICAL_JAR, { untilHours: 240, stopPastPeak: true }).milestones.peakHours ?? NaN
const hoursOn = (vessel: Vessel, hours: number): Acidity => acidityOf(simulate(vessel, TYPICAL_JAR, { untilHours: hours }).end.acid, vessel)
const ripe = (vessel: Vessel) => hoursOn(vessel, peakOf(vessel))

describe('worked by hand', () => {
  test('white flour, 100 %: 171.5 mmol/kg take it from pH 6 to 4; TTA is half of 171.5 + 5 + 43 × 0.55, ÷ 10', () => {
    const { pH, tta } = acidityOf(171.5, { flours: { 'white wheat': 1 }, hydration: 1, salt: 0 })
    expect(pH).toBeCloseTo(4, 10)
    expect(tta).toBeCloseTo((171.5 + 28.65) / 20, 10)
  })
  test('the same acid in more water is as sour by pH, and less by TTA', () => {
    const [thick, thin] = [1, 2].map((hydration) => acidityOf(150, { flours: { rye: 1 }, hydration, salt: 0 }))
    expect(thin?.pH).toBe(thick?.pH)
    expect(thin?.tta).toBeCloseTo(((thick?.tta ?? 0) * 2) / 3, 10)
  })
})

describe('what bakers measure', () => {
  test('white 1:5:5 at 25 °C: pH 3.85 to 4.3 at its peak, 3.55 to 3.9 six hours later; TTA 7 to 12', () => {
    const vessel = levain(5, 25)
    const { pH, tta } = ripe(vessel)
    within(pH, [3.85, 4.3])
    within(tta, [7, 12])
    within(hoursOn(vessel, peakOf(vessel) + 6).pH, [3.55, 3.9])
  })
  test('wholegrain and rye bind more: TTA 12 to 17 and 13 to 20, at least 1.35 times that of white', () => {
    const [white, whole, rye] = [ripe(levain(5, 25)).tta, ripe(levain(5, 25, 'wholegrain wheat')).tta, ripe(levain(5, 25, 'rye')).tta]
    within(whole, [12, 17])
    within(rye, [13, 20])
    expect(Math.min(whole, rye)).toBeGreaterThan(1.35 * white)
  })
  test('a white dough with 20 % levain after 7 h at 25 °C: pH 4.4 to 5.1, TTA 4 to 8.5', () => {
    const dough = { ...levain(1, 25), start: mixCultures([{ flourGrams: 10, state: RIPE }], 100, 1), massGrams: 1000, hydration: 0.72, salt: 0.02 }
    const { pH, tta } = hoursOn(dough, 7)
    within(pH, [4.4, 5.1])
    within(tta, [4, 8.5])
  })
  test('at its own peak it is as sour at 20 as at 30 °C, within a quarter', () => {
    within(ripe(levain(5, 20)).tta / ripe(levain(5, 30)).tta, [0.8, 1.25])
  })
  test('1:1 is 3 to 35 % sharper than 1:10, each at its peak', () => {
    within(ripe(levain(1, 25)).tta / ripe(levain(10, 25)).tta, [1.03, 1.35])
  })
  test('a seed from a week in the fridge makes the next levain no more than a quarter sharper', () => {
    const stays = [
      { fromHours: 0, tempC: 22 },
      { fromHours: 1, tempC: 4 }
    ]
    const kept = simulate({ ...levain(2, 22), stays }, TYPICAL_JAR, { untilHours: 7 * 24 + 1 }).end
    const vessel = { ...levain(5, 25), start: mixCultures([{ flourGrams: 1, state: kept }], 10, 1) }
    within(ripe(vessel).tta / ripe(levain(5, 25)).tta, [1, 1.25])
  })
})

test('while nothing is added TTA never falls and pH never rises, nor goes below 3.4 or so; what is sourer by pH is so by TTA', () => {
  const kind = fc.constantFrom(...FLOUR_KINDS)
  fc.assert(
    fc.property(fc.double({ min: 0.3, max: 20, noNaN: true }), fc.double({ min: 0, max: 40, noNaN: true }), kind, (ratio, tempC, flour) => {
      const vessel = levain(ratio, tempC, flour)
      const told = [0, 3, 9, 20, 48, 120].map((hours) => hoursOn(vessel, hours))
      return told.every(({ pH, tta }, i) => {
        const before = told[i - 1]
        return pH > 3.35 && (before === undefined || (pH <= before.pH + 1e-9 && tta >= before.tta - 1e-9))
      })
    }),
    { numRuns: 40 }
  )
})
