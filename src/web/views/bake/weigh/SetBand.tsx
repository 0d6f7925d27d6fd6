import { Button, Slider, Text } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { useState } from 'react'
import type { BakeState } from '../../../../core'
import { SET_BAND } from '../../../../words/screens/weigh'
import { useChosenDevice } from '../../../data/devices'
import { useKitchen } from '../../../data/kitchen'
import { useLatest } from '../../../data/live'
import { Card, Note } from '../../../parts/cards/Card'
import large from '../../../parts/cards/Large.module.css'
import { QuantityField } from '../../../parts/fields/QuantityField'
import { WhenField } from '../../../parts/fields/WhenField'
import { familyOf } from '../../../parts/jar/family'
import { VesselDrawing } from '../../../parts/jar/VesselDrawing'
import { ReadFrom } from '../../../parts/weigh/ReadFrom'
import { useBakeHere } from '../bakeHere'
import classes from './Weigh.module.css'

/** Height of the drawn jar, px. */
const DRAWN_PX = 190

/** What is noted when the band is set. */
export interface BandNote {
  readonly mixTempC: number
  readonly levelMm: number | undefined
  readonly minutesAgo: number
}

/** Marked sooner than this after the last pour, nobody has forgotten it, min. */
const SOON_MINUTES = 15

/** Minutes since the last pour, where nothing was noted for a while; 0 where it was just made. */
export function minutesSinceMixed({ pours }: Pick<BakeState, 'pours'>, now: number): number {
  const lastMs = Math.max(...[...pours.values()].flat().map((pour) => pour.atMs))
  const minutes = Number.isFinite(lastMs) ? Math.round((now - lastMs) / millisecondsInMinute) : 0
  return minutes > SOON_MINUTES ? minutes : 0
}

/** The band: how warm, how high, when. */
export function SetBand({ expectedC, onBand }: { readonly expectedC: number; readonly onBand: (note: BandNote) => void }) {
  const { solved, jar, state, now } = useBakeHere()
  const { format } = useKitchen()
  const [mixTempC, setMixTempC] = useState<number | null>(null)
  const [typedMm, setTypedMm] = useState<number | null>(null)
  // Forgotten for a while, it was still mixed when the last of it went in.
  const [ago, setAgo] = useState(() => minutesSinceMixed(state, now))
  const { device: sensor } = useChosenDevice('level')
  const measuredMm = useLatest(sensor?.id ?? null)?.value
  const fit = solved?.build?.fit ?? null
  const vessel = fit?.vessel
  const levelMm = typedMm ?? measuredMm ?? (fit === null ? null : Math.round(fit.bandMm))
  const pxPerMm = vessel === undefined ? 1 : DRAWN_PX / vessel.heightMm
  return (
    <Card data-testid="set-band">
      <h2 className={large.item}>{SET_BAND.markLevel}</h2>
      <Text>{SET_BAND.stirWellScrapeSidesDown}</Text>
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
            label={(mm) => SET_BAND.mm(mm)}
            thumbLabel={SET_BAND.levelInJar}
          />
          <div>
            <QuantityField
              kind="millimetres"
              label={SET_BAND.levelByEyeOrRuler}
              what={SET_BAND.level}
              value={levelMm}
              range={[1, vessel.heightMm]}
              onCommit={setTypedMm}
            />
            <Text c="dimmed" mt="xs">
              {SET_BAND.workedOutAsMmAnd(vessel.name, Math.round(fit.bandMm), Math.round(fit.peakMm))}
            </Text>
            <ReadFrom kind="level" />
          </div>
        </div>
      )}
      <QuantityField
        mt="md"
        kind="temperature"
        label={SET_BAND.temperatureMix}
        what={SET_BAND.mix}
        value={mixTempC ?? expectedC}
        range={[0, 40]}
        onCommit={setMixTempC}
        description={mixTempC === null ? SET_BAND.workedOutFromWhatWent(format.temperature(expectedC)) : undefined}
      />
      <ReadFrom kind="probe" onRead={setMixTempC} />
      <WhenField label={SET_BAND.when} minutesAgo={ago} onChange={setAgo} />
      <Note tone="care">{SET_BAND.neverSealFermentingJarTight}</Note>
      <Button size="xl" fullWidth mt="lg" onClick={() => onBand({ mixTempC: mixTempC ?? expectedC, levelMm: levelMm ?? undefined, minutesAgo: ago })}>
        {SET_BAND.levelMarked}
      </Button>
    </Card>
  )
}
