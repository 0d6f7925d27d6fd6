/**
 * A made-up baker's log: jars that differ, rooms that wander, looks that are missed and misread. The figures of the spread are those the
 * learning is judged by; it imports nothing from ferment.
 */
import { normalFrom, seededRandom } from './seededRandom'
import { TRUE_MIXES, type TrueMixName } from './trueMixes'
import { type HiddenJar, restedCulture, seedShareOf, type TrueCurve, trueRise, trueRiseAt } from './trueRise'

/** How much jars, rooms, builds and readings differ (sd; of the logarithm where a factor). */
export const TRUE_SPREAD = { pace: 0.25, pause: 0.4, height: 0.2, roomC: 1, chance: 0.1, reading: 0.05 } as const
/** A room keeps what it is off by for about so long, h. */
const ROOM_WANDER_HOURS = 6

/** A look at a jar, as it was written down. */
export interface LoggedLook {
  readonly hours: number
  /** Height ÷ height at the band, misread. */
  readonly rise: number
}

/** One build as the baker knows it, and as it really went. */
export interface LoggedBuild {
  readonly mix: TrueMixName
  readonly flourPerSeed: number
  /** What the thermometer said, °C. */
  readonly roomC: number
  readonly mixTempC: number
  readonly massGrams: number
  /** Days the ripe seed had stood in the cold. */
  readonly coldDays: number
  readonly looks: readonly LoggedLook[]
  /** When the baker believes it was at its top, h; null when nobody was there. */
  readonly seenPeakHours: number | null
  /** The last look: whether it was still climbing or had fallen. */
  readonly ended: { readonly hours: number; readonly fallen: boolean }
  readonly truth: TrueCurve
}

/** A jar with the builds made from it. */
export interface TrueLog {
  readonly jar: HiddenJar
  readonly builds: readonly LoggedBuild[]
}

const LONGEST_HOURS = 60
const RATIOS = [1, 2, 3, 4, 5, 6, 8, 10] as const

/**
 * A jar nobody knows and its log.
 * @param seed whole number; the same gives the same jar
 * @param builds how many
 * @param mix what it is fed with, every time
 */
export function trueLog(seed: number, builds: number, mix: TrueMixName = 'white'): TrueLog {
  const random = seededRandom(seed)
  const normal = normalFrom(random)
  const jar = {
    pace: Math.exp(TRUE_SPREAD.pace * normal()),
    pause: Math.exp(TRUE_SPREAD.pause * normal()),
    height: Math.exp(TRUE_SPREAD.height * normal())
  }
  return { jar, builds: Array.from({ length: builds }, () => loggedBuild(jar, mix, random, normal)) }
}

function loggedBuild(jar: HiddenJar, mix: TrueMixName, random: () => number, normal: () => number): LoggedBuild {
  const flourPerSeed = RATIOS[Math.floor(random() * RATIOS.length)] ?? NaN
  const roomC = Math.round((19 + 8 * random()) * 2) / 2
  const mixTempC = Math.round(20 + 6 * random())
  const massGrams = Math.round(80 + 400 * random())
  const coldDays = random() < 0.3 ? Math.ceil(5 * random()) : 0
  const offs = wander(normal)
  const tau = 0.5 + massGrams / 220
  const tempAt = followed((h) => roomC + (offs[Math.min(Math.floor(h * 4), offs.length - 1)] ?? NaN), mixTempC, tau)
  const chance = Math.exp(TRUE_SPREAD.chance * normal())
  const { hydration, pace, height } = TRUE_MIXES[mix]
  const own = { ...jar, height: jar.height * height }
  const seedShare = seedShareOf(flourPerSeed, hydration)
  const truth = trueRise({ seedShare, seed: restedCulture(coldDays), tempAt, jar: own, chance, mixPace: pace, hydration }, LONGEST_HOURS)
  const peak = Math.min(truth.peakHours, LONGEST_HOURS)
  const look = (hours: number): LoggedLook => ({ hours, rise: Math.max(1, trueRiseAt(truth, hours) * (1 + TRUE_SPREAD.reading * normal())) })
  const looks = [0.3, 0.5, 0.65, 0.8, 0.92, 1.02]
    .map((share) => share + 0.08 * (random() - 0.5))
    .filter(() => random() > 0.4)
    .map((share) => look(share * peak))
  const lastShare = 0.85 + 0.35 * random()
  return {
    mix,
    flourPerSeed,
    roomC,
    mixTempC,
    massGrams,
    coldDays,
    looks,
    seenPeakHours: random() < 0.4 ? peak * (1 + 0.04 * normal()) : null,
    ended: { hours: lastShare * peak, fallen: lastShare > 1.08 },
    truth
  }
}

/** What a room is off by, quarter hour by quarter hour: it wanders back to nothing. */
function wander(normal: () => number): number[] {
  const keep = Math.exp(-0.25 / ROOM_WANDER_HOURS)
  const fresh = TRUE_SPREAD.roomC * Math.sqrt(1 - keep * keep)
  const offs = [TRUE_SPREAD.roomC * normal()]
  while (offs.length < LONGEST_HOURS * 4) offs.push((offs.at(-1) ?? NaN) * keep + fresh * normal())
  return offs
}

/** Temperature of a vessel that follows its room. */
function followed(roomAt: (hours: number) => number, startC: number, tau: number): (hours: number) => number {
  const step = 0.05
  const temps = [startC]
  for (let i = 0; i < LONGEST_HOURS / step; i++) {
    const now = temps[i] ?? NaN
    temps.push(now + ((roomAt(i * step) - now) * step) / tau)
  }
  return (hours) => temps[Math.min(Math.round(hours / step), temps.length - 1)] ?? NaN
}
