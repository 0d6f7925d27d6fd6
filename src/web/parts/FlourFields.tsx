import { Button, SimpleGrid, TextInput } from '@mantine/core'
import { type Fact, factsOf, type Ingredient, type Packet } from '../../core'
import { useKitchen } from '../data/kitchen'
import { QuantityField } from './QuantityField'

interface FieldsProps {
  readonly draft: Ingredient
  readonly edit: (patch: Partial<Ingredient>) => void
}

/** What is known of a flour: from its packet, or as its kind usually is; whatever was said can be taken back. */
export function FlourFields({ draft, edit }: FieldsProps) {
  const { format } = useKitchen()
  const facts = factsOf(draft)
  const usual = ({ least, most, from }: Fact, show: (value: number) => string) =>
    from === 'kind' ? `usual for its kind: ${show(least)} to ${show(most)}` : 'as you said'
  const percent = (value: number) => format.percent(value)
  const factor = (value: number) => `×${value.toFixed(2)}`
  const own = (['protein', 'wholegrain', 'absorption', 'pace', 'hold'] as const).some((name) => draft[name] !== undefined)
  return (
    <>
      <SimpleGrid cols={{ base: 1, xs: 3 }}>
        <QuantityField
          kind="percent"
          label="Protein"
          description={usual(facts.protein, percent)}
          inputWrapperOrder={ORDER}
          value={facts.protein.value}
          range={[0, 0.8]}
          onCommit={(protein) => edit({ protein })}
        />
        <QuantityField
          kind="percent"
          label="Wholegrain"
          description={usual(facts.wholegrain, percent)}
          inputWrapperOrder={ORDER}
          value={facts.wholegrain.value}
          range={[0, 1]}
          onCommit={(wholegrain) => edit({ wholegrain })}
        />
        <QuantityField
          kind="percent"
          label="Drinks more than white"
          description={usual(facts.absorption, percent)}
          inputWrapperOrder={ORDER}
          value={facts.absorption.value}
          range={[-0.3, 1]}
          onCommit={(absorption) => edit({ absorption })}
        />
        <QuantityField
          kind="parts"
          label="Pace beside white"
          description={usual(facts.pace, factor)}
          inputWrapperOrder={ORDER}
          value={facts.pace.value}
          range={[0.3, 3]}
          onCommit={(pace) => edit({ pace })}
        />
        <QuantityField
          kind="parts"
          label="Strength beside white"
          description={usual(facts.hold, factor)}
          inputWrapperOrder={ORDER}
          value={facts.hold.value}
          range={[0.1, 2]}
          onCommit={(hold) => edit({ hold })}
        />
      </SimpleGrid>
      {own && (
        <Button
          variant="subtle"
          size="sm"
          onClick={() => edit({ protein: undefined, wholegrain: undefined, absorption: undefined, pace: undefined, hold: undefined })}
        >
          As its kind usually is
        </Button>
      )}
    </>
  )
}

const ORDER: ('label' | 'input' | 'description' | 'error')[] = ['label', 'input', 'description', 'error']
const USUAL_PACK = 1000

/** Price, pack, lot, the day it was opened, and a note. */
export function StoreFields({ draft, edit }: FieldsProps) {
  const { kitchen } = useKitchen()
  const { price, packet } = draft
  const set = (patch: Partial<Packet>) => {
    const next = Object.fromEntries(Object.entries({ ...packet, ...patch }).filter(([, value]) => value !== ''))
    edit({ packet: Object.keys(next).length === 0 ? undefined : next })
  }
  return (
    <SimpleGrid cols={{ base: 2, xs: 4 }}>
      <QuantityField
        kind="parts"
        label={`Price, ${kitchen.currency}`}
        what="The price"
        value={price?.amount ?? 0}
        range={[0, 10_000]}
        onCommit={(amount) => edit({ price: amount === 0 ? undefined : { amount, packGrams: price?.packGrams ?? USUAL_PACK } })}
      />
      <QuantityField
        kind="mass"
        label="for a pack of"
        what="The pack"
        value={price?.packGrams ?? USUAL_PACK}
        disabled={price === undefined}
        range={[1, 100_000]}
        onCommit={(packGrams) => price !== undefined && edit({ price: { ...price, packGrams } })}
      />
      <TextInput label="Lot" maxLength={60} value={packet?.lot ?? ''} onChange={(e) => set({ lot: e.currentTarget.value })} />
      <TextInput label="Opened" type="date" value={packet?.openedOn ?? ''} onChange={(e) => set({ openedOn: e.currentTarget.value })} />
      <TextInput
        label="Note"
        maxLength={500}
        value={packet?.note ?? ''}
        onChange={(e) => set({ note: e.currentTarget.value })}
        style={{ gridColumn: '1 / -1' }}
      />
    </SimpleGrid>
  )
}
