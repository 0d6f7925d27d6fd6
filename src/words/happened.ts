import type { Bake } from '../answers'
import type { BakeEvent } from '../contract'
import { type Explanation, type Format, type Pantry, stepNamed } from '../core'
import { ITEM_WORDS } from './levain'
import { seenWords } from './signs'
import { stepWord } from './steps'

/** What a line of a bake's history is told with. */
export interface HappenedIn {
  readonly plan: Bake['plan']
  readonly pantry: Pantry
  readonly jarName: string
  /** Places by their id. */
  readonly placeName: (id: string) => string | undefined
  readonly format: Format
}

const EXPLAINED: Readonly<Record<Explanation, string>> = {
  right: 'the level was typed right',
  stirred: 'it was stirred or knocked down',
  'band moved': 'the rubber band was moved'
}

/** What happened to a bake, in a line: "62 g of water poured", "Fold 2 done". */
export function happenedWords(event: Exclude<BakeEvent, { type: 'undo' }>, { plan, pantry, jarName, placeName, format }: HappenedIn): string {
  const mass = (grams: number) => format.mass(grams, grams % 1 === 0 ? 1 : 0.1)
  const called = (id: string | undefined) => (id === undefined ? undefined : pantry.get(id)?.name.toLowerCase())
  switch (event.type) {
    case 'pour':
      return `${mass(event.weighedGrams)} of ${called(event.ingredientId) ?? ITEM_WORDS[event.item]} weighed for the levain`
    case 'weigh': {
      const line = plan.formula.lines.find((l) => l.id === event.lineId)
      const what = event.into === 'pieces' ? 'dough for a piece' : (called(event.ingredientId) ?? (line === undefined ? event.key : line.kind))
      return `${mass(event.weighedGrams)} of ${what} weighed`
    }
    case 'repair':
      return 'amounts corrected after a slip'
    case 'measured':
      return 'temperatures measured'
    case 'band':
      return plan.build.source === 'as it is' ? `${jarName} went into the bowl` : 'the level was marked'
    case 'mark': {
      const seen = [...(event.rise === undefined ? [] : [format.rise(event.rise)]), ...seenWords(event.signs)]
      return `looked at the levain${seen.length === 0 ? '' : `: ${seen.join(', ')}`}`
    }
    case 'explained':
      return EXPLAINED[event.as]
    case 'moved':
      return `moved to ${placeName(event.placeId) ?? 'another place'}`
    case 'mixed':
      return `mixed with ${mass(event.levainGrams)} of levain${event.keepBackGrams === 0 ? '' : `, ${mass(event.keepBackGrams)} ${event.keepAs === undefined ? `back to ${jarName}` : 'kept as old levain'}`}`
    case 'fed again':
      return 'fed again: the next levain is built from this one'
    case 'begun':
      return `${stepWord(stepNamed(event.step, plan.formula.lines))}: begun`
    case 'step':
      return `${stepWord(stepNamed(event.step, plan.formula.lines))}: ${event.did === 'done' ? 'done' : 'left out'}`
    case 'dough': {
      const seen = [
        ...(event.rise === undefined ? [] : [format.growth(event.rise - 1)]),
        ...(event.tempC === undefined ? [] : [format.temperature(event.tempC, 1)]),
        ...(event.poke === undefined ? [] : [event.poke]),
        ...(event.coreTempC === undefined ? [] : [`${format.temperature(event.coreTempC)} in the middle`])
      ]
      return `the dough: ${seen.length === 0 ? 'looked at' : seen.join(', ')}`
    }
    case 'outcome':
      return `the bread was noted${event.rise === undefined ? '' : `: rise ${event.rise} of 5`}`
  }
}
