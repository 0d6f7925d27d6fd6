import { Button, Chip, Drawer, Group, Stack, Switch, Text } from '@mantine/core'
import { millisecondsInMinute } from 'date-fns/constants'
import { useState } from 'react'
import { minuteOf } from '../../../answers'
import type { Jar } from '../../../contract'
import { type JarParameters, keysOf, POSSIBLE, pHAfter, SIGNS, type Signs } from '../../../core'
import { LOOK_SHEET } from '../../../words/screens/jars'
import { nowMs, useNow } from '../../data/clock'
import { lookAtJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { tellDone, tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import { WhenField } from '../../parts/fields/WhenField'
import { familyOf } from '../../parts/jar/family'
import { JarDrawing, type Top } from '../../parts/jar/JarDrawing'
import { PhField } from '../../parts/weigh/PhField'

const TOPS = keysOf(SIGNS.top)

/** A look at a kept jar, in the warm or the cold: its level, its top. What is seen makes its next forecasts narrower. */
export function LookSheet({ opened, ...form }: FormProps & { opened: boolean }) {
  const { jar, onClose } = form
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={LOOK_SHEET.whatYouSee(jar.name)}>
      {opened && <LookForm {...form} />}
    </Drawer>
  )
}

interface FormProps {
  readonly jar: Jar
  /** Level it should have, × that after the feed. */
  readonly expected: number
  readonly parameters: JarParameters
  readonly onClose: () => void
}

function LookForm({ jar, expected, parameters, onClose }: FormProps) {
  const { format } = useKitchen()
  const now = minuteOf(useNow())
  /** Only a level that was read is noted: what is shown before is the one expected. */
  const [rise, setRise] = useState<number | null>(null)
  const [signs, setSigns] = useState<Signs>({})
  const [pH, setPh] = useState<number | null>(null)
  const [ago, setAgo] = useState(0)
  const note = () => {
    const atMs = nowMs() - ago * millisecondsInMinute
    lookAtJar(jar, { rise: rise ?? undefined, pH: pH ?? undefined, signs }, atMs).then(
      (undo) => tellDone(LOOK_SHEET.notedAndKnownBetter(jar.name), undo),
      tellError
    )
    onClose()
  }
  const nothing = rise === null && pH === null && Object.keys(signs).length === 0
  return (
    <Stack gap="md" align="stretch">
      <Text>{LOOK_SHEET.heightNowHeightAfterFeed(format.rise(expected))}</Text>
      <Group align="center" gap="xl">
        <JarDrawing rise={rise ?? expected} top={signs.top ?? 'flat'} family={familyOf(jar.flour)} height={180} scale />
        <Stack gap="sm">
          <QuantityField
            kind="rise"
            label={LOOK_SHEET.level}
            description={rise === null ? LOOK_SHEET.expectedTypeWhatYouSee : LOOK_SHEET.asYouSaw}
            value={rise ?? Math.round(expected * 10) / 10}
            range={POSSIBLE.rise}
            onCommit={setRise}
          />
        </Stack>
      </Group>
      <Text fw={500}>{LOOK_SHEET.top}</Text>
      <Chip.Group value={signs.top ?? ''} onChange={(top) => setSigns((before) => ({ ...before, top: top as Top }))}>
        <Group gap={8}>
          {TOPS.map((top) => (
            <Chip key={top} value={top}>
              {top}
            </Chip>
          ))}
        </Group>
      </Chip.Group>
      <Switch
        label={LOOK_SHEET.smearsAboveLevelHasBeen}
        checked={signs.smear === 'yes'}
        onChange={(e) => setSigns(({ smear: _before, ...rest }) => (e.currentTarget.checked ? { ...rest, smear: 'yes' } : rest))}
      />
      <PhField value={pH} expected={pHAfter(jar.line, now, parameters)} onRead={setPh} />
      <WhenField label={LOOK_SHEET.when} minutesAgo={ago} onChange={setAgo} />
      <Button disabled={nothing} onClick={note}>
        {LOOK_SHEET.note}
      </Button>
    </Stack>
  )
}
