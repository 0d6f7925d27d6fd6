import { TZDate } from '@date-fns/tz'
import { useNavigate } from 'react-router'
import { courseFor } from '../../answers'
import type { FormulaContent, Jar, Kitchen, Plan } from '../../contract'
import { type Formula, HANDLING_LOSS, instantAt } from '../../core'
import { createBake } from '../data/bakes'
import { nowMs } from '../data/clock'
import { useJars } from '../data/jars'
import { useKitchen } from '../data/kitchen'
import { newId } from '../data/newId'
import { tellError } from './tell'

/** Mixing time offered at first, by the kitchen's clock. */
const FIRST_MIX = '09:30'
/** A build wants at least this long, h. */
const LEAST_AHEAD_HOURS = 12

/** The next morning that leaves time for a build. */
function nextMorning(now: number, timeZone: string): number {
  const day = new TZDate(now, timeZone)
  const morning = (ahead: number) => instantAt(day.getFullYear(), day.getMonth() + 1, day.getDate() + ahead, FIRST_MIX, timeZone)
  const ahead = [0, 1, 2].find((n) => morning(n) > now + LEAST_AHEAD_HOURS * 3_600_000) ?? 2
  return morning(ahead)
}

/** The plain loaf a new bake begins with. */
function firstFormula(jar: Jar, kitchen: Kitchen): Formula {
  const free = jar.flour === 'gluten-free'
  return {
    base: kitchen.base,
    doughKind: free ? 'gluten-free' : 'wheat',
    hydration: free ? 0.95 : 0.72,
    salt: 0.02,
    lines: [
      { id: newId(), kind: 'flour', ingredientId: free ? 'gluten-free' : 'white wheat', share: 1 },
      { id: newId(), kind: 'water' },
      { id: newId(), kind: 'levain', share: kitchen.base === 'total flour' ? 0.1 : 0.2 },
      { id: newId(), kind: 'salt' }
    ],
    autolyse: false,
    heldBack: 0
  }
}

function firstPlan(jar: Jar, kitchen: Kitchen, now: number, from?: BakeSeed): Plan {
  const place = kitchen.places[0] as Kitchen['places'][number]
  const formula = from?.content.formula ?? firstFormula(jar, kitchen)
  const levain = from?.content.levain ?? { hydration: 1, salt: 0, oil: 0, flours: jar.feed }
  return {
    name: from?.name ?? 'Two loaves',
    target: from?.content.target ?? { kind: 'pieces', pieces: [{ count: 2, grams: 780 }], handlingLoss: HANDLING_LOSS, bakeLoss: null },
    formula,
    build: {
      ...levain,
      source: 'separate build',
      by: { kind: 'ratio', flourPerSeed: 5 },
      keepBackGrams: 20,
      older: { share: 0.5, hydration: 1 },
      vesselId: null,
      alsoFor: []
    },
    jarId: jar.id,
    placeId: place.id,
    tempC: place.tempC,
    mixTempC: 24,
    moves: [],
    school: kitchen.school,
    mixAt: nextMorning(now, kitchen.timeZone),
    startAt: null,
    course: courseFor(formula, place),
    before: [],
    bread: null,
    pins: []
  }
}

/** A formula to bake from. */
export interface BakeSeed {
  readonly name: string
  readonly content: FormulaContent
}

/** Begins a new bake and opens its sheet. */
export function useNewBake(): { readonly ready: boolean; readonly start: (from?: BakeSeed) => void } {
  const navigate = useNavigate()
  const { kitchen, pantry } = useKitchen()
  const { jars } = useJars()
  /** The jar that lives on a flour, or a white one; the one fed last first. */
  const jarFor = (flour: string) =>
    [...(jars ?? [])].sort(
      (a, b) =>
        Number(a.flour !== flour) - Number(b.flour !== flour) ||
        Number(a.flour !== 'white wheat') - Number(b.flour !== 'white wheat') ||
        b.line.startedAtMs - a.line.startedAtMs
    )[0]
  return {
    ready: jars !== undefined && jars.length > 0,
    start: (from) => {
      const jar = jarFor(pantry.get(from?.content.levain.flours[0]?.ingredientId ?? '')?.flourKind ?? 'white wheat')
      if (jar === undefined) return
      const id = newId()
      const now = nowMs()
      createBake(id, firstPlan(jar, kitchen, now, from), now).catch(tellError)
      void navigate(`/bakes/${id}/dough`)
    }
  }
}
