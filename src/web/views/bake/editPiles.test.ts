import { afterEdit, type EditPiles, NO_EDITS, step } from './editPiles'

/** A sheet with a word on it. */
function sheet() {
  let word = 'flour'
  let piles: EditPiles<string> = NO_EDITS
  const go = (way: 'back' | 'forth') => {
    const gone = step(piles, way, word)
    if (gone === null) return
    word = gone.to
    piles = gone.piles
  }
  return {
    type(next: string, atMs: number) {
      piles = afterEdit(piles, word, atMs)
      word = next
    },
    back: () => go('back'),
    forth: () => go('forth'),
    word: () => word,
    piles: () => piles
  }
}

test('keystrokes of one figure are one step; a later one is a step of its own', () => {
  const { type, back, word } = sheet()
  type('7', 0)
  type('72', 300)
  type('72.5', 1400)
  type('80', 3000)
  back()
  expect(word()).toBe('72.5')
  back()
  expect(word()).toBe('flour')
  back()
  expect(word()).toBe('flour')
})

test('back and forth as often as one likes; an edit after a step back leaves nothing ahead', () => {
  const { type, back, forth, word } = sheet()
  type('one', 0)
  type('two', 2000)
  back()
  back()
  forth()
  forth()
  forth()
  expect(word()).toBe('two')
  back()
  // Close upon the step back, and yet by itself.
  type('three', 2100)
  forth()
  expect(word()).toBe('three')
  back()
  expect(word()).toBe('one')
})

test('a step back at once after an edit takes back that edit, not the one before', () => {
  const { type, back, word } = sheet()
  type('30', 0)
  type('80', 5000)
  back()
  expect(word()).toBe('30')
})

test('sixty edits are kept', () => {
  const { type, piles } = sheet()
  for (let i = 0; i < 100; i++) type(`edit ${i}`, i * 2000)
  expect(piles().past).toHaveLength(60)
  expect(piles().past.at(-1)).toBe('edit 98')
})
