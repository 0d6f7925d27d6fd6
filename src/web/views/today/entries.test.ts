import { millisecondsInHour } from 'date-fns/constants'
import type { Jar } from '../../../contract'
import type { Step } from '../../../core'
import type { OpenBake } from '../../data/days'
import { entriesOf, isLate } from './entries'

const now = Date.UTC(2026, 10, 27, 8)
const kitchen: Parameters<typeof entriesOf>[2] = { places: [], sleep: { from: '23:00', to: '07:00' }, timeZone: 'Europe/Lisbon' }
const step = (id: string, hours: number, more: Partial<Step> = {}): Step => ({
  id,
  kind: id as Step['kind'],
  atMs: now + hours * millisecondsInHour,
  untilMs: null,
  minutes: 10,
  ...more
})
const day = (name: string, steps: Step[], planned: [string, number][] = []) =>
  ({
    bake: { id: name, plan: { name, jarId: 'juno', course: { folds: 3 }, build: { source: 'separate build' } } },
    steps,
    planned: new Map(planned.map(([id, hours]) => [id, now + hours * millisecondsInHour]))
  }) as unknown as OpenBake
const jar = {
  id: 'juno',
  name: 'Juno',
  placeId: 'fridge',
  stays: [],
  program: { id: 'p', title: 'Reviving Juno', step: 'Feed 1:2', dueAt: now + 2 * millisecondsInHour }
} as unknown as Jar

test('over all bakes and programs by time, what is overdue first', () => {
  const entries = entriesOf([day('Loaves', [step('mix', 1), step('shape', 5)]), day('Rolls', [step('bake', -1)])], [jar], kitchen, now)
  expect(entries.map((e) => e.title)).toEqual(['Into the oven: Rolls', 'Mix: Loaves', 'Juno: Feed 1:2', 'Shape: Loaves'])
  expect(entries.map((e) => isLate(e, now))).toEqual([true, false, false, false])
})

test('a mix may wait until its window closes; bread that has cooled is never late', () => {
  const entries = entriesOf([day('Loaves', [step('mix', -2, { untilMs: now + millisecondsInHour }), step('eat', -1)])], [], kitchen, now)
  expect(entries.map((e) => isLate(e, now))).toEqual([false, false])
})

test('by how much a step moved is told from ten minutes on', () => {
  const entries = entriesOf(
    [
      day(
        'Loaves',
        [step('mix', 1), step('shape', 5)],
        [
          ['mix', 0],
          ['shape', 4.9]
        ]
      )
    ],
    [],
    kitchen,
    now
  )
  expect(entries.map((e) => e.plannedMs)).toEqual([now, null])
})

test('what lies further ahead than two days waits until there is nothing nearer', () => {
  const far = day('Rye', [step('build', 60)])
  expect(entriesOf([day('Loaves', [step('mix', 1)]), far], [], kitchen, now)).toHaveLength(1)
  expect(entriesOf([far], [], kitchen, now)).toHaveLength(1)
})

test('a jar that is to go to the fridge in an hour is something to do until somebody says it is there; half an hour late it goes to the jars', () => {
  const stays = [
    { placeId: 'worktop', from: now - millisecondsInHour },
    { placeId: 'fridge', from: now + millisecondsInHour }
  ]
  const fed = { ...jar, program: null, stays, placeToldAt: now - millisecondsInHour } as Jar
  const places = [{ id: 'fridge', name: 'Fridge' }] as unknown as (typeof kitchen)['places']
  expect(entriesOf([], [fed], { ...kitchen, places }, now).map((e) => [e.title, e.atMs])).toEqual([['Move Juno to Fridge', now + millisecondsInHour]])
  const late = now + 1.3 * millisecondsInHour
  expect(entriesOf([], [fed], { ...kitchen, places }, late).map((e) => [e.title, isLate(e, late)])).toEqual([['Move Juno to Fridge', true]])
  expect(entriesOf([], [{ ...fed, placeToldAt: now + millisecondsInHour }], { ...kitchen, places }, late)).toEqual([])
  expect(entriesOf([], [fed], { ...kitchen, places }, now + 2 * millisecondsInHour)).toEqual([])
})

test('what falls into the baker’s night is told so, unless they are up in it already', () => {
  // Eight in the morning, UTC and Lisbon alike; asleep from 23 to 7.
  const steps = [step('mix', 14), step('move', 15.5), step('look', 16, { minutes: 0 }), step('shape', 23)]
  const asleep = (hours: number) => entriesOf([day('Loaves', steps)], [], kitchen, now + hours * millisecondsInHour).map((e) => e.asleepUntilMs)
  expect(asleep(0)).toEqual([null, now + 23 * millisecondsInHour, null, null])
  expect(asleep(15.2)).toEqual([null, null, null, null])
})
