import { Spotlight, spotlight } from '@mantine/spotlight'
import { IconSearch } from '@tabler/icons-react'
import { useNavigate } from 'react-router'
import { useOpenBakes } from '../data/bakes'
import { useJars } from '../data/jars'
import { useKitchen } from '../data/kitchen'
import { STATIONS } from '../parts/stations'
import { useNewBake } from '../parts/useNewBake'
import { ROOMS } from './rooms'

/** Builds of a bake side by side: a room of its own, reached from the bake. */
const COMPARE = { id: 'compare', label: 'Compare' } as const

export const openPalette = () => spotlight.open()

/** Everything one can go to or begin, found by typing. */
export function Palette() {
  const navigate = useNavigate()
  const { format } = useKitchen()
  const { bakes } = useOpenBakes()
  const { jars } = useJars()
  const newBake = useNewBake()
  const actions = [
    { group: 'Begin', actions: newBake.ready ? [{ id: 'new', label: 'New bake', onClick: () => newBake.start() }] : [] },
    { group: 'Rooms', actions: ROOMS.map((room) => ({ id: room.path, label: room.label, onClick: () => void navigate(room.path) })) },
    {
      group: 'Bakes',
      actions: (bakes ?? []).flatMap((bake) =>
        [...STATIONS, COMPARE].map((station) => ({
          id: `${bake.id}-${station.id}`,
          label: `${bake.plan.name}: ${station.label}`,
          description: `mix ${format.dayTime(bake.plan.mixAt)}`,
          onClick: () => void navigate(`/bakes/${bake.id}/${station.id}`)
        }))
      )
    },
    {
      group: 'Jars',
      actions: (jars ?? []).flatMap((jar) => [
        { id: jar.id, label: jar.name, onClick: () => void navigate(`/jars/${jar.id}`) },
        { id: `${jar.id}-pace`, label: `${jar.name}: pace`, onClick: () => void navigate(`/jars/${jar.id}/pace`) },
        { id: `${jar.id}-label`, label: `${jar.name}: label`, onClick: () => void navigate(`/jars/${jar.id}/label`) },
        jar.program === null
          ? { id: `${jar.id}-programs`, label: `${jar.name}: programs`, onClick: () => void navigate(`/jars/${jar.id}/programs`) }
          : { id: jar.program.id, label: jar.program.title, onClick: () => void navigate(`/programs/${jar.program?.id}`) }
      ])
    }
  ].filter((group) => group.actions.length > 0)
  return (
    <Spotlight
      actions={actions}
      nothingFound="Nothing by that name."
      highlightQuery
      limit={12}
      scrollable
      shortcut={null}
      searchProps={{ leftSection: <IconSearch size={20} />, placeholder: 'Room, bake or station', 'aria-label': 'Find anything' }}
    />
  )
}
