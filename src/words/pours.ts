import type { DoughItem, PourItem, PourManner } from '../core'

/** How each item goes in, by the manner of the culture. */
export const POUR_WORDS: Readonly<Record<PourManner, Readonly<Record<PourItem, string>>>> = {
  loosen: {
    seed: 'Bowl or jar on the scale, then the starter.',
    'older levain': 'The old levain with it.',
    water: 'Pour the water; swirl until the starter is loose in it.',
    flour: 'The flour on top; stir until no dry flour is left.',
    salt: 'The salt; stir it in.',
    oil: 'The oil; work it in.'
  },
  'knead in': {
    seed: 'Bowl on the scale, then the starter. Cut away a dry crust or slimy outside first.',
    'older levain': 'The old levain with it.',
    water: 'Pour the water; knead until smooth and firm.',
    flour: 'The flour over the starter; rub it in.',
    salt: 'The salt.',
    oil: 'The oil; work it in.'
  },
  'in portions': {
    seed: 'Bowl or jar on the scale, then the starter.',
    'older levain': 'The old levain with it.',
    water: 'A third of the water at first, the rest in portions while you stir the flour in.',
    flour: 'The flour, in turn with the rest of the water, until it runs off the spoon.',
    salt: 'The salt; stir it in.',
    oil: 'The oil; stir it in.'
  }
}

/** How a portion of the dough goes in. */
export const PORTION_WORDS: Readonly<Record<DoughItem['portion'], string>> = {
  autolyse: 'For the autolyse: flour and water together, then they rest.',
  mix: 'Into the bowl.',
  late: 'Held back: worked in at the end.'
}
