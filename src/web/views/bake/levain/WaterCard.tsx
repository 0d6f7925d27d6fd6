import { Text } from '@mantine/core'
import type { ReactNode } from 'react'
import { HOTTEST_WATER_C, type SolvedLevain } from '../../../../core'
import { useKitchen } from '../../../data/kitchen'
import { Card, Figure, Figures, Mass, Note } from '../../../parts/Card'
import { QuantityField } from '../../../parts/QuantityField'
import classes from '../BakeSheet.module.css'

/** Water that brings the fresh mix to a temperature: how warm, and how to get it from tap, kettle and ice. */
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
    <Card title="Water for it">
      <QuantityField
        kind="temperature"
        label="Fresh mix wanted at"
        what="The mix"
        disabled={frozen}
        value={mixTempC}
        range={[4, 38]}
        onCommit={onMixTemp}
        maw={220}
      />
      {water !== null && (
        <div className={classes.sizeFields}>
          <Figures>
            <Figure value={format.temperature(water.tempC, 0)} name="water" />
            <Figure value={<Mass grams={Math.round(water.blend.tapGrams)} />} name={`from the tap, ${format.temperature(kitchen.tapTempC)}`} />
            {water.blend.kettleGrams >= 0.5 && <Figure value={<Mass grams={Math.round(water.blend.kettleGrams)} />} name="from the kettle" />}
            {water.blend.iceGrams >= 0.5 && <Figure value={<Mass grams={Math.round(water.blend.iceGrams)} />} name="of ice from the freezer" />}
          </Figures>
          {water.blend.kettleGrams >= 0.5 && (
            <Note tone="care">Stir and measure it before it meets the starter: never above {format.temperature(HOTTEST_WATER_C)}.</Note>
          )}
        </div>
      )}
      {impossibleWaterC !== null && impossibleWaterC < 0 && (
        <Note tone="stop">The water would have to be ice. Cool the flour, or take the starter from the fridge.</Note>
      )}
      {children}
      <Text c="dimmed" mt="xs">
        The flour stands at {format.temperature(flourC)}, the starter will be at {format.temperature(build.seedTempC, 0)}.
      </Text>
    </Card>
  )
}
