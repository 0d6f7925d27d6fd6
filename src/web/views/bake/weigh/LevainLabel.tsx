import { Button, CopyButton, Group } from '@mantine/core'
import { ratioOf } from '../../../../core'
import { near } from '../../../../words'
import { LEVAIN_LABEL } from '../../../../words/screens/weigh'
import { useKitchen } from '../../../data/kitchen'
import { useBakeHere } from '../bakeHere'
import classes from './Weigh.module.css'

/** What is written on the jar of a levain: type, when, ratio, tare, band, when due. */
export function LevainLabel() {
  const { state, jar, plan, solved, judged } = useBakeHere()
  const { format, vessels } = useKitchen()
  const { band, poured } = state
  if (band === null) return null
  const vessel = vessels.find((v) => v.id === solved?.build?.fit?.vessel.id)
  const ready = judged?.told.window ?? null
  const due = ready === null ? null : format.dayTime(near(ready.fromMs))
  const rows = [
    LEVAIN_LABEL.levainFrom(plan.name, jar?.name ?? LEVAIN_LABEL.jar),
    LEVAIN_LABEL.at(
      format.dayTime(band.atMs),
      ratioOf({ seed: poured.seed + poured['older levain'], flour: poured.flour, water: poured.water }),
      format.temperature(band.mixTempC)
    ),
    ...(band.levelMm === undefined ? [] : [LEVAIN_LABEL.markedAtMm(Math.round(band.levelMm))]),
    ...(vessel === undefined ? [] : [LEVAIN_LABEL.emptyJar(format.mass(vessel.tareGrams))]),
    ...(due === null ? [] : [LEVAIN_LABEL.readyFromAbout(due)])
  ]
  return (
    <>
      <div className={classes.label} data-testid="levain-label">
        {rows.map((row, i) => (
          <div key={row}>{i === 0 ? <strong>{row}</strong> : row}</div>
        ))}
      </div>
      <Group mt="sm">
        <Button variant="default" onClick={() => window.print()}>
          {LEVAIN_LABEL.printLabel}
        </Button>
        <CopyButton value={rows.join('\n')}>
          {({ copied, copy }) => (
            <Button variant="default" onClick={copy}>
              {copied ? LEVAIN_LABEL.copied : LEVAIN_LABEL.copyLabel}
            </Button>
          )}
        </CopyButton>
      </Group>
    </>
  )
}
