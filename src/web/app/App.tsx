import { Center, Loader } from '@mantine/core'
import { Suspense, useEffect } from 'react'
import { Navigate, Route, Routes, useLocation } from 'react-router'
import type { Kitchen } from '../../contract'
import { APP } from '../../words/screens/app'
import { NotNow } from '../data/api'
import { useTicking } from '../data/clock'
import { KitchenProvider, useKitchenAnswer, useKitchenHere } from '../data/kitchen'
import { useOutbox } from '../data/outbox'
import { Quiet } from '../parts/cards/Quiet'
import { Today } from '../views/today/Today'
import { ErrorBoundary } from './ErrorBoundary'
import { movedTo } from './movedTo'
import { roomOf } from './roomOf'
import { Shell } from './Shell'

const Bakes = roomOf(() => import('../views/bakes/Bakes').then((m) => m.Bakes))
const NewBake = roomOf(() => import('../views/bakes/NewBake').then((m) => m.NewBake))
const BakeSheet = roomOf(() => import('../views/bake/BakeSheet').then((m) => m.BakeSheet))
const DayRoom = roomOf(() => import('../views/day/DayRoom').then((m) => m.DayRoom))
const AllDaysRoom = roomOf(() => import('../views/day/DayRoom').then((m) => m.AllDaysRoom))
const CompareRoom = roomOf(() => import('../views/compare/CompareRoom').then((m) => m.CompareRoom))
const JarsRoom = roomOf(() => import('../views/jars/JarsRoom').then((m) => m.JarsRoom))
const JarRoom = roomOf(() => import('../views/jars/JarRoom').then((m) => m.JarRoom))
const LabelRoom = roomOf(() => import('../views/jars/LabelRoom').then((m) => m.LabelRoom))
const ChooseProgram = roomOf(() => import('../views/programs/ChooseProgram').then((m) => m.ChooseProgram))
const NewCultureRoom = roomOf(() => import('../views/programs/NewCultureRoom').then((m) => m.NewCultureRoom))
const ProgramRoom = roomOf(() => import('../views/programs/ProgramRoom').then((m) => m.ProgramRoom))
const ShelfRoom = roomOf(() => import('../views/shelf/ShelfRoom').then((m) => m.ShelfRoom))
const PaceRoom = roomOf(() => import('../views/pace/PaceRoom').then((m) => m.PaceRoom))
const Recipes = roomOf(() => import('../views/recipes/Recipes').then((m) => m.Recipes))
const KitchenRoom = roomOf(() => import('../views/kitchen/KitchenRoom').then((m) => m.KitchenRoom))
const QuestionsRoom = roomOf(() => import('../views/questions/QuestionsRoom').then((m) => m.QuestionsRoom))
const WordsRoom = roomOf(() => import('../views/words/WordsRoom').then((m) => m.WordsRoom))
const SignIn = roomOf(() => import('../views/sign-in/SignIn').then((m) => m.SignIn))
const HouseRoom = roomOf(() => import('../views/house/HouseRoom').then((m) => m.HouseRoom))
const FirstRun = roomOf(() => import('../views/first-run/FirstRun').then((m) => m.FirstRun))

/** What is fetched once the first room stands, so that it opens at once. */
const SOON = [
  () => import('./Palette'),
  () => import('../views/jars/JarsRoom'),
  () => import('../views/jars/JarRoom'),
  () => import('../views/shelf/ShelfRoom'),
  () => import('../views/bakes/Bakes')
]
const SOON_MS = 800

/** The whole window: a kitchen that is set up, or the questions that set it up. */
export function App() {
  useTicking()
  const { data, error, mutate } = useKitchenAnswer()
  const held = useOutbox((o) => o.held)
  if (held === 'signed out' || (error instanceof NotNow && error.reason === 'signed out'))
    return (
      <Suspense fallback={<Waiting />}>
        <SignIn />
      </Suspense>
    )
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
  if (error instanceof NotNow)
    return <Quiet title={APP.olventsServerDoesNotAnswer} words={APP.startAgainInTerminalThis} action={{ label: APP.tryNow, onClick: () => void mutate() }} />
  if (error !== undefined)
    return <Quiet title={APP.kitchenCouldNotBeOpened} words={error.message} action={{ label: APP.tryAgain, onClick: () => void mutate() }} />
  return <Waiting />
}

function Rooms({ kitchen }: { kitchen: Kitchen }) {
  useEffect(() => {
    const timer = setTimeout(() => {
      for (const fetchSoon of SOON) void fetchSoon().catch(() => undefined)
    }, SOON_MS)
    return () => clearTimeout(timer)
  }, [])
  const here = useKitchenHere(kitchen)
  const { pathname, search } = useLocation()
  const moved = movedTo(pathname)
  if (moved !== null) return <Navigate to={moved + search} replace />
  return (
    <KitchenProvider value={here}>
      <Shell>
        <ErrorBoundary of={pathname}>
          <Suspense fallback={<Waiting />}>
            <Routes>
              <Route path="/" element={<Today />} />
              <Route path="/bakes" element={<Bakes />} />
              <Route path="/bakes/new" element={<NewBake />} />
              <Route path="/bakes/day" element={<AllDaysRoom />} />
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
              <Route path="/recipes" element={<Recipes />} />
              <Route path="/recipes/:id" element={<Recipes />} />
              <Route path="/kitchen" element={<KitchenRoom />} />
              <Route path="/kitchen/:room" element={<KitchenRoom />} />
              <Route path="/kitchen/copies" element={<HouseRoom />} />
              <Route path="/questions" element={<QuestionsRoom />} />
              <Route path="/questions/:id" element={<QuestionsRoom />} />
              <Route path="/words" element={<WordsRoom />} />
              <Route path="/pair" element={<Navigate to="/" replace />} />
              <Route path="*" element={<Quiet title={APP.thereNoSuchPage} words={APP.addressMayHaveSlipIn} action={{ label: APP.goToToday, href: '/' }} />} />
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
      <Loader aria-label={APP.opening} />
    </Center>
  )
}
