import type { Kitchen, Plan } from '../../contract'
import {
  type BakeDough,
  type BakeState,
  type BatchLine,
  contentsOf,
  DOUGH_RISE_K,
  type DoughItem,
  type DoughPace,
  doughItems,
  doughLine,
  doughPace,
  mainKind,
  nightAt,
  reckonMix,
  type SolvedBake,
  type StepFacts,
  type Verdict,
  type WeighedDough,
  withWeighed
} from '../../core'
import type { Bake } from '../fromWire'
import { beliefIn, type Cultures, pantryOfBake, type Stocked, standingIn } from './solvePlan'

const MS_PER_HOUR = 3_600_000

/** What is weighed for the dough of a plan, and what it is to hold since a mis-pour. */
export function doughItemsOf(plan: Pick<Plan, 'formula'>, { exact, weigh }: BakeDough, { repairs }: Pick<BakeState, 'repairs'>, bowls: number): DoughItem[] {
  return doughItems(plan.formula, weigh, exact.baseFlourGrams, bowls).map((item) => ({ ...item, grams: repairs.dough?.[item.key] ?? item.grams }))
}

/** The dough of a bake as it was really weighed; what was not, counts as planned. */
export function doughAsWeighed(state: Pick<BakeState, 'weighed' | 'bowls' | 'repairs'>, plan: Pick<Plan, 'formula'>, dough: BakeDough): WeighedDough {
  const items = doughItemsOf(plan, dough, state, state.bowls ?? 1)
  return withWeighed(
    dough.weigh,
    items,
    state.weighed.filter((w) => w.into === 'dough')
  )
}

/**
 * The dough of a plan as it ferments where it will stand.
 * @param levain the levain as it was mixed; as it is planned when left out
 * @param mixMs when the dough is mixed, ms
 * @returns null while it cannot be told; where no day of it is planned, it stands where the levain stood
 */
export function doughOf(
  bake: Pick<Bake, 'ingredients' | 'state'>,
  plan: Plan,
  solved: SolvedBake | null,
  { kitchen, pantry }: Stocked,
  mixMs: number,
  levain?: BatchLine
): BatchLine | null {
  const line = levain ?? solved?.build?.timed.line
  if (solved === null || !solved.dough.ok || line === undefined) return null
  const { placeId, tempC, mixTempC } = plan.course ?? plan
  const { state } = bake
  return doughLine(
    doughAsWeighed(state, plan, solved.dough.value),
    { line, hydration: plan.build.hydration, flour: mainKind(contentsOf(line).flours) },
    {
      mixAtMs: mixMs,
      mixTempC: state.mixed?.mixTempC ?? doughMixOf(plan, solved, state, kitchen) ?? mixTempC,
      standing: standingIn(kitchen, placeId, tempC, mixMs)
    },
    pantryOfBake(bake, pantry)
  )
}

/** How warm a dough comes out by what was measured of it; null while nothing was. */
function doughMixOf(plan: Plan, { dough }: SolvedBake, state: BakeState, { places }: Kitchen): number | null {
  const measured = state.measured.get('dough')
  if (measured === undefined || !dough.ok || plan.course === null) return null
  const { lines } = doughAsWeighed(state, plan, dough.value)
  const usual = { wantedC: plan.course.mixTempC, flourC: places[0]?.tempC ?? plan.mixTempC, cultureC: plan.tempC, riseK: DOUGH_RISE_K }
  return reckonMix(
    lines.map(({ grams, composition, kind }) => ({ grams, composition, isCulture: kind === 'levain' })),
    measured,
    usual
  ).mixC
}

/** How long bulk and proof of a plan's dough take. */
function paceOf(
  bake: Pick<Bake, 'ingredients' | 'state'>,
  plan: Plan,
  solved: SolvedBake | null,
  stocked: Stocked,
  cultures: Cultures,
  mixMs: number,
  levain?: BatchLine
): DoughPace | null {
  const dough = doughOf(bake, plan, solved, stocked, mixMs, levain)
  return dough === null || plan.course === null ? null : doughPace(dough, plan.course, beliefIn(cultures.beliefs, plan.jarId).centre)
}

/** What the steps of a bake hang on. */
export function stepFactsOf(bake: Bake, plan: Plan, solved: SolvedBake | null, verdict: Verdict | null, stocked: Stocked, cultures: Cultures): StepFacts {
  const { kitchen } = stocked
  const { band, mixed, moves, deeds, status } = bake.state
  const mixMs = mixed?.atMs ?? plan.mixAt
  const startMs = solved?.build?.ladder?.[0]?.startMs ?? solved?.build?.timed.startMs ?? null
  const from = band?.atMs ?? solved?.build?.timed.startMs
  const pace = paceOf(bake, plan, solved, stocked, cultures, mixMs, bake.line ?? undefined)
  return {
    status,
    mixAtMs: plan.mixAt,
    startMs,
    before: plan.before.map(({ id, kind, at }) => ({ id, kind, atMs: at })),
    chillsMs: from === undefined ? [] : plan.moves.slice(moves.length).map((move) => from + move.afterHours * MS_PER_HOUR),
    running: band === null ? null : { bandMs: band.atMs, verdict },
    mixedMs: mixed?.atMs ?? null,
    dough: plan.course === null || pace === null ? null : { course: plan.course, pace },
    deeds,
    awake: (ms) => nightAt(ms, kitchen.sleep, kitchen.timeZone)?.toMs ?? ms,
    bedtime: (ms) => nightAt(ms, kitchen.sleep, kitchen.timeZone)?.fromMs ?? ms
  }
}

/** The day as it was told when the band was set: what moved since is told against it. */
export function plannedSteps(bake: Bake): ReadonlyMap<string, number> {
  const event = bake.events.findLast((e) => e.type === 'band')
  const steps = event?.type === 'band' ? (event.shown?.steps ?? []) : []
  return new Map(steps.map(({ id, at }) => [id, at]))
}
