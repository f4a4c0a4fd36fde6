import type { ButtonHTMLAttributes } from 'react'
import { Link, type LinkProps } from 'react-router'

const LOOK = 'text-petrol underline underline-offset-3 hover:decoration-2'

/** A link within words or beside them. */
export const TextLink = ({ className = '', ...rest }: LinkProps) => <Link className={`${LOOK} ${className}`} {...rest} />

/** Something small to do, as quiet as a link. */
export const TextButton = ({ className = '', type = 'button', ...rest }: ButtonHTMLAttributes<HTMLButtonElement>) => (
  <button type={type} className={`${LOOK} min-h-8 text-left disabled:opacity-55 ${className}`} {...rest} />
)
