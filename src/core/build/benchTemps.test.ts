import { FLOUR, levainOf, WATER } from '../dough/composition'
import { type MixItem, reckonMix } from './benchTemps'

const seed: MixItem = { grams: 30, composition: levainOf(1), isCulture: true }
const water: MixItem = { grams: 150, composition: WATER, isCulture: false }
const flour: MixItem = { grams: 150, composition: FLOUR, isCulture: false }
const usual = { wantedC: 26, flourC: 22, cultureC: 22, riseK: 0 }

// By hand: 1 g of heat is 1.8 J for flour, 4.18 for water, 2.99 for a seed of 100 %. 30 g of seed at 5, 150 g of flour at 18, 150 g of water:
// (26 × (30 × 2.99 + 150 × 1.8 + 150 × 4.18) − 30 × 2.99 × 5 − 150 × 1.8 × 18) ÷ (150 × 4.18) = 32.45 °C.
test('cold seed and cool flour, measured, make the water warmer; poured so, the mix comes out as wanted', () => {
  const mix = reckonMix([seed, water, flour], { flourC: 18, cultureC: 5 }, usual)
  expect(mix.wantedWater.ok && mix.wantedWater.value).toBeCloseTo(32.45, 1)
  expect(mix.mixC).toBeCloseTo(26, 1)
})

// (30 × 2.99 × 22 + 150 × 1.8 × 22 + 627 × 14) ÷ (89.7 + 270 + 627) = 16.92 °C.
test('water from the tap, measured as it goes in, tells how cool the mix comes out; mixing by hand warms it', () => {
  expect(reckonMix([seed, water, flour], { waterC: 14 }, usual).mixC).toBeCloseTo(16.9, 5)
  expect(reckonMix([seed, water, flour], { waterC: 14 }, { ...usual, riseK: 1 }).mixC).toBeCloseTo(17.9, 5)
})

test('where no water could bring it there, the water is as warm as a culture bears, or as cold as water gets', () => {
  const cold = reckonMix([seed, water, flour], { flourC: 2, cultureC: 2 }, { ...usual, wantedC: 38 })
  expect(cold.wantedWater.ok).toBe(false)
  expect(cold.waterC).toBe(40)
  expect(cold.mixC).toBeLessThan(38)
  expect(reckonMix([seed, water, flour], { flourC: 38, cultureC: 38 }, { ...usual, wantedC: 10 }).waterC).toBe(0)
})

test('nothing in the bowl is as warm as wanted; a mix without water as warm as what is in it', () => {
  expect(reckonMix([], {}, usual).mixC).toBe(26)
  expect(reckonMix([flour], { flourC: 19 }, usual).mixC).toBe(19)
})
