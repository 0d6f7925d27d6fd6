import { z } from 'zod'

/** Name of a kept picture: its own hash, so that the same picture is kept once. */
export const pictureNameSchema = z.string().regex(/^[0-9a-f]{64}\.(jpg|png|webp)$/, { error: 'This is not a picture that Olvent keeps.' })
export const pictureMadeSchema = z.object({ name: pictureNameSchema })

/** What is taken in, by its type, and the end of its name. */
export const PICTURE_TYPES = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' } as const
