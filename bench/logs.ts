import { type BuildLog, type LoggedBuild, MODEL, mixCultures, type Observation, RIPE, type Vessel } from '../src/core'

/** A logged build as the forecast takes it: what the baker wrote down, not what was. */
export function vesselOfLog({ coldDays, flourPerSeed, massGrams, mixTempC, roomC }: LoggedBuild): Vessel {
  const seed = { ...RIPE, lagWork: RIPE.lagWork + MODEL.lagWorkPerColdDay * coldDays }
  return {
    start: mixCultures([{ flourGrams: 0.5, state: seed }], flourPerSeed, 1),
    massGrams,
    hydration: 1,
    salt: 0,
    flours: { 'white wheat': 1 },
    mixTempC,
    stays: [{ fromHours: 0, tempC: roomC }]
  }
}

/** What the baker wrote down of it. */
export function logOf(build: LoggedBuild): BuildLog {
  const seen: Observation[] = build.looks.map(({ hours, rise }) => ({ kind: 'level', hours, rise }))
  if (build.seenPeakHours !== null) seen.push({ kind: 'peak', hours: build.seenPeakHours })
  else seen.push({ kind: build.ended.fallen ? 'fallen' : 'climbing', hours: build.ended.hours })
  return { vessel: vesselOfLog(build), seen }
}
