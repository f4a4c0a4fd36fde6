import { useId, type InputHTMLAttributes, type Ref, type SelectHTMLAttributes, type TextareaHTMLAttributes } from 'react'
import { boxClass, describedBy, Frame, type Labelled } from './Frame'

export function TextField({
  label,
  hint,
  error,
  ref,
  ...rest
}: Labelled & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  const id = useId()
  return (
    <Frame {...{ label, hint, error, id }}>
      <input id={id} ref={ref} className={boxClass()} {...describedBy(id, { hint, error })} {...rest} />
    </Frame>
  )
}
export function TextArea({
  label,
  hint,
  error,
  ref,
  ...rest
}: Labelled & TextareaHTMLAttributes<HTMLTextAreaElement> & { ref?: Ref<HTMLTextAreaElement> }) {
  const id = useId()
  return (
    <Frame {...{ label, hint, error, id }}>
      <textarea id={id} ref={ref} className={`${boxClass()} py-2`} {...describedBy(id, { hint, error })} {...rest} />
    </Frame>
  )
}
/** The handler of a `<select>` or field whose values are all of one type, as is what this component has put there. */
export const chosen =
  <V extends string>(take: (value: V) => void) =>
  (event: { target: { value: string } }): void =>
    take(event.target.value as V)

export function Select({
  label,
  hint,
  error,
  small = false,
  children,
  ref,
  ...rest
}: Labelled & SelectHTMLAttributes<HTMLSelectElement> & { small?: boolean; ref?: Ref<HTMLSelectElement> }) {
  const id = useId()
  return (
    <Frame {...{ label, hint, error, id, small }}>
      <select id={id} ref={ref} className={boxClass(small)} {...describedBy(id, { hint, error })} {...rest}>
        {children}
      </select>
    </Frame>
  )
}
