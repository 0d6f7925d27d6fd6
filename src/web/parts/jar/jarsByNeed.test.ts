import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../../contract'
import type { JarCondition } from '../../../core'
import { jarsByNeed } from './jarsByNeed'

const now = Date.UTC(2026, 10, 27, 9)
const jar = (name: string, more: Partial<Jar> = {}) => ({ id: name, name, culture: 'rye', program: null, ...more }) as Jar
const hungryIn = (hours: number | null) => ({ hungryMs: hours === null ? null : now + hours * millisecondsInHour }) as JarCondition
const inProgram = (dueInHours: number) => ({ program: { id: 'p', title: 'T', step: 'S', dueAt: now + dueInHours * millisecondsInHour } })
const order = (jars: Jar[], conditions: [string, JarCondition][]) => jarsByNeed(jars, new Map(conditions), now).map((j) => j.name)

test('those hungry longest first, then those hungry soonest, then those that are not within sight', () => {
  const conditions: [string, JarCondition][] = [
    ['soon', hungryIn(2)],
    ['long', hungryIn(-9)],
    ['never', hungryIn(null)],
    ['since', hungryIn(-1)]
  ]
  expect(
    order(
      ['never', 'soon', 'since', 'long'].map((name) => jar(name)),
      conditions
    )
  ).toEqual(['long', 'since', 'soon', 'never'])
})

test('a program’s step that is due comes before hunger; one that is not due yet does not', () => {
  const conditions: [string, JarCondition][] = [
    ['hungry', hungryIn(-9)],
    ['due', hungryIn(40)],
    ['later', hungryIn(3)]
  ]
  expect(order([jar('hungry'), jar('later', inProgram(5)), jar('due', inProgram(-1))], conditions)).toEqual(['due', 'hungry', 'later'])
})

test('dried ones want nothing and stand last, alike ones by name; where nothing is known all by name', () => {
  expect(order([jar('A dried', { culture: 'dried' }), jar('B')], [['A dried', hungryIn(-500)]])).toEqual(['B', 'A dried'])
  expect(jarsByNeed([jar('C'), jar('A'), jar('B')], new Map(), now).map((j) => j.name)).toEqual(['A', 'B', 'C'])
})
