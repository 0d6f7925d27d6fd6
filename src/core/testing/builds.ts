import { mixCultures, RIPE } from '../ferment/culture'
import type { Vessel } from '../ferment/simulate'
import type { BatchLine } from '../jars/lineage'
import type { PlannedBuild } from '../schedule/planBuild'

/** Ripe seed 1:10:10 of white wheat at 100 %, 220 g, mixed at 24 °C. @param tempC where it stands */
export const whiteVessel = (tempC: number): Vessel => ({
  start: mixCultures([{ flourGrams: 1, state: RIPE }], 10, 1),
  massGrams: 220,
  hydration: 1,
  salt: 0,
  flours: { 'white wheat': 1 },
  mixTempC: 24,
  stays: [{ fromHours: 0, tempC }]
})

/** A day's build of white wheat, 1:5:5 for 200 g at a steady 24 °C, of a seed at its peak. */
export const DAY_BUILD: PlannedBuild = {
  levain: {
    source: 'separate build',
    doughNeeds: [200],
    keepBackGrams: 20,
    hydration: 1,
    salt: 0,
    oil: 0,
    by: { kind: 'ratio', flourPerSeed: 5 },
    jar: { grams: 95, hydration: 1, keepMinimumGrams: 15 },
    older: { share: 0.5, hydration: 1 }
  },
  flours: { 'white wheat': 1 },
  seed: { flour: 'white wheat', line: null },
  place: { tempC: 24 },
  mixTempC: 24
}

/** A levain of white wheat, 1:5:5 for 220 g, of a seed at its peak, at a steady temperature. */
export const whiteLevain = (startedAtMs: number, tempC = 24): BatchLine => ({
  startedAtMs,
  flours: { 'white wheat': 100 },
  waterGrams: 100,
  saltGrams: 0,
  mixTempC: tempC,
  stays: [{ fromMs: startedAtMs, tempC }],
  parents: [{ grams: 20, hydration: 1, flour: 'white wheat', line: null }]
})

/** A dough of a kilo of white wheat in all, with a fifth of levain, 72 % and 2 % salt. @param levain what went in; one at its peak, where left out */
export const whiteDough = (startedAtMs: number, levain: BatchLine | null = null, tempC = 24): BatchLine => ({
  ...whiteLevain(startedAtMs, tempC),
  flours: { 'white wheat': 900 },
  waterGrams: 620,
  saltGrams: 20,
  parents: [{ grams: 200, hydration: 1, flour: 'white wheat', line: levain }]
})
