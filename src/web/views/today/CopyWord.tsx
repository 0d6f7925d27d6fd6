import { Text } from '@mantine/core'
import { Link } from 'react-router'
import { copyState } from '../../../words'
import { COPY_WORD } from '../../../words/screens/today'
import { useCopies } from '../../data/keeping'
import { useKitchen } from '../../data/kitchen'

/** A calm word when the last good copy is old, or could not be made; nothing otherwise. */
export function CopyWord({ now }: { readonly now: number }) {
  const { kitchen } = useKitchen()
  const copies = useCopies()
  if (copies === undefined) return null
  const { words, good } = copyState(copies, kitchen.demo, now)
  if (good) return null
  return (
    <Text mt="md">
      {words} {copies.failed !== null && COPY_WORD.lastTryFailed}
      <Link to="/kitchen/copies">{COPY_WORD.seeCopies}</Link>
    </Text>
  )
}
