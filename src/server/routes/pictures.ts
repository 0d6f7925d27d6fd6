import { createHash } from 'node:crypto'
import { mkdir, readdir, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import express, { Router } from 'express'
import { PICTURE_TYPES, pictureNameSchema, ROUTES } from '../../contract'
import { REFUSE_ROUTES } from '../../words/refusals/routes'
import { THINGS } from '../../words/refusals/things'
import { PICTURES_FOLDER } from '../keeping/pictureFiles'
import { notFound, Problem, parse } from '../problems'
import type { Services } from './route'

const LARGEST = '4mb'
/** Larger pictures are not even opened: so many dots take all memory there is. */
const MOST_DOTS = 50_000_000
/** A loaf fills no screen wider than this, px. */
const WIDEST = 2400
const QUALITY = 84
const FORMATS: readonly string[] = Object.keys(PICTURE_TYPES).map((type) => type.replace('image/', ''))
/** All pictures together, bytes. */
const MOST_BYTES = 4 * 1024 ** 3

/** A picture drawn anew: upright, no wider than a screen, and without a word about where and by what it was taken. */
async function drawnAnew(bytes: Buffer): Promise<Buffer> {
  // A large library: the start of the program does not wait for it.
  const { default: sharp } = await import('sharp')
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_DOTS, failOn: 'truncated' })
    const { format } = await picture.metadata()
    if (!FORMATS.includes(format ?? '')) throw new Error(format)
    return await picture
      .rotate()
      .resize({ width: WIDEST, height: WIDEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: 'white' })
      .jpeg({ quality: QUALITY })
      .toBuffer()
  } catch {
    throw new Problem(400, 'no picture', REFUSE_ROUTES.olventCannotKeepThisPicture)
  }
}

async function bytesIn(folder: string): Promise<number> {
  let sum = 0
  for (const name of await readdir(folder)) sum += (await stat(join(folder, name)).catch(() => ({ size: 0 }))).size
  return sum
}

/** Pictures, kept on disk beside the database under their own hash. */
export function pictureRoutes({ folder }: Services): Router {
  const router = Router()
  const there = join(folder, PICTURES_FOLDER)
  router.post(ROUTES.pictures, express.raw({ type: Object.keys(PICTURE_TYPES), limit: LARGEST }), async (req, res) => {
    const sent: unknown = req.body
    if (!Buffer.isBuffer(sent)) throw new Problem(400, 'no picture', REFUSE_ROUTES.olventCannotKeepThisPicture2)
    const bytes = await drawnAnew(sent)
    const name = `${createHash('sha256').update(bytes).digest('hex')}.jpg`
    await mkdir(there, { recursive: true })
    if ((await bytesIn(there)) + bytes.length > MOST_BYTES) throw new Problem(413, 'too large', REFUSE_ROUTES.picturesThisKitchenFillGb)
    const half = join(there, `${name}.${process.pid}.half`)
    try {
      await writeFile(half, bytes, { flush: true })
      await rename(half, join(there, name))
    } catch (error) {
      await rm(half, { force: true })
      throw error
    }
    res.json({ name })
  })
  router.get(ROUTES.picture(':name'), (req, res, next) => {
    const name = parse(pictureNameSchema, req.params.name)
    res.setHeader('Cache-Control', 'private, max-age=31536000, immutable')
    res.sendFile(join(there, name), (error) => {
      if (error !== undefined && !res.headersSent) next(notFound(THINGS.picture))
    })
  })
  return router
}
