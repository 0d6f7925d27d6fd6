import type { BakeEvent } from '../../../../contract'
import { band } from './band'
import { begun } from './begun'
import { doughRead } from './dough'
import type { Effect, Told } from './effect'
import { explained } from './explained'
import { fedAgain } from './fedAgain'
import { mark } from './mark'
import { measured } from './measured'
import { mixed } from './mixed'
import { moved } from './moved'
import { outcome } from './outcome'
import { pour } from './pour'
import { repaired } from './repaired'
import { stepDone } from './step'
import { undo } from './undo'
import { weighed } from './weighed'

type Type = BakeEvent['type']

/** What each kind of event does to batches and masses. Each throws a Problem when it cannot be as the bake stands. */
const EFFECTS: { readonly [T in Type]: (told: Told<T>) => Promise<Effect> } = {
  pour,
  weigh: weighed,
  repair: repaired,
  measured,
  band,
  mark,
  explained,
  moved,
  'fed again': fedAgain,
  mixed,
  dough: doughRead,
  begun,
  step: stepDone,
  outcome,
  undo
}

/** What an event does, by its type. */
export const effectOf = <T extends Type>(type: T, told: Told<T>): Promise<Effect> => EFFECTS[type](told)
