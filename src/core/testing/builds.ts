import type { PlannedBuild } from '../schedule/planBuild'

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
