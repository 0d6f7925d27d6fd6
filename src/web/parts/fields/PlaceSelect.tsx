import { Select, type SelectProps } from '@mantine/core'
import type { Place } from '../../../contract'
import { useKitchen } from '../../data/kitchen'

/** One of the kitchen's places, each told with its warmth. */
export function PlaceSelect({
  value,
  onPlace,
  onClear,
  except,
  ...input
}: {
  readonly value: string | null
  readonly onPlace: (place: Place) => void
  /** Where no place is an answer, too. */
  readonly onClear?: () => void
  /** A place that cannot be chosen. */
  readonly except?: string
} & Omit<SelectProps, 'data' | 'value' | 'onChange' | 'onClear'>) {
  const { kitchen, format } = useKitchen()
  return (
    <Select
      {...input}
      data={kitchen.places.filter((p) => p.id !== except).map((p) => ({ value: p.id, label: `${p.name}, ${format.temperature(p.tempC)}` }))}
      value={value}
      allowDeselect={false}
      clearable={onClear !== undefined}
      onChange={(id) => {
        const place = kitchen.places.find((p) => p.id === id)
        if (place === undefined) onClear?.()
        else onPlace(place)
      }}
    />
  )
}
