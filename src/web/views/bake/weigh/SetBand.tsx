import { Button, Slider, Text } from '@mantine/core'
import { useState } from 'react'
import { useChosenDevice } from '../../../data/devices'
import { useKitchen } from '../../../data/kitchen'
import { useLatest } from '../../../data/live'
import { Card, Note } from '../../../parts/Card'
import { familyOf } from '../../../parts/family'
import { VesselDrawing } from '../../../parts/jar/VesselDrawing'
import large from '../../../parts/Large.module.css'
import { QuantityField } from '../../../parts/QuantityField'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import type { StationProps } from '../station'
import { WhenField } from '../WhenField'
import classes from './Weigh.module.css'

/** Height of the drawn jar, px. */
const DRAWN_PX = 190

/** What is noted when the band is set. */
export interface BandNote {
  readonly mixTempC: number
  readonly levelMm: number | undefined
  readonly minutesAgo: number
}

/** The band: how warm, how high, when. */
export function SetBand({ solved, jar, expectedC, onBand }: StationProps & { readonly expectedC: number; readonly onBand: (note: BandNote) => void }) {
  const { format } = useKitchen()
  const [mixTempC, setMixTempC] = useState<number | null>(null)
  const [typedMm, setTypedMm] = useState<number | null>(null)
  const [ago, setAgo] = useState(0)
  const { device: sensor } = useChosenDevice('level')
  const measuredMm = useLatest(sensor?.id ?? null)?.value
  const fit = solved?.build?.fit ?? null
  const vessel = fit?.vessel
  const levelMm = typedMm ?? measuredMm ?? (fit === null ? null : Math.round(fit.bandMm))
  const pxPerMm = vessel === undefined ? 1 : DRAWN_PX / vessel.heightMm
  return (
    <Card data-testid="set-band">
      <h2 className={large.item}>Mark the level</h2>
      <Text>Stir well, scrape the sides down, level the top, and mark the level with a rubber band. Lid on loosely.</Text>
      {fit !== null && vessel !== undefined && levelMm !== null && (
        <div className={classes.levels}>
          <VesselDrawing
            vessel={vessel}
            pxPerMm={pxPerMm}
            bandMm={levelMm}
            peakMm={(fit.peakMm / fit.bandMm) * levelMm}
            family={familyOf(jar?.flour ?? 'white wheat')}
          />
          <Slider
            orientation="vertical"
            h={DRAWN_PX}
            min={1}
            max={Math.round(vessel.heightMm)}
            value={levelMm}
            onChange={setTypedMm}
            label={(mm) => `${mm} mm`}
            thumbLabel="Level in the jar"
          />
          <div>
            <QuantityField
              kind="millimetres"
              label="Level, by eye or ruler"
              what="The level"
              value={levelMm}
              range={[1, vessel.heightMm]}
              onCommit={setTypedMm}
            />
            <Text c="dimmed" mt="xs">
              {vessel.name}: worked out as {Math.round(fit.bandMm)} mm, and {Math.round(fit.peakMm)} mm at the peak.
            </Text>
            <ReadFrom kind="level" />
          </div>
        </div>
      )}
      <QuantityField
        mt="md"
        kind="temperature"
        label="Temperature of the mix"
        what="The mix"
        value={mixTempC ?? expectedC}
        range={[0, 40]}
        onCommit={setMixTempC}
        description={mixTempC === null ? `Worked out from what went in: ${format.temperature(expectedC)}. Measuring is better.` : undefined}
      />
      <ReadFrom kind="probe" onRead={setMixTempC} />
      <WhenField label="When" minutesAgo={ago} onChange={setAgo} />
      <Note tone="care">Never seal a fermenting jar tight: glass can burst.</Note>
      <Button size="xl" fullWidth mt="lg" onClick={() => onBand({ mixTempC: mixTempC ?? expectedC, levelMm: levelMm ?? undefined, minutesAgo: ago })}>
        The level is marked
      </Button>
    </Card>
  )
}
