import { millisecondsInHour } from 'date-fns/constants'
import { type Claim, clashesOf } from './clashes'

const claim = (id: string, more: Partial<Claim>): Claim => ({ id, name: id, hands: [], oven: null, stays: [], ...more })

test('one oven: the stretch in which both are in it', () => {
  const clashes = clashesOf([
    claim('loaves', { oven: { fromMs: 0, toMs: millisecondsInHour } }),
    claim('rolls', { oven: { fromMs: 0.75 * millisecondsInHour, toMs: 1.25 * millisecondsInHour } })
  ])
  expect(clashes).toEqual([
    { kind: 'oven', ids: ['loaves', 'rolls'], names: ['loaves', 'rolls'], what: ['oven', 'oven'], fromMs: 0.75 * millisecondsInHour, toMs: millisecondsInHour }
  ])
})

test('one after the other is no clash, and a minute or two of both hands is none', () => {
  const a = claim('a', {
    oven: { fromMs: 0, toMs: millisecondsInHour },
    hands: [{ step: 'out', fromMs: millisecondsInHour, toMs: millisecondsInHour + 5 * 60_000 }]
  })
  const b = claim('b', {
    oven: { fromMs: millisecondsInHour, toMs: 2 * millisecondsInHour },
    hands: [{ step: 'bake', fromMs: millisecondsInHour, toMs: millisecondsInHour + 8 * 60_000 }]
  })
  expect(clashesOf([a, b])).toEqual([])
})

test('one pair of hands', () => {
  const a = claim('a', { hands: [{ step: 'shape', fromMs: 0, toMs: 25 * 60_000 }] })
  const b = claim('b', { hands: [{ step: 'mix', fromMs: 10 * 60_000, toMs: 25 * 60_000 }] })
  expect(clashesOf([a, b])).toMatchObject([{ kind: 'hands', what: ['shape', 'mix'], fromMs: 10 * 60_000 }])
})

test('a box for two takes two, the third is one too many', () => {
  const stay = (id: string, fromMs: number) => claim(id, { stays: [{ placeId: 'box', fromMs, toMs: fromMs + 5 * millisecondsInHour }] })
  const three = [stay('a', 0), stay('b', millisecondsInHour), stay('c', 2 * millisecondsInHour)]
  expect(clashesOf(three, new Map([['box', 2]]))).toMatchObject([
    { kind: 'place', ids: ['a', 'c'], fromMs: 2 * millisecondsInHour, toMs: 5 * millisecondsInHour }
  ])
  expect(clashesOf(three, new Map([['box', 3]]))).toEqual([])
  expect(clashesOf(three)).toEqual([])
})
