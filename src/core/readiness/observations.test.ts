import type { Mark } from './marks'
import { observationsOf } from './observations'

const look = (hours: number, more: Partial<Mark> = {}): Mark => ({ hours, ...more })
const domed = (hours: number, rise?: number) => look(hours, { rise, signs: { top: 'domed' } })

test('levels are levels; a sign says on which side of the top it was, as surely as such a sign is right', () => {
  expect(observationsOf([look(4, { rise: 1.8 }), look(9, { rise: 2.4, signs: { top: 'sunken' } })])).toEqual([
    { kind: 'level', hours: 4, rise: 1.8 },
    { kind: 'level', hours: 9, rise: 2.4 },
    { kind: 'fallen', hours: 9, trust: 0.95 }
  ])
})

test('a dome at the last look, soon before the mix, was near the top, on the whole a little before it', () => {
  expect(observationsOf([domed(8)], { hours: 8.5 })).toEqual([{ kind: 'peak', hours: 8.4, share: 0.12 }])
})

test('a dome long before the mix, or before another look, was only on its way', () => {
  const onItsWay = { kind: 'climbing', hours: 5, trust: 0.8 }
  expect(observationsOf([domed(5)], { hours: 9 })).toEqual([onItsWay])
  // A feed nobody mixed.
  expect(observationsOf([domed(5)])).toEqual([onItsWay])
  expect(observationsOf([domed(5), look(8, { rise: 2.6 })], { hours: 8 })).toContainEqual(onItsWay)
  expect(observationsOf([domed(5), look(8, { signs: { top: 'dimpled' } })])).toContainEqual(onItsWay)
})

test('how it was when it was mixed says more than a dome', () => {
  expect(observationsOf([domed(8)], { hours: 8, as: 'rising' })).toEqual([
    { kind: 'climbing', hours: 8, trust: 0.8 },
    { kind: 'climbing', hours: 8 }
  ])
  expect(observationsOf([look(8, { rise: 2.8 })], { hours: 8, as: 'at its peak' })).toContainEqual({ kind: 'peak', hours: 8 })
  expect(observationsOf([], { hours: 8, as: 'past it' })).toEqual([{ kind: 'fallen', hours: 8 }])
})
