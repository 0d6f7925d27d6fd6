import { Group } from '@mantine/core'
import { type ReactNode, useState } from 'react'
import { FLOUR_FIELDS } from '../../../words/screens/parts'
import { QuantityField } from './QuantityField'

/** A packet to begin from: grams of protein in a serving of so many. */
const USUAL = { protein: 4, of: 31 } as const

/** Protein as a packet tells it: grams in a serving. @param children what is made of its share; nothing where there is more protein than serving */
export function PacketProtein({ children }: { readonly children: (share: number) => ReactNode }) {
  const [protein, setProtein] = useState<number>(USUAL.protein)
  const [of, setOf] = useState<number>(USUAL.of)
  return (
    <>
      <Group mt="md" mb="md" grow maw={420} wrap="wrap">
        <QuantityField kind="mass" label={FLOUR_FIELDS.packet} value={protein} range={[0.1, 100]} onCommit={setProtein} />
        <QuantityField kind="mass" label={FLOUR_FIELDS.inServing} value={of} range={[1, 500]} onCommit={setOf} />
      </Group>
      {protein <= of && children(protein / of)}
    </>
  )
}
