import type { ReactNode } from 'react'
import { Link } from 'react-router'

/** Under the masthead: where one is, the name of the thing, its state in words, and what can be done with it. */
export function TitleLine({
  where,
  title,
  state,
  children,
}: {
  where?: { to: string; name: string }
  title: string
  state?: ReactNode
  children?: ReactNode
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 px-4 md:px-6 py-3 min-h-16">
      <div className="grow min-w-0">
        {where && (
          <Link to={where.to} className="text-sm text-petrol hover:underline">
            {where.name}
          </Link>
        )}
        <h1 className="font-serif text-xl leading-7 [overflow-wrap:anywhere]">{title}</h1>
        {state && <div className="text-sm text-soft">{state}</div>}
      </div>
      {children && <div className="flex flex-wrap items-center gap-2">{children}</div>}
    </div>
  )
}
