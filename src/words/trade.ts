/** A trade word, and what it means in one sentence. */
export interface TradeWord {
  readonly word: string
  readonly says: string
}

/** Trade words that a first-year baker may not know, by the alphabet. */
export const TRADE_WORDS: readonly TradeWord[] = [
  { word: 'at its peak', says: 'As high as it gets, its top domed or just flat: it raises a dough best now.' },
  { word: 'autolyse', says: 'Flour and water rest together before levain and salt go in, so that the dough gets stretchy by itself.' },
  { word: 'baker’s percentages', says: 'Every ingredient as a share of the flour, which counts as 100 %.' },
  { word: 'bulk', says: 'The time from the mix until the dough is shaped, when all of it rises in one piece.' },
  { word: 'cold proof', says: 'The shaped dough rises slowly in the fridge, often overnight, and gets sourer meanwhile.' },
  { word: 'crumb', says: 'The inside of the bread: its holes, and how tender it is.' },
  { word: 'discard', says: 'Starter that is taken out before a feed, so that the jar does not grow and grow. It can be cooked.' },
  { word: 'first build', says: 'A small levain that is built first and becomes the starter of the real one.' },
  { word: 'fold', says: 'Stretch the dough from one side over itself, all round, to make it stronger.' },
  { word: 'full sour', says: 'Past its peak on purpose, as for rye bread: more acid, less lift.' },
  { word: 'hydration', says: 'Water as a share of the flour: 500 g of flour and 350 g of water make 70 %.' },
  { word: 'levain', says: 'Starter, flour and water that ripen for one bake and go into its dough.' },
  { word: 'mature', says: 'Its top just starts to dip: a little sourer than at its peak.' },
  { word: 'old levain', says: 'Some of a levain of an earlier bake, used as starter or along with it.' },
  { word: 'pace', says: 'How fast this jar rises beside a usual one, learned from what you saw.' },
  { word: 'poolish', says: 'Flour and as much water with a pinch of yeast, left overnight.' },
  { word: 'pre-ferment', says: 'Flour and water that ferment before the dough is mixed: a levain, a poolish.' },
  { word: 'pre-fermented flour', says: 'The share of all flour that has ripened in the levain or another pre-ferment.' },
  { word: 'proof', says: 'The last rise, from shaping to the oven.' },
  { word: 'ratio', says: 'Starter to flour to water by weight: 1:2:2 is 20 g of starter, 40 g of flour, 40 g of water.' },
  { word: 'scald', says: 'Flour with boiling water poured over it: it holds more water and keeps bread soft.' },
  { word: 'soaker', says: 'Seeds or grain that swell in water before they go into the dough.' },
  { word: 'spare', says: 'A second jar, or dried flakes, of the same culture, in case this one breaks or spoils.' },
  { word: 'stiff', says: 'With little water, like a firm dough: it ripens slower and keeps longer.' },
  { word: 'tare', says: 'The weight of the empty jar or bowl, taken off what the scale shows.' },
  { word: 'true hydration', says: 'All water as a share of all flour, with what is in levain, milk and eggs.' },
  { word: 'true salt', says: 'All salt as a share of all flour, with what comes in other ingredients.' },
  { word: 'young', says: 'Doubled and still rising: mild, and its dough takes a little longer.' }
]

/** A piece of a text: plain, or a trade word with what it means. */
export interface Piece {
  readonly text: string
  readonly says?: string
}

const escaped = (word: string) => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')
const saysOf = new Map(TRADE_WORDS.map(({ word, says }) => [word, says]))
/** Words that stand in the kitchen's every sentence are explained in the list only. */
const EVERYWHERE: ReadonlySet<string> = new Set(['levain', 'spare', 'stiff'])
// A longer word comes before one it holds: "cold proof" before "proof".
const FOUND = new RegExp(
  `(?<![\\p{L}-])(${TRADE_WORDS.map(({ word }) => word)
    .filter((word) => !EVERYWHERE.has(word))
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})(?![\\p{L}-])`,
  'iu'
)

/** Cuts a text where its first trade word stands; a text without one is one piece. */
export function piecesOf(text: string): readonly Piece[] {
  const found = FOUND.exec(text)
  const word = found?.[1]
  if (found === null || word === undefined) return [{ text }]
  const after = text.slice(found.index + word.length)
  return [{ text: text.slice(0, found.index) }, { text: word, says: saysOf.get(word.toLowerCase()) ?? '' }, { text: after }].filter(
    (piece) => piece.text !== ''
  )
}
