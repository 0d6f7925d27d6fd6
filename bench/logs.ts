import {
  type BuildLog,
  FLOURS,
  type FlourKind,
  type LoggedBuild,
  MODEL,
  mixCultures,
  type Observation,
  RIPE,
  TRUE_MIXES,
  type TrueMixName,
  type Vessel
} from '../src/core'

const FLOUR_OF: Readonly<Record<TrueMixName, FlourKind>> = {
  white: 'white wheat',
  wholegrain: 'wholegrain wheat',
  rye: 'rye',
  wet: 'white wheat',
  stiff: 'white wheat',
  'gluten-free': 'gluten-free'
}

/** What a mix is made of. */
export const flourOf = (mix: TrueMixName): FlourKind => FLOUR_OF[mix]

/** A logged build as the forecast takes it: what the baker wrote down, not what was. */
export function vesselOfLog({ mix, coldDays, flourPerSeed, massGrams, mixTempC, roomC }: LoggedBuild): Vessel {
  const { hydration } = TRUE_MIXES[mix]
  const seed = { ...RIPE, lagWork: RIPE.lagWork + MODEL.lagWorkPerColdDay * coldDays }
  return {
    start: mixCultures([{ flourGrams: 1 / (1 + hydration), state: seed }], flourPerSeed, FLOURS[FLOUR_OF[mix]].food),
    massGrams,
    hydration,
    salt: 0,
    flours: { [FLOUR_OF[mix]]: 1 },
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
