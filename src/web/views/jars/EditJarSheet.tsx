import { Button, Drawer, Select, Stack, TextInput } from '@mantine/core'
import { useState } from 'react'
import { type Jar, type JarEdit, jarEditSchema } from '../../../contract'
import { CULTURE_TRAITS, CULTURES, type Culture, FLOUR_KINDS, type FlourKind, usualFeed } from '../../../core'
import { fieldProblem } from '../../../words'
import { EDIT_JAR_SHEET } from '../../../words/screens/jars'
import { editJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'
import { BlendEditor } from '../../parts/fields/BlendEditor'
import { QuantityField } from '../../parts/fields/QuantityField'

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
  const { format, vessels } = useKitchen()
  const [draft, setDraft] = useState<JarEdit>({
    name: jar.name,
    culture: jar.culture,
    flour: jar.flour,
    feed: jar.feed,
    vesselId: jar.vesselId,
    keepMinimumGrams: jar.keepMinimumGrams
  })
  const [problem, setProblem] = useState<string | null>(null)
  const edit = (patch: Partial<JarEdit>) => {
    setProblem(null)
    setDraft((before) => ({ ...before, ...patch }))
  }
  const free = jar.flour === 'gluten-free'
  /** Cultures it can be without a program: what it already lives on, told otherwise. */
  const cultures = free || jar.culture === 'dried' ? [jar.culture] : CULTURES.filter((c) => c !== 'gluten-free' && c !== 'dried')
  const keep = () => {
    const checked = jarEditSchema.safeParse({ ...draft, name: draft.name.trim() })
    if (!checked.success) return setProblem(fieldProblem(checked.error, format))
    editJar(jar, checked.data).then(() => tellDone(EDIT_JAR_SHEET.kept(checked.data.name)), tellError)
    onClose()
  }
  return (
    <Stack gap="md">
      <TextInput label={EDIT_JAR_SHEET.nameWord} data-autofocus value={draft.name} maxLength={80} onChange={(e) => edit({ name: e.currentTarget.value })} />
      <Select
        label={EDIT_JAR_SHEET.culture}
        description={CULTURE_TRAITS[draft.culture].says}
        data={[...cultures]}
        value={draft.culture}
        allowDeselect={false}
        onChange={(v) => v !== null && edit({ culture: v as Culture })}
      />
      {!free && (
        <Select
          label={EDIT_JAR_SHEET.flourLivesOnForMost}
          data={FLOUR_KINDS.filter((kind) => kind !== 'gluten-free')}
          value={draft.flour}
          allowDeselect={false}
          onChange={(v) => v !== null && edit({ flour: v as FlourKind, feed: [...usualFeed(draft.culture, v as FlourKind)] })}
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
      <Button onClick={keep}>{EDIT_JAR_SHEET.save}</Button>
    </Stack>
  )
}
