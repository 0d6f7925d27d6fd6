import { entriesOf, keysOf, recordOf } from './keysOf'
import { sure } from './sure'

test('keys and entries come in the order they were written', () => {
  const flours: { white?: number; rye?: number } = { rye: 20, white: 80 }
  expect(keysOf(flours)).toEqual(['rye', 'white'])
  expect(entriesOf(flours)).toEqual([
    ['rye', 20],
    ['white', 80]
  ])
})

test('a record is filled from its keys', () => {
  expect(recordOf(['rising', 'past'], (key, i) => `${key} ${i}`)).toEqual({ rising: 'rising 0', past: 'past 1' })
})

test('what must be there is given back, zero and null too; what is missing stops the program', () => {
  expect(sure(0)).toBe(0)
  expect(sure<null | string>(null)).toBeNull()
  expect(() => sure([1].at(3))).toThrow(RangeError)
})
