import { PALETTE } from '../../words/screens/app'
import '@mantine/spotlight/styles.css'
import { Spotlight, spotlight } from '@mantine/spotlight'
import { IconSearch } from '@tabler/icons-react'
import { useEffect } from 'react'
import { useNavigate } from 'react-router'
import { KITCHEN_ROOM_WORDS, QUESTIONS, TRADE_WORDS } from '../../words'
import { QUESTIONS_ROOM } from '../../words/screens/questions'
import { WORDS_ROOM } from '../../words/screens/words'
import { useDoneBakes, useOpenBakes } from '../data/bakes'
import { useFormulas } from '../data/formulas'
import { useJars } from '../data/jars'
import { useKitchen } from '../data/kitchen'
import { STATIONS } from '../parts/stations'
import { useNewBake } from '../parts/useNewBake'
import { ROOMS } from './rooms'

/** Builds of a bake side by side: a room of its own, reached from the bake. */
const COMPARE = { id: 'compare', label: PALETTE.compare } as const

/**
 * Everything one can go to or begin, found by typing.
 * @param asked grows each time it is to open
 */
export function Palette({ asked }: { readonly asked: number }) {
  const navigate = useNavigate()
  const { format, ingredients } = useKitchen()
  const { bakes } = useOpenBakes()
  const done = useDoneBakes()
  const { jars } = useJars()
  const { formulas } = useFormulas()
  const newBake = useNewBake()
  useEffect(() => {
    if (asked > 0) spotlight.open()
  }, [asked])
  const to = (path: string) => () => void navigate(path)
  const actions = [
    { group: 'Begin', actions: newBake.ready ? [{ id: 'new', label: PALETTE.newBake, onClick: () => newBake.start() }] : [] },
    { group: 'Rooms', actions: ROOMS.map(({ path, label }) => ({ id: path, label, onClick: to(path) })) },
    {
      group: 'Bakes',
      actions: (bakes ?? []).flatMap((bake) =>
        [...STATIONS, COMPARE].map((station) => ({
          id: `${bake.id}-${station.id}`,
          label: `${bake.plan.name}: ${station.label}`,
          description: PALETTE.mix(format.dayTime(bake.plan.mixAt)),
          onClick: to(`/bakes/${bake.id}/${station.id}`)
        }))
      )
    },
    {
      group: 'Jars',
      actions: (jars ?? []).flatMap((jar) => [
        { id: jar.id, label: jar.name, onClick: to(`/jars/${jar.id}`) },
        { id: `${jar.id}-pace`, label: PALETTE.pace(jar.name), onClick: to(`/jars/${jar.id}/pace`) },
        { id: `${jar.id}-label`, label: PALETTE.label(jar.name), onClick: to(`/jars/${jar.id}/label`) },
        jar.program === null
          ? { id: `${jar.id}-programs`, label: PALETTE.programs(jar.name), onClick: to(`/jars/${jar.id}/programs`) }
          : { id: jar.program.id, label: jar.program.title, onClick: to(`/programs/${jar.program.id}`) }
      ])
    },
    { group: 'Recipes', actions: (formulas ?? []).map(({ id, name }) => ({ id, label: name, onClick: to(`/recipes/${id}`) })) },
    {
      group: 'Kitchen',
      actions: Object.entries(KITCHEN_ROOM_WORDS).map(([id, { name, holds }]) => ({
        id: `kitchen-${id}`,
        label: name,
        description: holds,
        keywords: holds,
        onClick: to(`/kitchen/${id}`)
      }))
    },
    {
      group: PALETTE.pastBakes,
      actions: (done.bakes ?? []).map(({ id, plan }) => ({
        id: `${id}-done`,
        label: plan.name,
        description: PALETTE.mixed(format.date(plan.mixAt)),
        onClick: to(`/bakes/${id}`)
      }))
    },
    {
      group: 'Ingredients',
      actions: ingredients.map(({ ingredient: { id, name } }) => ({
        id: `ingredient-${id}`,
        label: name,
        description: PALETTE.onShelf,
        onClick: to(`/shelf?ingredient=${encodeURIComponent(id)}`)
      }))
    },
    {
      group: QUESTIONS_ROOM.title,
      actions: QUESTIONS.map(({ id, asks, words }) => ({ id: `question-${id}`, label: asks, keywords: words, onClick: to(`/questions/${id}`) }))
    },
    {
      group: WORDS_ROOM.words,
      actions: TRADE_WORDS.map(({ word, says }) => ({ id: `word-${word}`, label: word, description: says, onClick: to(`/words#${encodeURIComponent(word)}`) }))
    }
  ].filter((group) => group.actions.length > 0)
  return (
    <Spotlight
      actions={actions}
      nothingFound={PALETTE.nothingByThatName}
      highlightQuery
      limit={12}
      scrollable
      shortcut={null}
      searchProps={{ leftSection: <IconSearch size={20} />, placeholder: PALETTE.roomBakeJarRecipeIngredient, 'aria-label': PALETTE.findAnything }}
    />
  )
}
