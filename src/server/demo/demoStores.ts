import { randomUUID } from 'node:crypto'
import { millisecondsInDay } from 'date-fns/constants'
import { BUILT_IN_INGREDIENTS, type Ingredient } from '../../core'
import { putIngredient } from '../records/shelf/ingredients'
import { moveStock } from '../records/shelf/shelf'
import { putVessel } from '../records/shelf/vessels'
import type { Work } from '../records/work'

/** Jars and bowls of the kitchen. */
export async function layVessels(work: Work): Promise<Record<string, string>> {
  const vessels: [name: string, tareGrams: number, capacityMl: number, innerDiameterMm: number, heightMm: number][] = [
    ['Small jar', 190, 320, 72, 92],
    ['Tulip jar', 340, 580, 82, 118],
    ['Tall jar', 520, 1000, 92, 165],
    ['Crock', 900, 2000, 130, 175]
  ]
  const ids: Record<string, string> = {}
  for (const [name, tareGrams, capacityMl, innerDiameterMm, heightMm] of vessels) {
    const id = randomUUID()
    ids[name] = id
    await putVessel(work, id, {
      version: 0,
      vessel: { id, name, tareGrams, capacityMl, innerDiameterMm, heightMm, material: name === 'Crock' ? 'stoneware' : 'glass' }
    })
  }
  return ids
}

type Stocked = readonly [id: string, amount: number, packGrams: number, counted: number, more?: Partial<Ingredient>]

/** What stands on the shelf: price and pack, what was counted, what the packet says. */
const SHELF: readonly Stocked[] = [
  ['white wheat', 1.1, 1000, 2600, { protein: 0.105, packet: { lot: 'L 2209', openedOn: '2026-11-08' } }],
  ['strong white', 7.8, 5000, 5400, { protein: 0.132, absorption: 0.03 }],
  ['wholegrain wheat', 1.6, 1000, 900, { protein: 0.128, pace: 1.2 }],
  ['rye', 3.2, 2000, 700, { protein: 0.085 }],
  ['spelt', 2.4, 1000, 650],
  ['buckwheat', 2.9, 500, 380],
  ['sorghum', 3.1, 500, 420],
  ['salt', 0.6, 500, 410],
  ['sesame', 2.2, 250, 90]
]
const MIX = { name: 'Lantern Street mix', made: 1500 } as const

const noted = (atMs: number) => ({ id: randomUUID(), happenedAt: atMs, source: 'typed' as const })

/** What packets say, what they cost, and the house mix. @returns id of the mix */
export async function priceFlours(work: Work): Promise<string> {
  for (const [id, amount, packGrams, , more] of SHELF) {
    const builtIn = BUILT_IN_INGREDIENTS.find((i) => i.id === id)
    if (builtIn === undefined) throw new Error(`The demo's shelf has no ${id}.`)
    await putIngredient(work, id, { version: 0, ingredient: { ...builtIn, price: { amount, packGrams }, ...more } })
  }
  const blend = [
    { ingredientId: 'strong white', share: 80 },
    { ingredientId: 'wholegrain wheat', share: 15 },
    { ingredientId: 'rye', share: 5 }
  ]
  const mix: Ingredient = {
    id: randomUUID(),
    name: MIX.name,
    kind: 'flour',
    composition: { flour: 1, water: 0, salt: 0 },
    flourKind: 'white wheat',
    allergens: [],
    fine: false,
    blend
  }
  await putIngredient(work, mix.id, { version: 0, ingredient: mix })
  return mix.id
}

/** What was counted a week ago; then some of the mix was made. */
export async function countShelf(work: Work, mixId: string): Promise<void> {
  const at = work.nowMs - 7 * millisecondsInDay
  for (const [ingredientId, , , grams] of SHELF) await moveStock(work, { ...noted(at), how: 'counted', ingredientId, grams })
  await moveStock(work, { ...noted(at), how: 'blended', ingredientId: mixId, grams: MIX.made })
}
