import { normalFrom, seededRandom } from './seededRandom'
import { HABIT_NAMES, HABITS } from './trueHabits'
import { seedShareOf, TRUE_RIPE, trueRise, USUAL_JAR } from './trueRise'

const curve = trueRise({ seedShare: seedShareOf(5), seed: TRUE_RIPE, tempAt: () => 25, jar: USUAL_JAR, chance: 1 }, 30)
const chanceOf = (seed: number) => {
  const random = seededRandom(seed)
  return { random, normal: normalFrom(random) }
}

test('each habit notes what its name says, at hours of its own', () => {
  const noted = HABIT_NAMES.map((name) => HABITS[name](curve, chanceOf(4)))
  expect(noted.map(({ looks }) => looks.length)).toEqual([1, 2, 3, 1])
  expect(noted.map(({ mixed }) => mixed !== null)).toEqual([false, false, false, true])
  expect(noted[0]?.looks[0]?.signs).toEqual({ top: 'domed' })
  expect(noted[2]?.looks.every(({ signs }) => Object.keys(signs).length === 0)).toBe(true)
})

test('what is called rising is before its peak, what is called past it after it, nine times in ten and more', () => {
  const told = Array.from({ length: 400 }, (_, seed) => HABITS['only mixed, with the level then'](curve, chanceOf(seed + 1)).mixed)
  const right = told.filter((mixed) => {
    const share = (mixed?.hours ?? 0) / curve.peakHours
    return mixed?.as === 'rising' ? share < 1 : mixed?.as === 'past it' ? share > 1 : Math.abs(share - 1) < 0.15
  })
  expect(right.length).toBeGreaterThan(360)
  expect(new Set(told.map((mixed) => mixed?.as)).size).toBe(3)
})
