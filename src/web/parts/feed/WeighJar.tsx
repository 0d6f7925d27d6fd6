import { Button, Group } from '@mantine/core'
import { useState } from 'react'
import type { Jar } from '../../../contract'
import { WEIGH_JAR } from '../../../words/screens/parts-feed'
import { weighJar } from '../../data/jars'
import { useKitchen } from '../../data/kitchen'
import { tellDone, tellError } from '../cards/tell'
import { QuantityField } from '../fields/QuantityField'
import { ReadFrom } from '../weigh/ReadFrom'

/** One weighing puts the book right. */
export function WeighJar({ jar, onClose }: { jar: Jar; onClose: () => void }) {
  const { format, vessels } = useKitchen()
  const vessel = vessels.find((v) => v.id === jar.vesselId)
  const tare = vessel?.tareGrams ?? 0
  /** What the scale shows, the jar with it where its own weight is known. */
  const [shown, setShown] = useState(jar.grams + tare)
  const weighed = Math.max(Math.round((shown - tare) * 10) / 10, 0)
  const correct = () => {
    weighJar(jar, weighed).then((undo) => tellDone(WEIGH_JAR.nowHolds(jar.name, format.mass(weighed)), undo), tellError)
    onClose()
  }
  return (
    <div>
      <Group align="flex-end" wrap="nowrap">
        <QuantityField
          kind="mass"
          label={vessel === undefined ? WEIGH_JAR.correctAmountWeighWhatIn : WEIGH_JAR.correctAmountWeighJarAnd}
          description={vessel === undefined ? undefined : WEIGH_JAR.areInLess(format.mass(weighed), format.mass(tare), vessel.name)}
          inputWrapperOrder={['label', 'input', 'description', 'error']}
          value={shown}
          range={[tare, 20_000]}
          what={WEIGH_JAR.whatScaleShows}
          onCommit={setShown}
          style={{ flex: 1 }}
        />
        <Button variant="default" onClick={correct}>
          {WEIGH_JAR.correct}
        </Button>
      </Group>
      <ReadFrom kind="scale" onRead={setShown} />
    </div>
  )
}
