import { SimpleGrid, Text } from '@mantine/core'
import type { ReactNode } from 'react'
import type { FeedDraft, FeedFigures } from '../../../answers'
import type { Jar } from '../../../contract'
import { POSSIBLE, pourManner, pourOrder, ratioOf, STARTER_DENSITY, WATER_DENSITY } from '../../../core'
import { FEED_SHEET } from '../../../words/screens/parts-feed'
import { useKitchen } from '../../data/kitchen'
import { Figure, Figures } from '../cards/Card'
import { QuantityField } from '../fields/QuantityField'

const GRAMS = [1, POSSIBLE.grams[1]] as const

/** How much is kept and fed, in the way it is told. */
export function FeedAmountFields({ jar, draft, there, edit }: { jar: Jar; draft: FeedDraft; there: number; edit: (patch: Partial<FeedDraft>) => void }) {
  const { pantry } = useKitchen()
  const keep = (
    <QuantityField
      key="keep"
      kind="mass"
      label={FEED_SHEET.keep}
      value={draft.keepGrams}
      range={[1, Math.max(there, 1)]}
      density={STARTER_DENSITY.stirred}
      what={FEED_SHEET.whatKept}
      onCommit={(keepGrams) => edit({ keepGrams })}
    />
  )
  if (draft.by === 'ratio') {
    return (
      <SimpleGrid cols={{ base: 2, xs: 3 }}>
        {keep}
        <QuantityField
          kind="parts"
          label={FEED_SHEET.flourToOneKept}
          value={draft.ratio}
          range={POSSIBLE.flourPerSeed}
          what={FEED_SHEET.ratio}
          onCommit={(ratio) => edit({ ratio })}
        />
        <QuantityField
          kind="percent"
          label={FEED_SHEET.hydrationThen}
          value={draft.hydration}
          range={POSSIBLE.levainHydration}
          onCommit={(hydration) => edit({ hydration })}
        />
      </SimpleGrid>
    )
  }
  if (draft.by === 'grams') {
    return (
      <SimpleGrid cols={{ base: 2, xs: 3 }}>
        {keep}
        {freshInOrder(
          jar,
          <QuantityField
            key="flour"
            kind="mass"
            label={FEED_SHEET.flour}
            value={draft.flourGrams}
            density={pantry.get(draft.feed[0]?.ingredientId ?? '')?.density}
            range={GRAMS}
            onCommit={(flourGrams) => edit({ flourGrams })}
          />,
          <QuantityField
            key="water"
            kind="mass"
            label={FEED_SHEET.water2}
            value={draft.waterGrams}
            density={WATER_DENSITY}
            range={GRAMS}
            onCommit={(waterGrams) => edit({ waterGrams })}
          />
        )}
      </SimpleGrid>
    )
  }
  return (
    <SimpleGrid cols={{ base: 2, xs: 3 }}>
      <QuantityField
        kind="parts"
        label={FEED_SHEET.keepTablespoons}
        value={draft.spoons}
        range={[0.25, 40]}
        what={FEED_SHEET.spoons}
        onCommit={(spoons) => edit({ spoons })}
      />
      {freshInOrder(
        jar,
        <QuantityField
          key="flour"
          kind="parts"
          label={FEED_SHEET.flourCups}
          value={draft.flourCups}
          range={[0.06, 20]}
          what={FEED_SHEET.cupsFlour}
          onCommit={(flourCups) => edit({ flourCups })}
        />,
        <QuantityField
          key="water"
          kind="parts"
          label={FEED_SHEET.waterCups}
          value={draft.waterCups}
          range={[0.06, 20]}
          what={FEED_SHEET.cupsWater}
          onCommit={(waterCups) => edit({ waterCups })}
        />
      )}
    </SimpleGrid>
  )
}

/** The feed in grams. */
export function FeedInGrams({ jar, figures }: { jar: Jar; figures: FeedFigures }) {
  const { format } = useKitchen()
  const { keepGrams, flourGrams, waterGrams, ranges, hydration } = figures
  return (
    <>
      <Figures>
        {freshInOrder(
          jar,
          <Figure key="flour" value={format.mass(flourGrams)} name={FEED_SHEET.flour2} />,
          <Figure key="water" value={format.mass(waterGrams)} name={FEED_SHEET.water3} />
        )}
        <Figure value={ratioOf({ seed: keepGrams, flour: flourGrams, water: waterGrams })} name={FEED_SHEET.keptFlourWater} />
        <Figure value={format.mass(keepGrams + flourGrams + waterGrams)} name={FEED_SHEET.thenInJar(format.percent(hydration, 0))} />
      </Figures>
      {ranges !== null && (
        <Text c="dimmed">
          {FEED_SHEET.toKeptToFlourCups(
            format.massFigure(ranges.keep.least),
            format.mass(ranges.keep.most),
            format.massFigure(ranges.flour.least),
            format.mass(ranges.flour.most),
            (ranges.flour.least / ranges.keep.most).toFixed(1),
            (ranges.flour.most / ranges.keep.least).toFixed(1)
          )}
        </Text>
      )}
    </>
  )
}

/** Flour and water in the order in which this culture gets them. */
function freshInOrder(jar: Jar, flour: ReactNode, water: ReactNode): ReactNode[] {
  return pourOrder(pourManner(jar.hydration, jar.flour)).flatMap((item) => (item === 'flour' ? [flour] : item === 'water' ? [water] : []))
}
