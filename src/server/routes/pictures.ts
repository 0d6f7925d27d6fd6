import { createHash } from 'node:crypto'
import { mkdir, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import express, { Router } from 'express'
import { PICTURE_TYPES, pictureNameSchema, ROUTES } from '../../contract'
import { notFound, Problem, parse } from '../problems'
import type { Services } from './route'

const LARGEST = '4mb'
/** How files of each kind begin. Source: their formats. */
const BEGINS: Readonly<Record<keyof typeof PICTURE_TYPES, (bytes: Buffer) => boolean>> = {
  'image/jpeg': (b) => b[0] === 0xff && b[1] === 0xd8,
  'image/png': (b) => b.subarray(1, 4).toString('latin1') === 'PNG',
  'image/webp': (b) => b.subarray(8, 12).toString('latin1') === 'WEBP'
}

/** Pictures, kept on disk beside the database under their own hash. */
export function pictureRoutes({ folder }: Services): Router {
  const router = Router()
  const there = join(folder, 'pictures')
  router.post(ROUTES.pictures, express.raw({ type: Object.keys(PICTURE_TYPES), limit: LARGEST }), async (req, res) => {
    const type = (req.headers['content-type'] ?? '') as keyof typeof PICTURE_TYPES
    const bytes: unknown = req.body
    if (!Buffer.isBuffer(bytes) || BEGINS[type]?.(bytes) !== true)
      throw new Problem(400, 'no picture', 'This is no picture that Olvent can keep. A JPEG, PNG or WebP is.')
    // A window draws the picture anew before it sends it, so that nothing says where it was taken.
    if (bytes.includes('Exif\0\0')) throw new Problem(400, 'says where', 'This picture says where and by what it was taken. Send it without.')
    const name = `${createHash('sha256').update(bytes).digest('hex')}.${PICTURE_TYPES[type]}`
    await mkdir(there, { recursive: true })
    const half = join(there, `${name}.${process.pid}.half`)
    await writeFile(half, bytes, { flush: true })
    await rename(half, join(there, name))
    res.json({ name })
  })
  router.get(ROUTES.picture(':name'), (req, res, next) => {
    const name = parse(pictureNameSchema, req.params.name)
    res.setHeader('Cache-Control', 'private, max-age=31536000, immutable')
    res.sendFile(join(there, name), (error) => {
      if (error !== undefined && !res.headersSent) next(notFound('This picture'))
    })
  })
  return router
}
