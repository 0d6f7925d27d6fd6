import useSWR, { mutate } from 'swr'
import useSWRInfinite from 'swr/infinite'
import { type Bake, bakeOf, stateOf, statusOf } from '../../answers'
import { bakeEventSchema, bakePageSchema, bakeSchema, type NewBakeEvent, type Plan, planToWire, ROUTES } from '../../contract'
import { lineOfPlan, massesOfPours, type Pantry, type PlannedBuild } from '../../core'
import { askLast, Refusal } from './api'
import { refreshDiscard } from './discard'
import { doubt, sentEventSchema } from './doubts'
import { refreshJars } from './jars'
import { newId } from './newId'
import { onRefusal, read, send } from './outbox'
import { refreshShelf } from './shelf'

const OPEN = `${ROUTES.bakes}?state=open&limit=100`
interface BakePage {
  readonly bakes: readonly Bake[]
  readonly total: number
}
const PAGE = 20
/** How often a bake is asked for again, since another device may be at work on it, ms. */
const OTHERS_MS = 30_000

/** A bake, and a page of them, as the server tells them. */
const readBake = async (path: string) => bakeOf(await read(bakeSchema, path))
const readPage = async (path: string): Promise<BakePage> => {
  const { bakes, total } = await read(bakePageSchema, path)
  return { bakes: bakes.map(bakeOf), total }
}
/** Sends something that is answered with the bake as it is then. */
const sendBake = async (...sent: [id: string, request: Parameters<typeof send>[2], options?: Parameters<typeof send>[3]]) =>
  bakeOf(await send(sent[0], bakeSchema, sent[1], sent[2]))

/** One bake with all that happened to it. */
export function useBake(id: string): { readonly bake: Bake | undefined; readonly error: Error | undefined } {
  const { data, error } = useSWR<Bake, Error>(ROUTES.bake(id), readBake, { refreshInterval: OTHERS_MS })
  return { bake: data, error }
}

/** Bakes that are not out of the oven yet, by when they are mixed. */
export function useOpenBakes(): { readonly bakes: readonly Bake[] | undefined; readonly error: Error | undefined } {
  const { data, error } = useSWR<BakePage, Error>(OPEN, readPage, { refreshInterval: OTHERS_MS })
  return { bakes: data?.bakes, error }
}

/** Bakes in the record, newest first, a page at a time. */
export function useDoneBakes() {
  const { data, error, size, setSize, isValidating } = useSWRInfinite<BakePage, Error>(
    (page) => `${ROUTES.bakes}?state=done&limit=${PAGE}&offset=${page * PAGE}`,
    readPage
  )
  return {
    bakes: data?.flatMap((page) => page.bakes),
    total: data?.at(-1)?.total ?? 0,
    busy: isValidating,
    more: () => setSize(size + 1),
    error
  }
}

/** Shows a bake as the server has it. */
export const showBake = (bake: Bake) => mutate(ROUTES.bake(bake.id), bake, { revalidate: false })

/** Asks again for all that a bake takes from, or gives to: it may be shown while the bake is still on its way to the server. */
const refreshAround = () => Promise.all([mutate(OPEN), refreshJars(), refreshDiscard(), refreshShelf()])

async function settled(sent: Promise<Bake>, id: string): Promise<Bake> {
  try {
    const bake = await sent
    await showBake(bake)
    return bake
  } catch (error) {
    void mutate(ROUTES.bake(id))
    throw error
  } finally {
    void refreshAround()
  }
}

/** Writes a bake down; its sheet can be opened at once. */
export async function createBake(id: string, plan: Plan, createdAt: number): Promise<void> {
  void showBake(bakeOf({ id, version: 1, plan, status: 'planned', events: [], ingredients: [], line: null, createdAt, deletedAt: null }))
  await settled(sendBake(id, { method: 'POST', path: ROUTES.bakes, body: { id, plan: planToWire(plan) } }), id)
}

