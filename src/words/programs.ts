import type { Deed, Format, Pantry, ProgramKind } from '../core'

/** Programs for a jar, with what each is for. */
export const KIND_WORDS: Readonly<Record<ProgramKind, { readonly name: string; readonly use: string }>> = {
  'new culture': { name: 'Start a new culture', use: 'From flour and water, in a week or two.' },
  strengthen: { name: 'Gather strength', use: 'Before a bake that matters.' },
  grow: { name: 'Grow to a large amount', use: 'For a holiday, a market, a friend’s oven.' },
  change: { name: 'Become another culture', use: 'Liquid to stiff, white to rye: slowly.' },
  dry: { name: 'Dry a spare', use: 'Flakes or crumb that sleep for a year.' },
  absence: { name: 'Wait for you', use: 'Before you go away for weeks.' },
  own: { name: 'Your own steps', use: 'Your own days and amounts.' },
  gift: { name: 'Some for a friend', use: 'Fed, ripe, with a label.' },
  revival: { name: 'Revive it', use: 'After it was forgotten.' },
  wake: { name: 'Wake it', use: 'From flakes to a jar in three days.' }
}

/** What a step weighs, in a line; empty where nothing is weighed. */
export function deedWords(deed: Deed | null, pantry: Pantry, format: Format): string {
  if (deed === null) return ''
  const flours = (all: readonly { readonly ingredientId: string; readonly grams: number }[]) =>
    all.map(({ ingredientId, grams }) => `${format.mass(grams)} ${pantry.get(ingredientId)?.name.toLowerCase() ?? 'flour'}`).join(', ')
  switch (deed.kind) {
    case 'feed':
      return `keep ${deed.keepGrams === null ? 'all of it' : format.mass(deed.keepGrams)}, ${flours(deed.flours)}, ${format.mass(deed.waterGrams)} water`
    case 'take':
      return `${format.mass(deed.grams)} out of the jar`
    case 'wake':
      return `${format.mass(deed.grams)} flakes, ${flours(deed.flours)}, ${format.mass(deed.waterGrams)} water`
    default:
      return ''
  }
}
