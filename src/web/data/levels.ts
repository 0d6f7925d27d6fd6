import { type Remote, wrap } from 'comlink'
import exifr from 'exifr'
import type { Bake } from '../../answers'
import { type Happening, newEvent } from '../../contract'
import { type FoundLevel, instantOf, type JarFrame, jarPicture, type Pantry } from '../../core'
import { PICTURES } from '../../words/screens/data'
import type { PictureDesk } from '../workers/picture.worker'
import { addEvent } from './bakes'
import { newId } from './newId'
import { keepPicture } from './pictures'

/** The jar, light and camera of made-up pictures. */
const MADE_UP_SCENE = 11

let worker: Remote<PictureDesk> | null = null

/**
 * Finds jar and level in a picture, in a worker of its own.
 * @throws Error with a sentence when it is no picture
 */
export async function findIn(file: Blob, frame: JarFrame | null): Promise<FoundLevel | null> {
  worker ??= wrap<PictureDesk>(new Worker(new URL('../workers/picture.worker.ts', import.meta.url), { type: 'module' }))
  return worker.find(file, frame).catch(() => {
    throw new Error(PICTURES.thisNoPictureThatCan)
  })
}

/** When a picture was taken: as its camera wrote it, by the kitchen's clock; else the time of the file. ms */
export async function takenAt(file: File, timeZone: string): Promise<number> {
  const told: unknown = await exifr.parse(file, { pick: ['DateTimeOriginal'], reviveValues: false }).catch(() => undefined)
  const text = (told as { DateTimeOriginal?: unknown } | undefined)?.DateTimeOriginal
  const taken = typeof text === 'string' ? instantOf(text.replace(/^(\d{4}):(\d{2}):(\d{2})/, '$1-$2-$3'), timeZone) : null
  return taken ?? file.lastModified
}

/** A photograph of a jar that never was, to try the reading of pictures with. @param rise how far it has risen */
export async function madeUpPicture(seed: number, rise: number, takenMs: number): Promise<File> {
  const { svg, width, height } = jarPicture(seed, { rise, sceneSeed: MADE_UP_SCENE })
  const url = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  const image = new Image(width, height)
  image.src = url
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = width
  canvas.height = height
  canvas.getContext('2d')?.drawImage(image, 0, 0)
  URL.revokeObjectURL(url)
  const blob = await new Promise<Blob | null>((drawn) => canvas.toBlob(drawn, 'image/jpeg', 0.9))
  if (blob === null) throw new Error(PICTURES.pictureCouldNotBeDrawn)
  return new File([blob], `made-up-${seed}.jpg`, { type: blob.type, lastModified: takenMs })
}

/** A level to be noted, with the picture it was read from. */
export interface LevelToNote {
  readonly ms: number
  readonly rise: number
  readonly file?: Blob
}

/** Where it stood from an instant on, and how warm by a log. */
export interface TempToNote {
  readonly ms: number
  readonly placeId: string
  readonly tempC: number
}

/**
 * Notes temperatures as where it stood, then levels as looks, in the order of time, each with its picture.
 * @returns takes them all back, the last one first
 */
export async function noteLevels(bake: Bake, levels: readonly LevelToNote[], pantry: Pantry, temps: readonly TempToNote[] = []): Promise<() => Promise<void>> {
  const ids: string[] = []
  const send = (event: Happening, ms: number) => {
    const id = newId()
    return addEvent(bake, newEvent(event, id, ms), pantry).then(() => id)
  }
  for (const { ms, placeId, tempC } of temps) ids.push(await send({ type: 'moved', placeId, tempC }, ms))
  for (const { ms, rise, file } of [...levels].sort((a, b) => a.ms - b.ms)) {
    const picture = file === undefined ? undefined : await keepPicture(file)
    ids.push(await send({ type: 'mark', rise: Math.round(rise * 100) / 100, signs: {}, ...(picture === undefined ? {} : { picture }) }, ms))
  }
  const lastMs = Math.max(...levels.map((l) => l.ms))
  return async () => {
    for (const undoes of ids.reverse()) await send({ type: 'undo', undoes }, lastMs)
  }
}
