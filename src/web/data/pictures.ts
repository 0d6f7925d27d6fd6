import { pictureMadeSchema, ROUTES } from '../../contract'
import { PICTURES } from '../../words/screens/data'
import { NotNow, Refusal } from './api'

/** Longest side that is kept, px, and how finely. */
const LONGEST = 1600
const QUALITY = 0.85

/** Draws a picture anew, smaller: what it said of its place and camera is gone. */
async function shrunk(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file)
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(bitmap.width * scale)
  canvas.height = Math.round(bitmap.height * scale)
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  return new Promise((drawn, failed) =>
    canvas.toBlob((blob) => (blob === null ? failed(new Error(PICTURES.pictureCouldNotBeDrawn)) : drawn(blob)), 'image/jpeg', QUALITY)
  )
}

/**
 * Keeps a picture.
 * @returns its name
 * @throws Error with a sentence when it is no picture, or the server is away
 */
export async function keepPicture(file: Blob): Promise<string> {
  const body = await shrunk(file).catch(() => {
    throw new Error(PICTURES.thisNoPictureThatCan)
  })
  const answer = await fetch(ROUTES.pictures, { method: 'POST', headers: { 'Content-Type': 'image/jpeg' }, body }).catch(() => {
    throw new NotNow()
  })
  const told: unknown = await answer.json()
  if (!answer.ok) throw new Refusal((told as { error: Refusal['detail'] }).error)
  return pictureMadeSchema.parse(told).name
}
