import { millisecondsInDay, millisecondsInHour } from 'date-fns/constants'
import type { Guess, JarTold } from '../../contract'
import { CULTURE_TRAITS, type Culture, cultureOf, DRY_FLAKES, type FlourKind } from '../../core'
import { FIRST_JAR } from '../kitchen/firstKitchen'

/** What bakers say a starter lives on. */
export const STARTER_FLOURS = ['white wheat', 'wholegrain wheat', 'rye', 'house blend', 'ancient wheat', 'gluten-free'] as const
export type StarterFlour = (typeof STARTER_FLOURS)[number]

/** What bakers say it is like, with its usual hydration. Source: craft knowledge. */
export const STARTER_TEXTURES = { liquid: 1, thick: 0.7, stiff: 0.5, 'in water': 0.45 } as const
export type StarterTexture = keyof typeof STARTER_TEXTURES

/** What somebody says of their starter; null: they do not know. */
export interface StarterSaid {
  readonly dried: boolean
  readonly flour: StarterFlour
  readonly texture: StarterTexture | null
  /** Water ÷ flour, by those who know it: it wins over the texture. */
  readonly hydration: number | null
  readonly grams: number | null
  /** The figure was estimated by eye, not weighed. */
  readonly byEye: boolean
  readonly fedAtMs: number | null
  /** Fresh flour per gram kept at that feed. */
  readonly flourPerSeed: number | null
}

/** A starter that nobody has said anything of. */
export const NOTHING_SAID: StarterSaid = {
  dried: false,
  flour: 'white wheat',
  texture: null,
  hydration: null,
  grams: null,
  byEye: false,
  fedAtMs: null,
  flourPerSeed: null
}

/** When a starter is taken to have been fed by one who does not know, ms ago: in the cold it is fed by the week, in the warm by the day. */
const USUALLY_FED_AGO = { cold: 7 * millisecondsInDay, warm: 24 * millisecondsInHour } as const

const FLOUR_OF: Readonly<Record<StarterFlour, FlourKind>> = {
  'white wheat': 'white wheat',
  'wholegrain wheat': 'wholegrain wheat',
  rye: 'rye',
  'house blend': 'white wheat',
  'ancient wheat': 'ancient wheat',
  'gluten-free': 'gluten-free'
}

/** The culture that is meant. A ball stays a ball, whatever its flour. */
function cultureSaid({ dried, flour, texture }: StarterSaid, hydration: number): Culture {
  if (dried) return 'dried'
  if (flour === 'gluten-free') return 'gluten-free'
  if (texture === 'in water') return 'stiff under water'
  const culture = cultureOf(FLOUR_OF[flour], hydration)
  return culture !== 'stiff' && flour === 'house blend' ? flour : culture
}

/** What is usual stands for what was not said. */
function hydrationSaid({ dried, flour, texture, hydration }: StarterSaid): number {
  if (dried) return DRY_FLAKES
  if (hydration !== null) return hydration
  if (texture !== null) return STARTER_TEXTURES[texture]
  return flour === 'gluten-free' ? CULTURE_TRAITS[flour].hydration : STARTER_TEXTURES.liquid
}

/**
 * A starter as it comes into the kitchen, from what its baker says of it. What they do not know is a guess, and told as one.
 * @param cold whether it stands in the cold
 */
export function starterTold(said: StarterSaid, cold: boolean, nowMs: number): Omit<JarTold, 'placeId' | 'begun'> {
  const hydration = hydrationSaid(said)
  const guesses: Guess[] = [
    ...(said.grams === null || said.byEye ? ['grams' as const] : []),
    ...(said.hydration === null && said.texture === null && !said.dried ? ['hydration' as const] : []),
    ...(said.fedAtMs === null && !said.dried ? ['lastFedAt' as const] : [])
  ]
  return {
    culture: cultureSaid(said, hydration),
    flour: FLOUR_OF[said.flour],
    hydration,
    grams: said.grams ?? FIRST_JAR.grams,
    lastFedAt: said.fedAtMs ?? nowMs - USUALLY_FED_AGO[cold ? 'cold' : 'warm'],
    flourPerSeed: said.flourPerSeed,
    guesses
  }
}

/** What was said of a starter, for those who correct it. */
export function starterSaid({ culture, flour, hydration, grams, lastFedAt, flourPerSeed, guesses }: JarTold): StarterSaid {
  const dried = culture === 'dried'
  const guessed = (what: Guess) => guesses.includes(what)
  const texture = (Object.keys(STARTER_TEXTURES) as StarterTexture[]).find((t) => STARTER_TEXTURES[t] === hydration) ?? null
  return {
    dried,
    flour: culture === 'house blend' ? culture : (STARTER_FLOURS.find((kind) => kind === flour) ?? 'white wheat'),
    texture: culture === 'stiff under water' ? 'in water' : guessed('hydration') ? null : texture,
    hydration: guessed('hydration') || dried || texture !== null ? null : hydration,
    grams,
    byEye: guessed('grams'),
    fedAtMs: guessed('lastFedAt') ? null : lastFedAt,
    flourPerSeed
  }
}
