import { fetched } from './roomOf'

/** Code that comes at the nth try. */
const atTry = (n: number) => {
  let tries = 0
  return {
    load: async () => {
      tries++
      if (tries < n) throw new Error('Failed to fetch')
      return 'room'
    },
    tries: () => tries
  }
}

test('code that does not come at once is asked for again', async () => {
  const third = atTry(3)
  expect(await fetched(third.load, [0, 0])).toBe('room')
  expect(third.tries()).toBe(3)
})

test('one that never comes is told, and can be asked for anew', async () => {
  const fourth = atTry(4)
  await expect(fetched(fourth.load, [0, 0])).rejects.toThrow('Failed to fetch')
  expect(await fetched(fourth.load, [0, 0])).toBe('room')
})
