import { Group, Select, Stack, Text } from '@mantine/core'
import { Link } from 'react-router'
import type { FeedFigures } from '../../../answers'
import type { Jar } from '../../../contract'
import { FULLEST, jarFit, smallestThatFits } from '../../../core'
import { IN_VESSEL } from '../../../words/screens/parts-feed'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../cards/Card'
import { familyOf } from '../jar/family'
import { VesselDrawing } from '../jar/VesselDrawing'

const NONE = 'none'
/** The drawing is no higher than this, px. */
const DRAWN_PX = 110

/** Into which vessel a feed goes, and whether its peak stays below the rim. */
export function InVessel({
  jar,
  figures,
  peakRise,
  vesselId,
  onVessel
}: {
  readonly jar: Jar
  readonly figures: FeedFigures
  /** Level at the peak ÷ level after the feed. */
  readonly peakRise: number
  readonly vesselId: string | null
  readonly onVessel: (id: string | null) => void
}) {
  const { format, vessels } = useKitchen()
  if (vessels.length === 0) {
    return (
      <Text c="dimmed">
        {IN_VESSEL.addYourVesselsIn}
        <Link to="/kitchen/vessels">{IN_VESSEL.kitchen}</Link>
        {IN_VESSEL.toSeeWhetherPeakStays}
      </Text>
    )
  }
  const grams = figures.keepGrams + figures.flourGrams + figures.waterGrams
  const vessel = vessels.find((v) => v.id === vesselId)
  const fit = vessel === undefined ? null : jarFit(vessel, grams, figures.hydration, peakRise)
  const other = smallestThatFits(vessels, grams, figures.hydration, peakRise)
  return (
    <Group align="flex-start" wrap="nowrap" gap="lg">
      <Stack gap={6} style={{ flex: 1 }}>
        <Select
          label={IN_VESSEL.whichVessel}
          data={[{ value: NONE, label: IN_VESSEL.notSaid }, ...vessels.map((v) => ({ value: v.id, label: IN_VESSEL.ml(v.name, v.capacityMl) }))]}
          value={vessel?.id ?? NONE}
          allowDeselect={false}
          onChange={(v) => onVessel(v === null || v === NONE ? null : v)}
        />
        {fit !== null && vessel !== undefined && (
          <Text c="dimmed" data-testid="room">
            {IN_VESSEL.bandAtMmPeakAt(Math.round(fit.bandMm), Math.round(fit.peakMm), vessel.heightMm, format.percent(fit.full, 0))}
          </Text>
        )}
        {fit !== null && !fit.fits && (
          <Note tone="stop">
            {IN_VESSEL.tooSmallWouldFoamOver(
              other === undefined ? IN_VESSEL.feedLessAtMostIn(format.mass((grams * FULLEST) / fit.full)) : IN_VESSEL.takeOrFeedLess(other.name)
            )}
          </Note>
        )}
      </Stack>
      {fit !== null && vessel !== undefined && (
        <VesselDrawing
          vessel={vessel}
          pxPerMm={DRAWN_PX / Math.max(vessel.heightMm, fit.peakMm)}
          bandMm={fit.bandMm}
          peakMm={fit.peakMm}
          family={familyOf(jar.flour)}
        />
      )}
    </Group>
  )
}
