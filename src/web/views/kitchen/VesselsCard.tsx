import { ActionIcon, Button, Group, Select, SimpleGrid, Text, TextInput } from '@mantine/core'
import { IconMinus, IconPlus } from '@tabler/icons-react'
import { useState } from 'react'
import { type Vessel, vesselSchema } from '../../../contract'
import { VESSEL_MATERIALS } from '../../../core'
import { VESSELS_CARD } from '../../../words/screens/kitchen'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { dropVessel, saveVessel } from '../../data/stores'
import { Card, Note } from '../../parts/cards/Card'
import { HistoryButton } from '../../parts/cards/History'
import { tellDone, tellError } from '../../parts/cards/tell'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useSchemaForm } from '../../parts/fields/useSchemaForm'
import { VesselDrawing } from '../../parts/jar/VesselDrawing'
import classes from './KitchenRoom.module.css'

/** The tallest vessel is drawn so high, px; the others to its scale. */
const TALLEST_PX = 120

/** Jars and bowls: what they weigh empty and how large they are. */
export function VesselsCard() {
  const { format, vessels } = useKitchen()
  const [open, setOpen] = useState<string | null>(null)
  const [fresh, setFresh] = useState<Vessel | null>(null)
  return (
    <Card title={VESSELS_CARD.vessels}>
      {vessels.length === 0 && fresh === null && (
        <Text c="dimmed" mb="sm">
          {VESSELS_CARD.jarWithInnerWidthAnd}
        </Text>
      )}
      {vessels.length > 0 && (
        <div className={classes.toScale}>
          {vessels.map((vessel) => (
            <figure key={vessel.id}>
              <VesselDrawing vessel={vessel} pxPerMm={TALLEST_PX / Math.max(...vessels.map((v) => v.heightMm))} />
              <figcaption>{vessel.name}</figcaption>
            </figure>
          ))}
        </div>
      )}
      {vessels.map((vessel) => (
        <div key={vessel.id}>
          <button type="button" className={classes.line} aria-expanded={open === vessel.id} onClick={() => setOpen(open === vessel.id ? null : vessel.id)}>
            <b>{vessel.name}</b>
            <span>{VESSELS_CARD.mlMmEmpty(vessel.capacityMl, vessel.innerDiameterMm, vessel.heightMm, format.mass(vessel.tareGrams))}</span>
          </button>
          {open === vessel.id && <VesselForm vessel={vessel} version={vessel.version} onDone={() => setOpen(null)} />}
        </div>
      ))}
      {fresh !== null ? (
        <VesselForm vessel={fresh} version={0} onDone={() => setFresh(null)} />
      ) : (
        <Button
          mt="sm"
          variant="subtle"
          size="sm"
          leftSection={<IconPlus size={18} />}
          onClick={() => setFresh({ id: newId(), name: '', tareGrams: 300, capacityMl: 500, innerDiameterMm: 80, heightMm: 110, material: 'glass' })}
        >
          {VESSELS_CARD.anotherVessel}
        </Button>
      )}
    </Card>
  )
}

function VesselForm({ vessel, version: now, onDone }: { readonly vessel: Vessel; readonly version: number; readonly onDone: () => void }) {
  /** As it was when the form was opened: what another window does meanwhile is not overwritten unseen. */
  const [version] = useState(now)
  const { form, problem, onSubmit } = useSchemaForm(vesselSchema, vessel, (saved) => {
    saveVessel(saved, version).then(() => tellDone(VESSELS_CARD.kept(saved.name)), tellError)
    onDone()
  })
  const { values: draft, setValues: edit } = form
  const remove = () => {
    dropVessel(vessel.id).then((undo) => tellDone(VESSELS_CARD.hasBeenTakenAway(vessel.name), undo), tellError)
    onDone()
  }
  return (
    <form className={classes.form} onSubmit={onSubmit}>
      <TextInput label={VESSELS_CARD.nameWord} maxLength={80} data-autofocus {...form.getInputProps('name')} />
      <SimpleGrid cols={2} mt="sm">
        <QuantityField kind="mass" label={VESSELS_CARD.emptyWeight} value={draft.tareGrams} range={[0, 20_000]} onCommit={(tareGrams) => edit({ tareGrams })} />
        <QuantityField
          kind="parts"
          label={VESSELS_CARD.holdsMl}
          value={draft.capacityMl}
          range={[20, 50_000]}
          onCommit={(capacityMl) => edit({ capacityMl })}
        />
        <QuantityField
          kind="parts"
          label={VESSELS_CARD.innerWidthMm}
          value={draft.innerDiameterMm}
          range={[20, 600]}
          onCommit={(innerDiameterMm) => edit({ innerDiameterMm })}
        />
        <QuantityField kind="parts" label={VESSELS_CARD.heightInsideMm} value={draft.heightMm} range={[20, 800]} onCommit={(heightMm) => edit({ heightMm })} />
        <Select
          label={VESSELS_CARD.made}
          data={VESSEL_MATERIALS}
          value={draft.material}
          allowDeselect={false}
          onChange={(material) => material !== null && edit({ material })}
        />
      </SimpleGrid>
      {problem !== null && <Note tone="stop">{problem}</Note>}
      <Group mt="sm">
        <Button size="sm" type="submit">
          {VESSELS_CARD.save}
        </Button>
        <Button size="sm" variant="default" onClick={onDone}>
          {VESSELS_CARD.cancel}
        </Button>
        {now > 0 && <HistoryButton what="vessel" ofId={vessel.id} title={vessel.name} />}
        {version > 0 && (
          <ActionIcon aria-label={VESSELS_CARD.takeAway(vessel.name)} onClick={remove}>
            <IconMinus size={20} />
          </ActionIcon>
        )}
      </Group>
    </form>
  )
}
