import { FLOURS, type FlourKind } from '../../../core'

/** Families of cultures that are told apart by colour, beside their word. */
export type Family = 'wheat' | 'rye' | 'other'

/** The family of a culture that lives on a flour. */
export const familyOf = (kind: FlourKind): Family => (kind === 'rye' ? 'rye' : FLOURS[kind].gluten ? 'wheat' : 'other')
