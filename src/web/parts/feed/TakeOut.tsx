import { Select, SimpleGrid, TextInput } from '@mantine/core'
import { type Bake, solveBakeHere, whereItStands } from '../../../answers'
import { isoOf, type Jar, type TogetherPart } from '../../../contract'
import { TAKE_OUT } from '../../../words/screens/parts-feed'
import { useOpenBakes } from '../../data/bakes'
import { useCultures } from '../../data/beliefs'
import { nowMs } from '../../data/clock'
import { useKitchen } from '../../data/kitchen'
import { newId } from '../../data/newId'
import { QuantityField } from '../fields/QuantityField'

/** What is taken out of a jar before it is fed. */
export interface TakenOut {
  readonly into: { readonly kind: 'nothing' } | { readonly kind: 'jar'; readonly name: string } | { readonly kind: 'bake'; readonly bake: Bake }
  readonly grams: number
}
export const NOTHING_OUT: TakenOut = { into: { kind: 'nothing' }, grams: 0 }

const NEW_JAR = 'jar'
const NOTHING = 'nothing'
const USUAL_GRAMS = 30

/** What goes elsewhere first, as a part of the feed of that moment; none where nothing does. */
export function takenOut(jar: Jar, { into, grams }: TakenOut, atMs: number): TogetherPart[] {
  const note = { id: newId(), happenedAt: isoOf(atMs) }
  switch (into.kind) {
    case 'nothing':
      return []
    case 'jar': {
      const name = into.name.trim() === '' ? TAKE_OUT.sSpare(jar.name) : into.name.trim()
      return [{ do: 'split', jarId: jar.id, split: { ...note, jarId: newId(), name, grams, placeId: whereItStands(jar, atMs).placeId } }]
    }
    case 'bake':
      return [{ do: 'note', bakeId: into.bake.id, event: { ...note, type: 'pour', item: 'seed', plannedGrams: grams, weighedGrams: grams } }]
  }
}

/** Some of the jar goes into a bake or a new jar before it is fed; the rest of what is not kept goes to the discard pot. */
export function TakeOut({ jar, out, onOut }: { readonly jar: Jar; readonly out: TakenOut; readonly onOut: (out: TakenOut) => void }) {
  const here = useKitchen()
  const { format } = here
  const { bakes } = useOpenBakes()
  const { cultures } = useCultures()
  const waiting = (bakes ?? []).filter(
    (bake) => bake.plan.jarId === jar.id && bake.plan.build.source !== 'straight from the jar' && bake.state.poured.seed === 0
  )
  const seedOf = (bake: Bake) => (cultures === undefined ? null : (solveBakeHere(bake, cultures, here, nowMs())?.build?.weigh.seed ?? null))
  const choose = (value: string | null) => {
    const bake = waiting.find((b) => b.id === value)
    if (bake !== undefined) onOut({ into: { kind: 'bake', bake }, grams: Math.min(seedOf(bake) ?? USUAL_GRAMS, jar.grams - 1) })
    else if (value === NEW_JAR) onOut({ into: { kind: 'jar', name: '' }, grams: Math.max(Math.min(USUAL_GRAMS, jar.grams - jar.keepMinimumGrams), 1) })
    else onOut(NOTHING_OUT)
  }
  const { into } = out
  return (
    <SimpleGrid cols={{ base: 1, xs: into.kind === 'jar' ? 3 : into.kind === 'bake' ? 2 : 1 }}>
      <Select
        label={TAKE_OUT.takeOutFirst}
        data={[
          { value: NOTHING, label: TAKE_OUT.nothing },
          { value: NEW_JAR, label: TAKE_OUT.intoNewJar },
          ...waiting.map((bake) => ({ value: bake.id, label: TAKE_OUT.starterFor(bake.plan.name, format.dayTime(bake.plan.mixAt)) }))
        ]}
        value={into.kind === 'bake' ? into.bake.id : into.kind}
        allowDeselect={false}
        onChange={choose}
      />
      {into.kind !== 'nothing' && (
        <QuantityField
          kind="mass"
          label={TAKE_OUT.goesOut}
          value={out.grams}
          range={[1, Math.max(jar.grams - 1, 1)]}
          onCommit={(grams) => onOut({ ...out, grams })}
        />
      )}
      {into.kind === 'jar' && (
        <TextInput
          label={TAKE_OUT.nameNewJar}
          placeholder={TAKE_OUT.sSpare(jar.name)}
          maxLength={80}
          value={into.name}
          onChange={(e) => onOut({ ...out, into: { kind: 'jar', name: e.currentTarget.value } })}
        />
      )}
    </SimpleGrid>
  )
}
