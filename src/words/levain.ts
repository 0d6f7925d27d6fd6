import type { Plan } from '../contract'
import { isFedAgain, type LevainSource, type PercentageBase, type PourItem, type School } from '../core'

/** How the starter comes into the levain, and what that means. */
export const SOURCE_WORDS: Readonly<Record<LevainSource, { readonly name: string; readonly says: string }>> = {
  'separate build': { name: 'separate levain', says: 'Some of the starter goes into a levain in a bowl of its own; the jar is fed separately.' },
  'as it is': {
    name: 'use it as it is',
    says: 'Ripe starter is weighed straight into the dough. Nothing is built; the jar keeps the rest.'
  },
  'straight from the jar': {
    name: 'build it in the jar',
    says: 'The jar itself is fed large enough for the dough. What is not needed goes to the discard pot first, and what the dough leaves is the new jar.'
  },
  'draw and top up': {
    name: 'take some, refill the jar',
    says: 'Starter is taken from the cold jar, and the jar gets fresh flour and water at the same moment.'
  },
  'put some back': { name: 'save some for the jar', says: 'As much of the ripe levain goes back into the jar as starter was taken out.' },
  'mixed seed': { name: 'starter and old levain', says: 'Part is starter, part an old ripe levain.' }
}

/** What goes into a levain. */
/** What a levain is seeded from: the jar's starter, or the build before where there was one. */
export function seedWord({ before }: Pick<Plan, 'before'>): string {
  const last = before.findLast(({ kind }) => kind === 'first build')
  return last === undefined ? ITEM_WORDS.seed : isFedAgain(last.id) ? 'levain that is there' : 'first build'
}

export const ITEM_WORDS: Readonly<Record<PourItem, string>> = {
  seed: 'starter',
  'older levain': 'old levain',
  water: 'water',
  flour: 'flour',
  salt: 'salt',
  oil: 'oil'
}

/** What the percentages of a recipe are percentages of. */
export const BASE_WORDS: Readonly<Record<PercentageBase, { readonly name: string; readonly says: string }>> = {
  'total flour': {
    name: 'all flour, levain’s too',
    says: 'All flour is 100 %, the levain’s too. The levain is given as its share of that flour.'
  },
  'dough flour': {
    name: 'flour added at mixing',
    says: 'All flour but the levain’s is 100 %, what goes ahead too. Water and salt are set so that the whole dough meets your figures.'
  },
  plain: {
    name: 'as written',
    says: 'All flour but the levain’s is 100 %, what goes ahead too; every figure is taken as written, and the levain’s flour and water are not counted.'
  }
}

/** When a baker likes to mix. */
export const SCHOOL_WORDS: Readonly<Record<School, string>> = {
  young: 'Young: doubled, still rising',
  dome: 'At its peak',
  mature: 'Mature: just starting to dip',
  'full sour': 'Full sour: past its peak on purpose',
  'for taste': 'For taste: yeast raises the dough'
}
