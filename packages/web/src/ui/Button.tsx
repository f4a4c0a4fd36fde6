import type { ButtonHTMLAttributes } from 'react'
import { Link, type LinkProps } from 'react-router'

type Look = 'primary' | 'plain' | 'quiet' | 'danger'
const BASE =
  'inline-flex items-center justify-center gap-2 min-h-9 px-3 rounded-md font-semibold no-underline whitespace-nowrap disabled:opacity-55 disabled:pointer-events-auto'
const LOOKS: Record<Look, string> = {
  primary: 'bg-petrol text-white hover:bg-petrol-dark',
  plain: 'bg-sheet text-ink border border-edge hover:border-ink',
  quiet: 'text-petrol hover:bg-wash',
  danger: 'bg-sheet text-brick border border-brick hover:bg-brick hover:text-white',
}
export const buttonClass = (look: Look = 'plain', more = ''): string => `${BASE} ${LOOKS[look]} ${more}`

export function Button({
  look = 'plain',
  className = '',
  type = 'button',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look }) {
  return <button type={type} className={buttonClass(look, className)} {...rest} />
}
export function ButtonLink({ look = 'plain', className = '', ...rest }: LinkProps & { look?: Look }) {
  return <Link className={buttonClass(look, className)} {...rest} />
}
/** A button that shows only an icon; its name is for everybody who cannot see it, and its title for those who wonder. */
export function IconButton({ name, className = '', children, ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { name: string }) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className={`inline-flex items-center justify-center size-9 rounded-md text-ink hover:bg-wash aria-pressed:bg-wash aria-pressed:text-petrol disabled:opacity-40 ${className}`}
      {...rest}
    >
      {children}
    </button>
  )
}
