import { Button, SimpleGrid, TextInput } from '@mantine/core'
import { type FlourFacts, factsOf, type Ingredient, type Packet } from '../../../core'
import { FLOUR_FIELDS } from '../../../words/screens/parts'
import { useKitchen } from '../../data/kitchen'
import { PacketProtein } from './PacketProtein'
import { QuantityField } from './QuantityField'

interface FieldsProps {
  readonly draft: Ingredient
  readonly edit: (patch: Partial<Ingredient>) => void
}

const FACTS: readonly {
  readonly name: keyof FlourFacts
  readonly kind: 'percent' | 'parts'
  readonly label: string
  readonly range: readonly [number, number]
}[] = [
  { name: 'protein', kind: 'percent', label: FLOUR_FIELDS.protein, range: [0, 0.8] },
  { name: 'wholegrain', kind: 'percent', label: FLOUR_FIELDS.wholegrain, range: [0, 1] },
  { name: 'absorption', kind: 'percent', label: FLOUR_FIELDS.drinksMoreThanWhite, range: [-0.3, 1] },
  { name: 'pace', kind: 'parts', label: FLOUR_FIELDS.paceBesideWhite, range: [0.3, 3] },
  { name: 'hold', kind: 'parts', label: FLOUR_FIELDS.strengthBesideWhite, range: [0.1, 2] }
]

/** What is known of a flour: from its packet, or as its kind usually is; whatever was said can be taken back. */
export function FlourFields({ draft, edit }: FieldsProps) {
  const { format } = useKitchen()
  const facts = factsOf(draft)
  const own = FACTS.some(({ name }) => draft[name] !== undefined)
  return (
    <>
      <SimpleGrid cols={{ base: 1, xs: 3 }}>
        {FACTS.map(({ name, kind, label, range }) => {
          const { least, most, from, value } = facts[name]
          const show = (x: number) => (kind === 'percent' ? format.percent(x) : `×${x.toFixed(2)}`)
          return (
            <QuantityField
              key={name}
              kind={kind}
              label={label}
              description={from === 'kind' ? FLOUR_FIELDS.usualForKindTo(show(least), show(most)) : FLOUR_FIELDS.asYouSaid}
              inputWrapperOrder={ORDER}
              value={value}
              range={range}
              onCommit={(x) => edit({ [name]: x })}
            />
          )
        })}
      </SimpleGrid>
      <PacketProtein>
        {(protein) => (
          <Button variant="light" size="sm" onClick={() => edit({ protein: Math.round(protein * 1000) / 1000 })}>
            {FLOUR_FIELDS.takeProtein(format.percent(protein))}
          </Button>
        )}
      </PacketProtein>
      {own && (
        <Button variant="subtle" size="sm" onClick={() => edit(Object.fromEntries(FACTS.map(({ name }) => [name, undefined])))}>
          {FLOUR_FIELDS.asKindUsually}
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
        label={FLOUR_FIELDS.price(kitchen.currency)}
        what={FLOUR_FIELDS.price2}
        value={price?.amount ?? 0}
        range={[0, 10_000]}
        onCommit={(amount) => edit({ price: amount === 0 ? undefined : { amount, packGrams: price?.packGrams ?? USUAL_PACK } })}
      />
      <QuantityField
        kind="mass"
        label={FLOUR_FIELDS.forPack}
        what={FLOUR_FIELDS.pack}
        value={price?.packGrams ?? USUAL_PACK}
        disabled={price === undefined}
        range={[1, 100_000]}
        onCommit={(packGrams) => price !== undefined && edit({ price: { ...price, packGrams } })}
      />
      <TextInput label={FLOUR_FIELDS.lot} maxLength={60} value={packet?.lot ?? ''} onChange={(e) => set({ lot: e.currentTarget.value })} />
      <TextInput label={FLOUR_FIELDS.opened} type="date" value={packet?.openedOn ?? ''} onChange={(e) => set({ openedOn: e.currentTarget.value })} />
      <TextInput
        label={FLOUR_FIELDS.note}
        maxLength={500}
        value={packet?.note ?? ''}
        onChange={(e) => set({ note: e.currentTarget.value })}
        style={{ gridColumn: '1 / -1' }}
      />
    </SimpleGrid>
  )
}
