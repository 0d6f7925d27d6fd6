import { Center, Loader } from '@mantine/core'
import { lazy, Suspense, useEffect } from 'react'
import { Route, Routes } from 'react-router'
import type { Kitchen } from '../../contract'
import { Unreachable } from '../data/api'
import { KitchenProvider, useKitchenAnswer, useKitchenHere } from '../data/kitchen'
import { onRefusal } from '../data/outbox'
import { Quiet } from '../parts/Quiet'
import { tellError } from '../parts/tell'
import { ErrorBoundary } from './ErrorBoundary'
import { Shell } from './Shell'

const Today = lazy(() => import('../views/today/Today').then((m) => ({ default: m.Today })))
const Bakes = lazy(() => import('../views/bakes/Bakes').then((m) => ({ default: m.Bakes })))
const BakeSheet = lazy(() => import('../views/bake/BakeSheet').then((m) => ({ default: m.BakeSheet })))
const DayRoom = lazy(() => import('../views/day/DayRoom').then((m) => ({ default: m.DayRoom })))
const CompareRoom = lazy(() => import('../views/compare/CompareRoom').then((m) => ({ default: m.CompareRoom })))
const JarsRoom = lazy(() => import('../views/jars/JarsRoom').then((m) => ({ default: m.JarsRoom })))
const JarRoom = lazy(() => import('../views/jars/JarRoom').then((m) => ({ default: m.JarRoom })))
const LabelRoom = lazy(() => import('../views/jars/LabelRoom').then((m) => ({ default: m.LabelRoom })))
const ChooseProgram = lazy(() => import('../views/programs/ChooseProgram').then((m) => ({ default: m.ChooseProgram })))
const NewCultureRoom = lazy(() => import('../views/programs/NewCultureRoom').then((m) => ({ default: m.NewCultureRoom })))
const ProgramRoom = lazy(() => import('../views/programs/ProgramRoom').then((m) => ({ default: m.ProgramRoom })))
const ShelfRoom = lazy(() => import('../views/shelf/ShelfRoom').then((m) => ({ default: m.ShelfRoom })))
const PaceRoom = lazy(() => import('../views/pace/PaceRoom').then((m) => ({ default: m.PaceRoom })))
const Formulas = lazy(() => import('../views/formulas/Formulas').then((m) => ({ default: m.Formulas })))
const KitchenRoom = lazy(() => import('../views/kitchen/KitchenRoom').then((m) => ({ default: m.KitchenRoom })))
const FirstRun = lazy(() => import('../views/first-run/FirstRun').then((m) => ({ default: m.FirstRun })))

/** Rooms that are fetched once the first one stands, so that they open at once. */
const SOON = [
  () => import('../views/jars/JarsRoom'),
  () => import('../views/jars/JarRoom'),
  () => import('../views/shelf/ShelfRoom'),
  () => import('../views/bakes/Bakes')
]
const SOON_MS = 800

/** The whole window: a kitchen that is set up, or the four questions that set it up. */
export function App() {
  const { data, error, mutate } = useKitchenAnswer()
  useEffect(() => onRefusal(tellError), [])
  if (data !== undefined) {
    return (
      <ErrorBoundary>
        {data.kitchen === null ? (
          <Suspense fallback={<Waiting />}>
            <FirstRun />
          </Suspense>
        ) : (
          <Rooms kitchen={data.kitchen} />
        )}
      </ErrorBoundary>
    )
  }
  if (error instanceof Unreachable)
    return (
      <Quiet
        title="Olvent’s server does not answer"
        words="Start it again in its terminal; this window goes on by itself."
        action={{ label: 'Try now', onClick: () => void mutate() }}
      />
    )
  if (error !== undefined)
    return <Quiet title="The kitchen could not be opened" words={(error as Error).message} action={{ label: 'Try again', onClick: () => void mutate() }} />
  return <Waiting />
}

function Rooms({ kitchen }: { kitchen: Kitchen }) {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const fetchRoom of SOON) void fetchRoom().catch(() => undefined)
    }, SOON_MS)
    return () => clearTimeout(timer)
  }, [])
  const here = useKitchenHere(kitchen)
  return (
    <KitchenProvider value={here}>
      <Shell>
        <ErrorBoundary>
          <Suspense fallback={<Waiting />}>
            <Routes>
              <Route path="/" element={<Today />} />
              <Route path="/bakes" element={<Bakes />} />
              <Route path="/bakes/:id" element={<BakeSheet />} />
              <Route path="/bakes/:id/:station" element={<BakeSheet />} />
              <Route path="/bakes/:id/day" element={<DayRoom />} />
              <Route path="/bakes/:id/compare" element={<CompareRoom />} />
              <Route path="/jars" element={<JarsRoom />} />
              <Route path="/jars/:id" element={<JarRoom />} />
              <Route path="/jars/:id/pace" element={<PaceRoom />} />
              <Route path="/jars/:id/label" element={<LabelRoom />} />
              <Route path="/jars/:id/programs" element={<ChooseProgram />} />
              <Route path="/programs/new" element={<NewCultureRoom />} />
              <Route path="/programs/:id" element={<ProgramRoom />} />
              <Route path="/shelf" element={<ShelfRoom />} />
              <Route path="/formulas" element={<Formulas />} />
              <Route path="/formulas/:id" element={<Formulas />} />
              <Route path="/kitchen" element={<KitchenRoom />} />
              <Route
                path="*"
                element={<Quiet title="There is no such page" words="The address may have a slip in it." action={{ label: 'Go to Today', href: '/' }} />}
              />
            </Routes>
          </Suspense>
        </ErrorBoundary>
      </Shell>
    </KitchenProvider>
  )
}

function Waiting() {
  return (
    <Center h="50vh">
      <Loader aria-label="Opening" />
    </Center>
  )
}
