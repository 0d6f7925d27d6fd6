import type { Bake } from '../answers'
import type { Jar } from '../contract'
import type { Step, WindowAlarm } from '../core'

/** "Juno’s" */
/** The same words at the beginning of a sentence. */
export const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

export const possessive = (name: string) => (name.endsWith('s') ? `${name}’` : `${name}’s`)

const nameOfJar = (bake: Bake, jars: readonly Jar[]) => jars.find((j) => j.id === bake.plan.jarId)?.name ?? 'the jar'

/** What is made ahead, as it is called in the recipe. */
const aheadWord = (of: Step['of']) => `Make the ${of?.name.toLowerCase() ?? 'part that goes ahead'}`

const moveWord = (to: Step['to']) => (to === undefined ? 'Move the dough' : `Dough to ${to}`)

/** What is to be done, in a line. */
export function stepTitle(bake: Bake, { kind, id, of, to }: Pick<Step, 'kind' | 'id' | 'of' | 'to'>, jars: readonly Jar[]): string {
  const jar = nameOfJar(bake, jars)
  const isJar = bake.plan.build.source === 'as it is'
  const levain = isJar ? jar : `${possessive(jar)} levain`
  const { name, course } = bake.plan
  switch (kind) {
    case 'wake':
      return isJar ? `Feed ${jar}` : `Wake ${jar}: feed it`
    case 'first build':
      return `First build from ${jar}`
    case 'ahead':
      return `${aheadWord(of)}: ${name}`
    case 'grow':
      return `Grow starter for ${levain}`
    case 'refill':
      return `Refill ${jar}`
    case 'build':
      return `Build ${levain}`
    case 'finish weighing':
      return `Finish weighing ${levain}`
    case 'chill':
      return `Move ${levain} on`
    case 'look':
      return `Look at ${levain}`
    case 'feed again':
      return `Feed ${levain} again`
    case 'autolyse':
      return `Flour and water together: ${name}`
    case 'mix':
      return `Mix: ${name}`
    case 'fold':
      return `Fold ${id.replace('fold ', '')} of ${course?.folds ?? 1}: ${name}`
    case 'move':
      return `${moveWord(to)}: ${name}`
    case 'shape':
      return `Shape: ${name}`
    case 'preheat':
      return `Heat the oven: ${name}`
    case 'bake':
      return `Into the oven: ${name}`
    case 'lid':
      return `Lid off: ${name}`
    case 'out':
      return `Out of the oven: ${name}`
    case 'eat':
      return `Cooled, ready to cut: ${name}`
  }
}

const WINDOW_WORDS: Readonly<Record<WindowAlarm['kind'], string>> = {
  'opens soon': 'should be ready in about half an hour',
  opens: 'should be ready: look at it first',
  'closes soon': 'should stay ready for about half an hour more: look at it, then mix or chill it'
}

/** What is told of the window of a running levain, in a line. */
export const windowTitle = ({ plan }: Bake, kind: WindowAlarm['kind']): string => `${plan.name}: the levain ${WINDOW_WORDS[kind]}`

/** A step in one or two words, where the bake is known. */
export function stepWord({ kind, id, of, to }: Pick<Step, 'kind' | 'id' | 'of' | 'to'>, planned?: { readonly cold: boolean }): string {
  switch (kind) {
    case 'wake':
      return id === 'wake' ? 'Wake-up feed' : `Wake-up feed ${id.replace('wake ', '')}`
    case 'first build':
      return 'First build'
    case 'ahead':
      return aheadWord(of)
    case 'grow':
      return id === 'grow 1' ? 'Grow starter for it' : `Grow starter for it, stage ${id.replace('grow ', '')}`
    case 'refill':
      return 'Refill the jar'
    case 'build':
      return 'Build the levain'
    case 'finish weighing':
      return 'Finish weighing'
    case 'chill':
      return 'Move the levain on'
    case 'look':
      return 'Look'
    case 'feed again':
      return 'Feed again'
    case 'autolyse':
      return 'Autolyse'
    case 'mix':
      return 'Mix'
    case 'fold':
      return `Fold ${id.replace('fold ', '')}`
    case 'move':
      return moveWord(to)
    case 'shape':
      return planned?.cold === true ? 'Shape, into the cold' : 'Shape'
    case 'preheat':
      return 'Heat the oven'
    case 'bake':
      return 'Into the oven'
    case 'lid':
      return 'Lid off, steam out'
    case 'out':
      return 'Out of the oven'
    case 'eat':
      return 'Ready to cut'
  }
}

/** The caution that stands at a step. */
export function stepCaution({ kind, of }: Pick<Step, 'kind' | 'of'>): string | null {
  switch (kind) {
    case 'ahead':
      return of?.style === 'scald' ? 'Boiling water: pour slowly, stir. Below 40 °C before it meets a levain.' : null
    case 'preheat':
      return 'Oven at 230 °C and more: nothing that burns near it, gloves at hand.'
    case 'bake':
      return 'Heavy hot pot: heat gloves. Put the cap back on the blade.'
    case 'lid':
    case 'out':
      return 'Heat gloves. Face away when the steam comes out.'
    case 'chill':
      return 'Loose lid: a fermenting jar that is sealed can burst.'
    default:
      return null
  }
}

/** Of a step in the baker's night: nobody gets up for a fold. */
export const youSleepUntil = (time: string, isFold: boolean) => `you sleep until ${time}${isFold ? ': leave this fold out' : ''}`
