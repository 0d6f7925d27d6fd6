import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Router } from 'express'
import { bringInSchema, copiesFolderSchema, ROUTES, type WireTakenAlong } from '../../contract'
import { REFUSE_ROUTES } from '../../words/refusals/routes'
import { THINGS } from '../../words/refusals/things'
import { callerOf } from '../access/gate'
import { type Unpacked, unpack } from '../keeping/bringIn'
import { takeAlong } from '../keeping/takeAlong'
import { notFound, Problem, parse } from '../problems'
import { findKitchen } from '../records/kitchen/kitchens'
import { readWork } from '../records/work'
import { idIn, type Services } from './route'

/** Largest file brought in. */
const MOST_BYTES = 2 * 1024 ** 3
/** A file that was looked at waits so long for a decision. */
const DECIDE_MS = 30 * 60_000
const INCOMING = 'incoming'

/** Copies of the kitchen, and the whole of it as one file. */
export function keepingRoutes({ database, clock, folder, hub, keeper }: Services): Router {
  const router = Router()
  const incoming = join(folder, INCOMING)
  // What was cut off while it came in, by a server that was killed; nothing comes in before it is gone.
  const swept = rm(incoming, { recursive: true, force: true }).catch(() => undefined)
  let waiting: { readonly id: string; readonly file: Unpacked; readonly timer: ReturnType<typeof setTimeout> } | null = null
  const forget = async () => {
    const there = waiting
    waiting = null
    if (there === null) return
    clearTimeout(there.timer)
    await there.file.drop()
  }
  const kitchenNow = () => findKitchen(readWork(database, clock.now()))

  router.get(ROUTES.copies, async (_req, res) => {
    res.json(await keeper.told())
  })
  router.post(ROUTES.copies, async (_req, res) => {
    await keeper.copy('asked')
    res.json(await keeper.told())
  })
  router.put(ROUTES.copiesFolder, async (req, res) => {
    if (!callerOf(res).thisMachine) throw new Problem(403, 'cannot be', REFUSE_ROUTES.whereCopiesAreKeptSet)
    await keeper.moveTo(parse(copiesFolderSchema, req.body).folder)
    res.json(await keeper.told())
  })
  router.get(ROUTES.takeAlong, async (_req, res) => {
    const nowMs = clock.now()
    const file = await takeAlong(folder, nowMs)
    res.type('application/zip').setHeader('Content-Disposition', `attachment; filename="olvent-${new Date(nowMs).toISOString().slice(0, 10)}.zip"`)
    await pipeline(file, res)
  })
  router.post(ROUTES.bringIn, async (req, res) => {
    await swept
    await forget()
    await mkdir(incoming, { recursive: true })
    const path = join(incoming, `${randomUUID()}.zip`)
    try {
      let bytes = 0
      const bounded = new Transform({
        transform(chunk: Buffer, _encoding, done) {
          bytes += chunk.length
          if (bytes > MOST_BYTES) done(new Problem(413, 'too large', REFUSE_ROUTES.thisFileLargerThanGb))
          else done(null, chunk)
        }
      })
      await pipeline(req, bounded, createWriteStream(path))
      const file = await unpack(path, incoming)
      const timer = setTimeout(() => void forget().catch(() => undefined), DECIDE_MS)
      timer.unref()
      waiting = { id: randomUUID(), file, timer }
      const replaces = (await kitchenNow())?.name ?? null
      const told: WireTakenAlong = { ...file.told, id: waiting.id, replaces, merge: replaces === null ? null : await file.compare(folder) }
      res.json(told)
    } finally {
      await rm(path, { force: true })
    }
  })
  const theOne = (req: Parameters<typeof idIn>[0]) => {
    if (waiting === null || waiting.id !== idIn(req, THINGS.file)) throw notFound(THINGS.file)
    return waiting
  }
  router.post(ROUTES.broughtIn(':id'), async (req, res) => {
    const { file } = theOne(req)
    const how = parse(bringInSchema, req.body)
    if ((await kitchenNow()) !== null) await keeper.copy('import')
    await database.alone(() => file.putInto(folder, how, clock.now()))
    await forget()
    hub.publish({ type: 'changed', path: ROUTES.kitchen, window: null })
    res.json({ ok: true })
  })
  router.delete(ROUTES.broughtIn(':id'), async (req, res) => {
    theOne(req)
    await forget()
    res.json({ ok: true })
  })
  return router
}
