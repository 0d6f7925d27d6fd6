import { useForm } from '@mantine/form'
import type { SyntheticEvent } from 'react'
import type { z } from 'zod'
import { fieldProblems } from '../../../words'
import { useKitchen } from '../../data/kitchen'

/**
 * A form whose schema says what may be saved. A figure that cannot be is refused where it stands: the browser goes to it and says why.
 * @returns the form; what is wrong where no field shows it; what a `<form>` does when it is sent
 */
export function useSchemaForm<Values extends { readonly name: string }, Saved>(
  schema: z.ZodType<Saved, Values>,
  initialValues: Values,
  save: (saved: Saved) => void
) {
  const { format } = useKitchen()
  const form = useForm<Values>({
    initialValues,
    validate: (values) => {
      const { error } = schema.safeParse(values)
      return error === undefined ? {} : fieldProblems(error, format)
    }
  })
  const elsewhere = Object.entries(form.errors).find(([path]) => path !== 'name')
  const submit = form.onSubmit((values) => save(schema.parse(values)))
  return {
    form,
    problem: elsewhere === undefined ? null : String(elsewhere[1]),
    onSubmit: (event: SyntheticEvent) => {
      // A sheet stands in the tree below the form it was opened from: its form is sent by itself.
      event.stopPropagation()
      event.preventDefault()
      submit()
    }
  }
}
