import { zodResolver } from '@hookform/resolvers/zod'
import { get, useForm, type DefaultValues, type FieldPath, type FieldValues, type Resolver, type UseFormReturn } from 'react-hook-form'
import type { FormEvent } from 'react'
import type * as z from 'zod/mini'
import { useTexts } from '../words/texts'

/** A form over what a request takes. `faultOf`: what is wrong with a field, in words. `sending`: what sends it when it is submitted; a field
 * with something in it that it does not take is gone to instead. */
export type FormOf<T extends FieldValues> = UseFormReturn<T, unknown, T> & {
  faultOf: (name: FieldPath<T>) => string | undefined
  sending: (send: (body: T) => void) => (event: FormEvent<HTMLFormElement>) => void
}

/** A form that holds to the schema of the contract: what it refuses is not sent, and told at its field.
 * @param schema of the body of the request @param values what stands in it first */
export function useFormOf<T extends FieldValues>(schema: z.ZodMiniType<T, FieldValues>, values: DefaultValues<NoInfer<T>>): FormOf<T> {
  const { t } = useTexts()
  const form = useForm<T, unknown, T>({
    resolver: zodResolver(schema) as unknown as Resolver<T, unknown, T>,
    defaultValues: values as DefaultValues<T>,
  })
  const { errors } = form.formState
  return {
    ...form,
    faultOf: (name) => {
      const { message }: { message?: unknown } = get(errors, name) ?? {}
      return typeof message === 'string' ? t(message) : undefined
    },
    sending: (send) => (event) => {
      event.preventDefault()
      const wrong = event.currentTarget.querySelector<HTMLElement>('[data-not-taken]')
      if (wrong) wrong.focus()
      else void form.handleSubmit(send)(event)
    },
  }
}
