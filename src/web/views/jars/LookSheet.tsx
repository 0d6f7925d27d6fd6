import { Button, Chip, Drawer, Group, Stack, Switch, Text } from '@mantine/core'
import { useState } from 'react'
import type { Jar } from '../../../contract'
import { POSSIBLE, SIGNS, type Signs } from '../../../core'
import { lookAtJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { familyOf } from '../../parts/family'
import { JarDrawing, type Top } from '../../parts/jar/JarDrawing'
import { QuantityField } from '../../parts/QuantityField'
import { tellDone, tellError } from '../../parts/tell'

const TOPS = Object.keys(SIGNS.top) as Top[]

/** A look at a kept jar, in the warm or the cold: its level, its top. What is seen makes its next forecasts narrower. */
export function LookSheet({ jar, expected, opened, onClose }: { jar: Jar; expected: number; opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={`What you see: ${jar.name}`}>
      {opened && <LookForm jar={jar} expected={expected} onClose={onClose} />}
    </Drawer>
  )
}

function LookForm({ jar, expected, onClose }: { jar: Jar; expected: number; onClose: () => void }) {
  const { format } = useKitchen()
  /** Only a level that was read is noted: what is shown before is the one expected. */
  const [rise, setRise] = useState<number | null>(null)
  const [signs, setSigns] = useState<Signs>({})
  const note = () => {
    lookAtJar(jar, { rise: rise ?? undefined, signs }).then((undo) => tellDone(`Noted, and ${jar.name} is known better.`, undo), tellError)
    onClose()
  }
  const nothing = rise === null && Object.keys(signs).length === 0
  return (
    <Stack gap="md" align="stretch">
      <Text>
        Height now ÷ height after its feed. {format.rise(expected)} is expected. In the cold a look a day is enough: days to the peak are learned from it.
      </Text>
      <Group align="center" gap="xl">
        <JarDrawing rise={rise ?? expected} top={signs.top ?? 'flat'} family={familyOf(jar.flour)} height={180} scale />
        <Stack gap="sm">
          <QuantityField
            kind="rise"
            label="Level"
            description={rise === null ? 'expected; type what you see' : 'as you saw it'}
            value={rise ?? Math.round(expected * 10) / 10}
            range={POSSIBLE.rise}
            onCommit={setRise}
          />
        </Stack>
      </Group>
      <Text fw={500}>Its top</Text>
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
        label="Smears above the level: it has been higher"
        checked={signs.smear === 'yes'}
        onChange={(e) => setSigns(({ smear: _before, ...rest }) => (e.currentTarget.checked ? { ...rest, smear: 'yes' } : rest))}
      />
      <Button disabled={nothing} onClick={note}>
        Note it
      </Button>
    </Stack>
  )
}
