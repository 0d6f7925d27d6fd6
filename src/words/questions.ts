import type { JarFacts } from '../answers'
import { type Format, ratioOf } from '../core'
import { beganWord } from './condition'

/** A question bakers ask, with the words by which they look for it. */
export interface Question {
  readonly id: string
  readonly asks: string
  /** Words people use for it. */
  readonly words: string
  /** What holds in general, a paragraph each. */
  readonly says: readonly string[]
  /** Whether the jars of this kitchen have something to say to it. */
  readonly ofJars: boolean
  /** Where it is done. */
  readonly go: { readonly label: string; readonly path: string } | null
}

/** All questions, as they are listed. */
export const QUESTIONS: readonly Question[] = [
  {
    id: 'hooch',
    asks: 'There is dark liquid on my starter',
    words: 'hooch dark liquid grey black brown water on top alcohol separated hungry',
    says: [
      'It is hungry. Once the food is used up, liquid comes to the top and turns grey or brown.',
      'Pour it off for a milder taste, or stir it in for a sharper one, then feed. If it is back within a day, give more flour for each gram you keep, or put the jar somewhere cooler.'
    ],
    ofJars: true,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'flat',
    asks: 'It bubbles but does not rise',
    words: 'flat bubbly bubbles no rise does not rise not rising weak watery',
    says: [
      'Either it has risen and fallen already, or it is too wet to hold its bubbles, or it is still young. Rye and flours without gluten rise less, and wet starters do too.',
      'Feed it, mark the level, and look every two hours. With less water, 60 to 80 % of the flour, it shows better what it can do.'
    ],
    ofJars: true,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'summer',
    asks: 'It is flat by noon in summer',
    words: 'summer hot heat warm falls early collapsed too fast noon',
    says: [
      'In the warm it is through with its food in half the time: about twice as fast at 28 °C as at 20 °C.',
      'Keep less and feed more: 1:5:5 instead of 1:1:1. Or use cool water, put it somewhere cooler, or feed it in the evening.'
    ],
    ofJars: true,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'how-often',
    asks: 'How often do I feed it?',
    words: 'how often feed feeding schedule every day week times',
    says: [
      'When it has begun to fall. At room temperature that is once or twice a day, in the fridge about once a week.',
      'The more flour for each gram you keep, and the cooler it stands, the longer it lasts.'
    ],
    ofJars: true,
    go: { label: 'What is to be fed today', path: '/' }
  },
  {
    id: 'forgotten',
    asks: 'I forgot it for a month',
    words: 'forgotten forgot month weeks fridge old neglected dead revive vacation holiday',
    says: [
      'It is most likely alive. Pour off the liquid, keep a spoonful from the middle, and feed it once or twice a day until it rises well twice in a row.',
      'Pink, orange or fuzzy is another matter: then all of it goes.'
    ],
    ofJars: true,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'mould',
    asks: 'There is mould on it, or a pink streak',
    words: 'mould mold fuzzy pink orange streak spots furry white film',
    says: ['Throw all of it away; do not scoop. Wash the jar with hot water and soap, and begin again from a spare.'],
    ofJars: false,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'too-sour',
    asks: 'My bread is too sour',
    words: 'too sour acid tangy sharp vinegar milder mild',
    says: [
      'Use the levain younger, keep less old starter in it, let it ripen warm and rather wet, take white flour, and shorten the cold proof.',
      'The page of your jar, and Plan, tell for each of these how much it changes here.'
    ],
    ofJars: false,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'not-sour',
    asks: 'My bread is not sour enough',
    words: 'not sour enough tang tangier sourdough taste bland',
    says: [
      'Let the levain get riper, use more of it, take some wholegrain or rye, keep it firmer, and proof the shaped dough a night in the cold.',
      'The page of your jar, and Plan, tell for each of these how much it changes here.'
    ],
    ofJars: false,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'slow',
    asks: 'My bread takes for ever to rise',
    words: 'slow takes forever for ever long dough does not rise dense cold kitchen underproofed',
    says: [
      'Mostly it is the cold: a dough at 20 °C takes about twice as long as one at 26 °C. Warm water and a warmer place help most.',
      'Or the levain went in too young or too old. Look at it before you mix: doubled and domed is right. More levain, 25 instead of 15 % of the flour, is faster too.'
    ],
    ofJars: true,
    go: { label: 'Go to Today', path: '/' }
  },
  {
    id: 'too-much',
    asks: 'I have too much of it',
    words: 'too much discard waste throw away pot pancakes keep less',
    says: [
      'Keep less at each feed: a spoonful is enough to go on with. What you take out goes to the discard pot: kept cold, used within a week, and cooked.',
      'Under Jars you find what can be made of what is in the pot.'
    ],
    ofJars: false,
    go: { label: 'Go to Jars', path: '/jars' }
  },
  {
    id: 'protein',
    asks: 'How much protein does my flour have?',
    words: 'protein flour strong bread flour percent packet label serving gluten strength',
    says: ['The packet tells it for a serving: 4 g in 31 g is 4 ÷ 31 = 12.9 %. Bread flour has 12 to 14 %, plain flour 9 to 11 %.'],
    ofJars: false,
    go: { label: 'Go to Shelf', path: '/shelf' }
  },
  {
    id: 'begin',
    asks: 'Where do I begin?',
    words: 'help begin start first bake how does it work tutorial guide',
    says: [
      'Say when you want bread, under New bake. Olvent works back from there: how much starter, when to build the levain, when to mix.',
      'Then Today tells you what to do next, one thing at a time.'
    ],
    ofJars: false,
    go: { label: 'Go to Today', path: '/' }
  },
  {
    id: 'backup',
    asks: 'How do I keep a copy of my kitchen?',
    words: 'backup copy save export move computer lost data download file',
    says: ['Copies are made by themselves each day. You can have them in a folder of your own too, or download everything as one file.'],
    ofJars: false,
    go: { label: 'Copies and devices', path: '/kitchen/copies' }
  }
]

/** As exact as it is known: to the half hour, from half a day on to the hour, from two days on to the day. */
const roughly = (hours: number) => {
  const step = hours < 12 ? 0.5 : hours < 48 ? 1 : 24
  return Math.round(hours / step) * step
}

/** What a jar says to a question about hunger: when it was fed how, where it stands, and what comes of that. */
export function jarFactWords({ jar, fed, fedMs, tempC, ripeHours, hungryHours, hungry }: JarFacts, format: Format): string {
  const ratio = fed === null ? '' : ` ${ratioOf(fed)}`
  const stands = tempC === null ? '' : `, and stands at ${format.temperature(tempC)}`
  const ripe = ripeHours === null ? 'it hardly rises' : `it is at its peak after about ${format.duration(roughly(ripeHours))}`
  const until = hungryHours === null ? 'and does not get hungry within two months' : `and hungry after about ${format.duration(roughly(hungryHours))}`
  return `${jar.name} was ${beganWord(jar)}${ratio} ${format.dayTime(fedMs)}${stands}: ${ripe}, ${until}.${hungry ? ' It is hungry now.' : ''}`
}
