import { type KitchenEdit, kitchenEditSchema, kitchenToWire } from '../../../contract'
import { fieldProblem } from '../../../words'
import { USE_CHANGE } from '../../../words/screens/kitchen'
import { Refusal } from '../../data/api'
import { editOf, saveKitchen, useKitchen } from '../../data/kitchen'
import { tellError } from '../../parts/cards/tell'

/** Changes some settings. A change that cannot be says why. */
export function useChange(): (patch: Partial<KitchenEdit>) => void {
  const { kitchen, format } = useKitchen()
  return (patch) => {
    const edit = kitchenEditSchema.safeParse(kitchenToWire({ ...editOf(kitchen), ...patch }))
    if (!edit.success) return tellError(new Error(fieldProblem(edit.error, format)))
    saveKitchen(kitchen, edit.data).catch((error: unknown) =>
      tellError(error instanceof Refusal && error.detail.code === 'stale' ? new Error(USE_CHANGE.kitchenWasChangedInAnother) : error)
    )
  }
}
