import { TextInput, type TextInputProps } from '@mantine/core'
import { useEffect, useRef, useState } from 'react'
import { CUP_SIZES, evaluate, type Format, type MassRange, massOfVolume, readVolume, roundToScale } from '../../../core'
import { QUANTITY_FIELD } from '../../../words/screens/parts'
import { useKitchen } from '../../data/kitchen'
import { Explained } from '../cards/Explained'
import { type QuantityKind, scaleOf } from '../figures'

/** Below it a tenth of a gram tells something, g. */
const SMALL_GRAMS = 10

/**
 * A figure to type. Every figure that is in range counts at once; anything else stays as typed with a sentence beside it, and the last good figure holds.
 */
export function QuantityField({
  kind,
  value,
  range,
  what,
  onCommit,
  onClear,
  density,
  ...input
}: {
  readonly kind: QuantityKind
  /** null: nothing was typed yet; what is expected is the placeholder then. */
  readonly value: number | null
  readonly range: readonly [low: number, high: number]
  /** Name of the figure in a sentence; the label where there is none. */
  readonly what?: string
  readonly onCommit: (value: number) => void
  /** g/ml, least and most, of what is measured: cups and spoons may be typed too. */
  readonly density?: readonly [least: number, most: number]
  /** The field was emptied, where it may be. */
  readonly onClear?: () => void
} & Omit<TextInputProps, 'value' | 'onChange' | 'error'>) {
  const { format, kitchen } = useKitchen()
  const scale = scaleOf(kind, format)
  const shown = value === null ? '' : scale.show(value)
  const [text, setText] = useState(shown)
  const [error, setError] = useState<string | null>(null)
  /** What cups and spoons came to, g. */
  const [measured, setMeasured] = useState<MassRange | null>(null)
  const lastShown = useRef(shown)
  const field = useRef<HTMLInputElement>(null)
  // A form is not sent while a figure in it is refused: the browser goes there and says the same sentence.
  useEffect(() => field.current?.setCustomValidity(error ?? ''), [error])
  useEffect(() => {
    // A value that changed elsewhere replaces the text; one that came from this text leaves it as it was typed.
    if (lastShown.current === shown) return
    lastShown.current = shown
    setText(shown)
    setError(null)
  }, [shown])
  const change = (next: string) => {
    setText(next)
    if (onClear !== undefined && next === '') {
      setError(null)
      lastShown.current = ''
      onClear()
      return
    }
    const ml = density === undefined ? null : readVolume(next, CUP_SIZES[kitchen.cups])
    const mass = density === undefined || ml === null ? null : massOfVolume(ml, density)
    setMeasured(mass)
    const figure = evaluate(next)
    const unit = scale.unit === '' ? '' : ` ${scale.unit}`
    const read = mass !== null ? roundToScale(mass.middle, mass.middle < SMALL_GRAMS ? 0.1 : 1) : figure === null ? Number.NaN : scale.read(figure)
    const wrongKind = kind === 'count' && figure !== null && !Number.isInteger(figure)
    if (Number.isNaN(read) || wrongKind || read < range[0] - 1e-9 || read > range[1] + 1e-9) {
      setError(
        QUANTITY_FIELD.hasToBeFromTo(
          what ?? (typeof input.label === 'string' ? input.label : 'This'),
          kind === 'count' ? QUANTITY_FIELD.wholeNumber : QUANTITY_FIELD.number,
          scale.show(range[0]),
          scale.show(range[1]),
          unit
        )
      )
      return
    }
    setError(null)
    lastShown.current = scale.show(read)
    onCommit(read)
  }
  return (
    <TextInput
      {...input}
      ref={field}
      label={typeof input.label === 'string' ? <Explained text={input.label} ofField /> : input.label}
      inputMode={kind === 'count' ? 'numeric' : 'decimal'}
      autoComplete="off"
      value={text}
      error={error}
      description={measured === null ? input.description : volumeWords(measured, format)}
      inputWrapperOrder={['label', 'input', 'description', 'error']}
      rightSection={scale.unit === '' ? undefined : <span>{scale.unit}</span>}
      rightSectionPointerEvents="none"
      onChange={(event) => change(event.currentTarget.value)}
      onFocus={(event) => event.currentTarget.select()}
      onBlur={(event) => {
        if (error === null) setText(lastShown.current)
        input.onBlur?.(event)
      }}
    />
  )
}

/** What cups and spoons came to: water is known, a cup of flour only within limits. */
function volumeWords({ least, most, middle }: MassRange, format: Format): string {
  const [low, high] = [format.mass(least), format.mass(most)]
  return low === high ? QUANTITY_FIELD.byVolume(format.mass(middle)) : QUANTITY_FIELD.byVolumeBetween(format.massFigure(least), high)
}
