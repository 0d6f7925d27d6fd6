import { piecesOf, TRADE_WORDS } from './trade'

test('the first trade word of a text is cut out with what it means, as it is written there', () => {
  expect(piecesOf('Hydration and salt')).toEqual([{ text: 'Hydration', says: expect.stringContaining('70 %') }, { text: ' and salt' }])
  expect(piecesOf('What is in it')).toEqual([{ text: 'What is in it' }])
})

test('a longer word goes before one that stands in it, and a part of a word is none', () => {
  expect(piecesOf('Cold proof')).toEqual([{ text: 'Cold proof', says: expect.stringContaining('fridge') }])
  expect(piecesOf('pre-fermented flour')[0]?.says).toMatch(/levain/)
  expect(piecesOf('Proofer')).toEqual([{ text: 'Proofer' }])
  expect(piecesOf('Folder of the copies')).toEqual([{ text: 'Folder of the copies' }])
})

test('each is one sentence or two at the most, and stands by the alphabet', () => {
  for (const { says } of TRADE_WORDS) expect(says).toMatch(/^\p{L}.{20,120}\.$/u)
  expect([...TRADE_WORDS].map(({ word }) => word).sort((a, b) => a.localeCompare(b))).toEqual(TRADE_WORDS.map(({ word }) => word))
})
