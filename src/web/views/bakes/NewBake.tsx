import { Center, Loader } from '@mantine/core'
import { useEffect } from 'react'
import { Navigate, useSearchParams } from 'react-router'
import { isoSchema, msOf } from '../../../contract'
import { BAKES } from '../../../words/screens/bakes'
import { useNewBake } from '../../parts/useNewBake'

/** Begins the bake of the address, `?id&out&loaves`, as soon as the jars are there. */
export function NewBake() {
  const [asked] = useSearchParams()
  const newBake = useNewBake()
  const id = asked.get('id')
  const out = isoSchema.safeParse(asked.get('out')).data
  const loaves = Number(asked.get('loaves') ?? 2)
  const { ready, start } = newBake
  // Nobody presses anything here: the kitchen has just opened with the wish.
  // biome-ignore lint/correctness/useExhaustiveDependencies: it begins once, when the jars are there
  useEffect(() => {
    if (ready && id !== null && out !== undefined) start({ wish: { outMs: msOf(out), loaves: Number.isInteger(loaves) && loaves >= 1 ? loaves : 2 } }, id)
  }, [ready])
  if (id === null || out === undefined) return <Navigate to="/bakes" replace />
  return (
    <Center h="50vh">
      <Loader aria-label={BAKES.newBake} />
    </Center>
  )
}
