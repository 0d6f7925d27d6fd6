import { Button, Drawer, Select, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { type Jar, jarEditSchema } from '../../../contract'
import { CULTURE_TRAITS, CULTURES, FLOUR_KINDS, usualFeed } from '../../../core'
import { EDIT_JAR_SHEET } from '../../../words/screens/jars'
import { editJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { BlendEditor } from '../../parts/fields/BlendEditor'
import { QuantityField } from '../../parts/fields/QuantityField'
import { useSchemaForm } from '../../parts/fields/useSchemaForm'

const NONE = 'none'

/** Name, culture, flour, vessel and least of a jar. */
export function EditJarSheet({ jar, opened, onClose }: { jar: Jar; opened: boolean; onClose: () => void }) {
  return (
    <Drawer opened={opened} onClose={onClose} position="right" size="md" title={EDIT_JAR_SHEET.about(jar.name)}>
      {opened && <EditForm jar={jar} onClose={onClose} />}
    </Drawer>
  )
}

function EditForm({ jar: now, onClose }: { jar: Jar; onClose: () => void }) {
  /** As it was when the sheet was opened: what another window does meanwhile is not overwritten unseen. */
  const [jar] = useState(now)
  const { vessels } = useKitchen()
  const { name, culture, flour, feed, vesselId, keepMinimumGrams } = jar
  const { form, problem, onSubmit } = useSchemaForm(jarEditSchema, { name, culture, flour, feed, vesselId, keepMinimumGrams }, (saved) => {
    editJar(jar, saved).then(() => tellDone(EDIT_JAR_SHEET.kept(saved.name)), tellError)
    onClose()
  })
  const { values: draft, setValues: edit } = form
  const free = jar.flour === 'gluten-free'
  /** Cultures it can be without a program: what it already lives on, told otherwise. */
  const cultures = free || jar.culture === 'dried' ? [jar.culture] : CULTURES.filter((c) => c !== 'gluten-free' && c !== 'dried')
  return (
    <Stack component="form" gap="md" onSubmit={onSubmit}>
      <TextInput label={EDIT_JAR_SHEET.nameWord} data-autofocus maxLength={80} {...form.getInputProps('name')} />
      <Select
        label={EDIT_JAR_SHEET.culture}
        description={CULTURE_TRAITS[draft.culture].says}
        data={[...cultures]}
        value={draft.culture}
        allowDeselect={false}
        onChange={(v) => v !== null && edit({ culture: v })}
      />
      {!free && (
        <Select
          label={EDIT_JAR_SHEET.flourLivesOnForMost}
          data={FLOUR_KINDS.filter((kind) => kind !== 'gluten-free')}
          value={draft.flour}
          allowDeselect={false}
          onChange={(v) => v !== null && edit({ flour: v, feed: [...usualFeed(draft.culture, v)] })}
        />
      )}
      <BlendEditor of={EDIT_JAR_SHEET.feeds} blend={draft.feed} only={free ? 'gluten-free' : undefined} onBlend={(feed) => edit({ feed })} />
      <Select
        label={EDIT_JAR_SHEET.vessel}
        data={[{ value: NONE, label: EDIT_JAR_SHEET.notSaid }, ...vessels.map((v) => ({ value: v.id, label: EDIT_JAR_SHEET.ml(v.name, v.capacityMl) }))]}
        value={vessels.some((v) => v.id === draft.vesselId) ? draft.vesselId : NONE}
        allowDeselect={false}
        onChange={(v) => edit({ vesselId: v === null || v === NONE ? null : v })}
      />
      <QuantityField
        kind="mass"
        label={EDIT_JAR_SHEET.leastThatAlwaysStays}
        value={draft.keepMinimumGrams}
        range={[0, 5000]}
        onCommit={(keepMinimumGrams) => edit({ keepMinimumGrams })}
      />
      <Note>{free ? EDIT_JAR_SHEET.keptFreeGlutenNoFlour : EDIT_JAR_SHEET.toChangeWhatLivesIn}</Note>
      {problem !== null && <Note tone="stop">{problem}</Note>}
      <Button type="submit">{EDIT_JAR_SHEET.save}</Button>
    </Stack>
  )
}
