import { SimpleGrid, Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { HOTTEST_WATER_C, mixWithWater, type SolvedLevain } from '../../../../core'
import { WATER_CARD } from '../../../../words/screens/levain'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/cards/Card'
import { QuantityField } from '../../../parts/fields/QuantityField'
import classes from '../BakeSheet.module.css'

/** Water that brings the fresh mix to a temperature: how warm, and how to get it from tap, kettle and ice; or how warm the mix comes out with water as it is. */
export function WaterCard({
  build,
  mixTempC,
  frozen,
  onMixTemp,
  children
}: {
  readonly build: SolvedLevain
  readonly mixTempC: number
  readonly frozen: boolean
  readonly onMixTemp: (tempC: number) => void
  readonly children: ReactNode
}) {
  const { kitchen, format } = useKitchen()
  const { water, impossibleWaterC } = build
  const flourC = kitchen.places[0]?.tempC ?? mixTempC
  return (
    <Card title={WATER_CARD.waterFor}>
      <SimpleGrid cols={2}>
        <QuantityField
          kind="temperature"
          label={WATER_CARD.freshMixWantedAt}
          what={WATER_CARD.mix}
          disabled={frozen}
          value={mixTempC}
          range={[4, 38]}
          onCommit={onMixTemp}
        />
        <QuantityField
          kind="temperature"
          label={WATER_CARD.orWaterHas}
          what={WATER_CARD.theWater}
          placeholder={WATER_CARD.notSaid}
          disabled={frozen}
          value={water === null ? null : Math.round(water.tempC * 10) / 10}
          range={[1, HOTTEST_WATER_C]}
          onCommit={(waterC) => onMixTemp(mixWithWater(build, flourC, waterC))}
        />
      </SimpleGrid>
      {water !== null && (
        <div className={classes.sizeFields}>
          <Figures>
            <Figure value={format.temperature(water.tempC, 0)} name={WATER_CARD.water} />
            <Figure value={<Mass grams={Math.round(water.blend.tapGrams)} />} name={WATER_CARD.fromTap(format.temperature(kitchen.tapTempC))} />
            {water.blend.kettleGrams >= 0.5 && <Figure value={<Mass grams={Math.round(water.blend.kettleGrams)} />} name={WATER_CARD.fromKettle} />}
            {water.blend.iceGrams >= 0.5 && <Figure value={<Mass grams={Math.round(water.blend.iceGrams)} />} name={WATER_CARD.iceFromFreezer} />}
          </Figures>
          {water.blend.kettleGrams >= 0.5 && <Note tone="care">{WATER_CARD.stirAndMeasureBeforeMeets(format.temperature(HOTTEST_WATER_C))}</Note>}
        </div>
      )}
      {impossibleWaterC !== null && impossibleWaterC < 0 && <Note tone="stop">{WATER_CARD.waterWouldHaveToBe}</Note>}
      {children}
      <Text c="dimmed" mt="xs">
        {WATER_CARD.flourStandsAtStarterWill(format.temperature(flourC), format.temperature(build.seedTempC, 0))}
      </Text>
    </Card>
  )
}
