import { TZDate } from '@date-fns/tz'
import { useNavigate } from 'react-router'
import type { Jar, Kitchen, Plan } from '../../contract'
import { instantAt } from '../../core'
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

function firstPlan(jar: Jar, kitchen: Kitchen, now: number): Plan {
  const place = kitchen.places[0] as Kitchen['places'][number]
  return {
    name: 'Two loaves',
    pieces: [{ count: 2, grams: 780 }],
    base: kitchen.base,
    hydration: 0.72,
    salt: 0.02,
    levain: 0.2,
    levainHydration: 1,
    flour: jar.flour === 'gluten-free' ? 'gluten-free' : 'white wheat',
    jarId: jar.id,
    levainFlour: jar.flour,
    flourPerSeed: 5,
    keepBackGrams: 20,
    placeId: place.id,
    tempC: place.tempC,
    mixTempC: 24,
    school: kitchen.school,
    mixAt: new Date(nextMorning(now, kitchen.timeZone)).toISOString()
  }
}

/** Begins a new bake and opens its sheet. */
export function useNewBake(): { readonly ready: boolean; readonly start: () => void } {
  const navigate = useNavigate()
  const { kitchen } = useKitchen()
  const { jars } = useJars()
  const jar = [...(jars ?? [])].sort(
    (a, b) => Number(a.flour !== 'white wheat') - Number(b.flour !== 'white wheat') || Date.parse(b.line.startedAt) - Date.parse(a.line.startedAt)
  )[0]
  return {
    ready: jar !== undefined,
    start: () => {
      if (jar === undefined) return
      const id = newId()
      const now = nowMs()
      createBake(id, firstPlan(jar, kitchen, now), new Date(now).toISOString()).catch(tellError)
      void navigate(`/bakes/${id}/dough`)
    }
  }
}
