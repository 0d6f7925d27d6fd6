import { Button, Group, Modal, Stack, Text } from '@mantine/core'
import { useNavigate } from 'react-router'
import type { Jar, JarEnd } from '../../../contract'
import { BAD_ADVICE } from '../../../core'
import { useOpenBakes } from '../../data/bakes'
import { endJar } from '../../data/jars'
import { Note } from '../../parts/Card'
import { tellDone, tellError } from '../../parts/tell'

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
    <Modal opened={opened} onClose={onClose} title={`${jar.name}: remove the jar`} size="md">
      <Stack gap="md">
        <Note tone="stop">Pink, orange or fuzzy: {BAD_ADVICE.charAt(0).toLowerCase() + BAD_ADVICE.slice(1)}</Note>
        <Text>
          {kin.length === 0
            ? `There is no spare of ${jar.name}: with it this culture is gone.`
            : `There is the same culture in ${kin.map((j) => j.name).join(' and ')}. Look at that, too, before you trust it.`}
        </Text>
        {planned.length > 0 && (
          <Note tone="care">
            {planned.map((bake) => bake.plan.name).join(' and ')} {planned.length === 1 ? 'is' : 'are'} planned from it. Choose another jar there.
          </Note>
        )}
        <Text c="dimmed">Grey or dark liquid is only hunger, and no reason to throw it away: feed it, and it comes back.</Text>
        <Group>
          <Button color="red" onClick={() => end('spoiled', `${jar.name} was thrown away.`)}>
            It is spoiled: throw it away
          </Button>
          <Button variant="default" onClick={() => end('not wanted', `${jar.name} has left the kitchen.`)}>
            Not wanted any more
          </Button>
          <Button variant="default" onClick={() => end('given away', `${jar.name} was given away.`)}>
            Given away
          </Button>
        </Group>
      </Stack>
    </Modal>
  )
}
