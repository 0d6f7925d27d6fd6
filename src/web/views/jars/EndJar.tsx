import { Button, Group, Modal, Stack, Text } from '@mantine/core'
import { useNavigate } from 'react-router'
import type { Jar, JarEnd } from '../../../contract'
import { BAD_ADVICE } from '../../../core'
import { END_JAR } from '../../../words/screens/jars'
import { useOpenBakes } from '../../data/bakes'
import { endJar } from '../../data/jars'
import { Note } from '../../parts/cards/Card'
import { tellDone, tellError } from '../../parts/cards/tell'

/** A jar that is no more: spoiled, not wanted, or given away. */
export function EndJar({ jar, jars, opened, onClose }: { jar: Jar; jars: readonly Jar[]; opened: boolean; onClose: () => void }) {
  const navigate = useNavigate()
  const { bakes } = useOpenBakes()
  const planned = (bakes ?? []).filter((bake) => bake.plan.jarId === jar.id)
  const kin = jars.filter((j) => j.id !== jar.id && (j.originId === jar.id || jar.originId === j.id || (jar.originId !== null && j.originId === jar.originId)))
  const end = (why: JarEnd['why'], told: string) => {
    onClose()
    endJar(jar, why).then((undo) => {
      tellDone(told, undo)
      void navigate('/jars')
    }, tellError)
  }
  return (
    <Modal opened={opened} onClose={onClose} title={END_JAR.removeJar(jar.name)} size="md">
      <Stack gap="md">
        <Note tone="stop">{END_JAR.pinkOrangeOrFuzzy(BAD_ADVICE.charAt(0).toLowerCase() + BAD_ADVICE.slice(1))}</Note>
        <Text>{kin.length === 0 ? END_JAR.thereNoSpareWithThis(jar.name) : END_JAR.thereSameCultureInLook(kin.map((j) => j.name).join(' and '))}</Text>
        {planned.length > 0 && (
          <Note tone="care">
            {END_JAR.plannedFromChooseAnotherJar(planned.map((bake) => bake.plan.name).join(' and '), planned.length === 1 ? 'is' : 'are')}
          </Note>
        )}
        <Text c="dimmed">{END_JAR.greyOrDarkLiquidOnly}</Text>
        <Group>
          <Button color="red" onClick={() => end('spoiled', END_JAR.wasThrownAway(jar.name))}>
            {END_JAR.spoiledThrowAway}
          </Button>
          <Button variant="default" onClick={() => end('not wanted', END_JAR.hasLeftKitchen(jar.name))}>
            {END_JAR.notWantedAnyMore}
          </Button>
          <Button variant="default" onClick={() => end('given away', END_JAR.wasGivenAway(jar.name))}>
            {END_JAR.givenAway}
          </Button>
        </Group>
      </Stack>
    </Modal>
  )
}
