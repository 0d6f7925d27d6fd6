import { Select } from '@mantine/core'
import { PERCENTAGE_BASES, type PercentageBase } from '../../../core'
import { BASE_WORDS } from '../../../words'
import { BASE_SELECT } from '../../../words/screens/parts-formula'

interface BaseSelectProps {
  readonly base: PercentageBase
  readonly disabled?: boolean
  /** Said under the field besides what the base means. */
  readonly note?: string
  readonly onBase: (base: PercentageBase) => void
}

/** Chooses what the percentages of a recipe are percentages of. */
export function BaseSelect({ base, disabled, note = '', onBase }: BaseSelectProps) {
  return (
    <Select
      label={BASE_SELECT.percentages}
      description={`${BASE_WORDS[base].says} ${note}`}
      inputWrapperOrder={['label', 'input', 'description']}
      data={PERCENTAGE_BASES.map((value) => ({ value, label: BASE_WORDS[value].name }))}
      value={base}
      disabled={disabled}
      allowDeselect={false}
      onChange={(v) => onBase(PERCENTAGE_BASES.find((one) => one === v) ?? base)}
    />
  )
}
