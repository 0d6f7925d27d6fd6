import { Button, Select } from '@mantine/core'
import { useDisclosure } from '@mantine/hooks'
import { useRef } from 'react'
import type { Device, DeviceDeed } from '../../../contract'
import { SCALE_BAR } from '../../../words/screens/parts-weigh'
import { touchDevice } from '../../data/devices'
import { useKitchen } from '../../data/kitchen'
import { tellError } from '../cards/tell'
import classes from './Weigh.module.css'

const TYPED = 'typed'
/** A bowl of the stand-in kitchen, and how it goes wrong there, g. */
const BOWL_GRAMS = 412
const SLIP_GRAMS = 9
const SPILL_GRAMS = -12
const LOW = 0.15

/** Which scale is read, and the panel of the stand-in. */
export function ScaleBar({
  device,
  all,
  onChoose,
  due,
  battery,
  shown
}: {
  readonly device: Device | null
  readonly all: readonly Device[]
  readonly onChoose: (id: string | null) => void
  readonly due: number
  readonly battery: number | null
  readonly shown: number
}) {
  const { format } = useKitchen()
  const [open, panel] = useDisclosure(false)
  const lifted = useRef(0)
  if (all.length === 0) return null
  const touch = (deed: DeviceDeed) => {
    if (device !== null) touchDevice(device.id, deed).catch(tellError)
  }
  return (
    <div>
      <div className={classes.tools}>
        <Select
          label={SCALE_BAR.scale}
          data={[{ value: TYPED, label: SCALE_BAR.typedByHand }, ...all.map((d) => ({ value: d.id, label: d.name }))]}
          value={device?.id ?? TYPED}
          onChange={(value) => value !== null && onChoose(value === TYPED ? null : value)}
          style={{ width: 'min(220px, 70vw)' }}
          description={battery !== null && battery < LOW ? SCALE_BAR.batteryAt(format.percent(battery, 0)) : undefined}
        />
        {device?.simulated === true && (
          <Button variant="subtle" onClick={panel.toggle} aria-expanded={open}>
            {SCALE_BAR.moveStandIn}
          </Button>
        )}
      </div>
      {open && device?.simulated === true && (
        <div className={classes.panel} data-testid="stand-in">
          <Button variant="default" size="sm" onClick={() => touch({ do: 'put', grams: BOWL_GRAMS })}>
            {SCALE_BAR.bowlOn}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'put', grams: due })}>
            {SCALE_BAR.exactly(format.mass(due))}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'pour', grams: due })}>
            {SCALE_BAR.pourByHand}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'put', grams: due + SLIP_GRAMS })}>
            {SCALE_BAR.gTooMuch(SLIP_GRAMS)}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'put', grams: SPILL_GRAMS })}>
            {SCALE_BAR.spillG(-SPILL_GRAMS)}
          </Button>
          <Button
            variant="default"
            size="sm"
            onClick={() => {
              lifted.current = shown
              touch({ do: 'lift' })
            }}
          >
            {SCALE_BAR.liftOff}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'put', grams: lifted.current })}>
            {SCALE_BAR.putBack}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'tare' })}>
            {SCALE_BAR.ownZero}
          </Button>
          <Button variant="default" size="sm" onClick={() => touch({ do: 'battery', share: battery === null || battery > 0 ? 0 : 1 })}>
            {SCALE_BAR.batteryOutIn}
          </Button>
        </div>
      )}
    </div>
  )
}
