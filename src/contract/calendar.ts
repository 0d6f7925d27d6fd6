import { z } from 'zod'
import { idSchema, instantSchema, nameSchema } from './common'

/** A new address at which a calendar reads the steps to come. */
export const calendarPostSchema = z.object({ id: idSchema, name: nameSchema })

/** An address; its token is told only when it is made. */
export const calendarAddressSchema = z.object({
  id: idSchema,
  name: nameSchema,
  createdAt: instantSchema,
  /** When a calendar last asked. */
  readAt: instantSchema.nullable()
})
export type CalendarAddress = z.infer<typeof calendarAddressSchema>
export type WireCalendarAddress = z.input<typeof calendarAddressSchema>

export const calendarAddressesSchema = z.object({ addresses: z.array(calendarAddressSchema) })
/** The answer to a new one: all of them, and the path that is told this once. */
export const calendarMadeSchema = calendarAddressesSchema.extend({ path: z.string() })
