import { useState } from 'react'
import { FLOUR, type Pantry, type PourManner, pourOrder, roundToScale, scaleStep, WATER } from '../../../core'
import { WEIGH_FEED } from '../../../words/screens/parts-feed'
import type { WeighedFeed } from '../../data/jarFeeds'
import { useKitchen } from '../../data/kitchen'
import type { Entry } from '../weigh/entry'
import { Weigh } from '../weigh/Weigh'

const HOW: Readonly<Record<'flour' | 'water', string>> = { flour: WEIGH_FEED.intoJarOntoWhatKept, water: WEIGH_FEED.intoJarOntoWhatKept }

/**
 * Weighs the flour and water of a feed into the jar, in the right order for its culture.
 * @param feed what is wanted, g
 * @param onDone told once, with what the scale said
 */
export function WeighFeed({
  feed,
  manner,
  onDone
}: {
  readonly feed: WeighedFeed
  readonly manner: PourManner
  readonly onDone: (weighed: WeighedFeed) => void
}) {
  const { kitchen, pantry } = useKitchen()
  const [poured, setPoured] = useState<ReadonlyMap<string, number>>(new Map())
  const [targets, setTargets] = useState<Readonly<Record<string, number>>>({})
  const entries = entriesOf(feed, manner, pantry, kitchen.smallScale, poured, targets)
  const pour = (entry: Entry, grams: number) => {
    const now = new Map(poured).set(entry.key, (poured.get(entry.key) ?? 0) + grams)
    setPoured(now)
    if (entries.every((e) => !e.due || e.key === entry.key))
      onDone({ flours: feed.flours.map((f) => ({ ...f, grams: now.get(f.ingredientId) ?? f.grams })), waterGrams: now.get('water') ?? feed.waterGrams })
  }
  return <Weigh entries={entries} mode="bowl" onPour={pour} onTargets={(more) => setTargets({ ...targets, ...more })} />
}

function entriesOf(
  { flours, waterGrams }: WeighedFeed,
  manner: PourManner,
  pantry: Pantry,
  smallScale: boolean,
  poured: ReadonlyMap<string, number>,
  targets: Readonly<Record<string, number>>
): Entry[] {
  const entry = (key: string, title: string, grams: number, kind: 'flour' | 'water'): Entry => {
    const there = poured.get(key)
    const target = targets[key]
    return {
      key,
      title,
      grams: target ?? roundToScale(grams, scaleStep(grams, smallScale)),
      resolution: scaleStep(grams, smallScale),
      how: HOW[kind],
      poured: there ?? 0,
      lastPourId: null,
      due: there === undefined || (target !== undefined && target - there >= 1),
      composition: kind === 'flour' ? FLOUR : WATER,
      isCulture: false,
      note: { lineId: 'feed', ingredientId: key }
    }
  }
  return pourOrder(manner).flatMap((item) =>
    item === 'flour'
      ? flours.map((f) => entry(f.ingredientId, pantry.get(f.ingredientId)?.name ?? 'Flour', f.grams, 'flour'))
      : item === 'water' && waterGrams > 0
        ? [entry('water', 'Water', waterGrams, 'water')]
        : []
  )
}