/**
 * Keeps a changed plan. The draft stays with its editor until this has answered, so it is not kept twice.
 * @param version the version the plan was made from
 * @throws Refusal, `stale` when another window was faster
 */
export async function savePlan(id: string, version: number, plan: Plan): Promise<Bake> {
  const saved = await sendBake(newId(), { method: 'PUT', path: ROUTES.bake(id), body: { version, plan: planToWire(plan) } }, { volatile: true })
  await showBake(saved)
  void refreshAround()
  return saved
}

/** Sends a plan as the page goes: nobody is there to hear the answer, and the draft is kept until one comes. */
export const sendPlanLast = (id: string, version: number, plan: Plan): void =>
  askLast({ method: 'PUT', path: ROUTES.bake(id), body: { version, plan: planToWire(plan) } })

/** Takes a bake off the table. */
export async function removeBake(id: string): Promise<void> {
  await settled(sendBake(newId(), { method: 'DELETE', path: ROUTES.bake(id) }), id)
}

/** Puts a bake back. */
export async function restoreBake(id: string): Promise<void> {
  await settled(sendBake(newId(), { method: 'POST', path: ROUTES.bakeRestore(id) }), id)
}

/** Another device has noted a pour of the same item meanwhile. */
const isDoubt = (error: unknown): error is Refusal => error instanceof Refusal && error.detail.code === 'poured already'

// A pour that was sent after a reload is in doubt just the same.
onRefusal((error, { of, body }) => {
  const event = sentEventSchema.safeParse(body)
  if (!isDoubt(error) || of === undefined || !event.success) return false
  doubt({ bakeId: of, event: event.data, words: error.message })
  return true
})

/** A bake as it will be once the server has an event. */
function withEvent(bake: Bake, event: NewBakeEvent, planned: PlannedBuild | undefined, pantry: Pantry): Bake {
  const events = [...bake.events, bakeEventSchema.parse(event)]
  const state = stateOf(events)
  const { band } = state
  const status = statusOf(bake.plan, state.status)
  if (band === null) return { ...bake, events, state, status, line: null }
  const mixed = planned === undefined ? null : lineOfPlan({ ...planned, mixTempC: band.mixTempC }, massesOfPours(state, pantry), band.atMs)
  return { ...bake, events, state, status, line: bake.line ?? mixed }
}

/** Shows a bake as it will be once the server has an event. */
export function showEvent(bake: Bake, event: NewBakeEvent, pantry: Pantry, planned?: PlannedBuild): void {
  void mutate<Bake>(ROUTES.bake(bake.id), (there) => withEvent(there ?? bake, event, planned, pantry), { revalidate: false })
  void mutate<BakePage>(OPEN, (there) => there && { ...there, bakes: there.bakes.map((b) => (b.id === bake.id ? withEvent(b, event, planned, pantry) : b)) }, {
    revalidate: false
  })
}

/**
 * Notes what happened: shown at once, and sent until the server has it.
 * @param pantry kinds of the flours poured
 * @param planned the build as planned, so that a band set while the server is away can be watched
 * @throws Refusal; what the server has is shown again
 */
export async function addEvent(bake: Bake, event: NewBakeEvent, pantry: Pantry, planned?: PlannedBuild): Promise<void> {
  const sent = sendBake(event.id, { method: 'POST', path: ROUTES.bakeEvents(bake.id), body: event, of: bake.id })
  showEvent(bake, event, pantry, planned)
  try {
    const kept = await sent
    // Another window may have noted the same of the same device: then what the server has is shown.
    const isKept = kept.events.some((e) => e.id === event.id)
    await mutate<Bake>(ROUTES.bake(bake.id), (there) => (isKept && there !== undefined && there.events.length > kept.events.length ? there : kept), {
      revalidate: false
    })
  } catch (error) {
    void mutate(ROUTES.bake(bake.id))
    if (isDoubt(error)) doubt({ bakeId: bake.id, event, words: error.message })
    else throw error
  } finally {
    void refreshAround()
  }
}
