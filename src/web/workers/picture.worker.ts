import { expose } from 'comlink'
import { type FoundLevel, findLevel, type JarFrame } from '../../core'

/** A picture is looked at so large, px of its longest side: finer tells nothing more. */
const LOOKED_AT = 560

const desk = {
  /**
   * Finds jar and level in a picture.
   * @param frame where the jar stands, as shares; found by itself when null
   * @returns null where it cannot be told
   */
  find: async (file: Blob, frame: JarFrame | null): Promise<FoundLevel | null> => {
    const whole = await createImageBitmap(file, { imageOrientation: 'from-image' })
    const scale = Math.min(1, LOOKED_AT / Math.max(whole.width, whole.height))
    const [width, height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)]
    const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })
    if (context === null) return null
    context.drawImage(whole, 0, 0, width, height)
    whole.close()
    return findLevel({ width, height, data: context.getImageData(0, 0, width, height).data }, frame ?? undefined)
  }
}
/** What the worker for pictures answers. */
export type PictureDesk = typeof desk

expose(desk)
