import type { SignKind, Signs } from '../core'

/** Kinds of sign as questions of the kitchen. */
export const SIGN_WORDS: Readonly<Record<SignKind, string>> = {
  top: 'Shape of the top',
  surface: 'Its surface, from above',
  bubbles: 'Bubbles, from the side',
  webbing: 'Lifted with a spoon',
  smell: 'Smell',
  smear: 'Film on the glass, above the level',
  spoon: 'A spoon of it in water'
}

/** What each sign looks like, for who sees it the first time. */
export const LOOKS_LIKE: { readonly [Kind in SignKind]: Readonly<Record<NonNullable<Signs[Kind]>, string>> } = {
  top: {
    domed: 'Higher in the middle than at the glass, like a hat.',
    flat: 'Level from glass to glass.',
    dimpled: 'Small hollows here and there, like a golf ball.',
    sunken: 'The middle has dropped and the edge clings to the glass.'
  },
  surface: {
    smooth: 'Closed and even, no hole to be seen.',
    pitted: 'Pinholes where single bubbles have come through.',
    foamy: 'A coat of open bubbles, as on beer.',
    cracked: 'Lines where it has been pushed apart.'
  },
  bubbles: {
    few: 'None, or some as small as pinpricks.',
    many: 'Everywhere, small and large mixed.',
    frothy: 'Large ones that have run together, thin walls between.'
  },
  webbing: {
    none: 'Comes up as a lump of paste.',
    strands: 'Pulls a few threads, with holes between.',
    web: 'Pulls a fine net full of holes.',
    slack: 'Runs off the spoon like batter.'
  },
  smell: {
    floury: 'Wet flour, nothing more.',
    'milky-sweet': 'Milk or young yoghurt, a little sweet.',
    yeasty: 'Beer, ripe fruit.',
    tangy: 'Sharp, like buttermilk or cider.',
    vinegar: 'Clearly vinegar.',
    solvent: 'Nail varnish or glue: it stings.'
  },
  smear: {
    yes: 'A film or drops where the level has been before.',
    no: 'The glass above it is clean.'
  },
  spoon: {
    floats: 'It stays at the top.',
    hangs: 'It hovers, or goes down slowly.',
    sinks: 'It goes straight down.'
  }
}

/** Signs that say nothing without their question. */
const ALONE: { readonly [Kind in SignKind]?: Readonly<Partial<Record<NonNullable<Signs[Kind]>, string>>> } = {
  bubbles: { few: 'few bubbles', many: 'many bubbles' },
  webbing: { none: 'no strands' },
  smear: { yes: 'film on the glass', no: 'no film' }
}

/** What was seen, a word for each sign: "domed", "film on the glass". */
export const seenWords = (signs: Signs): string[] =>
  Object.entries(signs).map(([kind, seen]) => (ALONE[kind as SignKind] as Readonly<Record<string, string>> | undefined)?.[seen] ?? seen)
