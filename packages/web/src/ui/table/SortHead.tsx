import { ArrowDown, ArrowUp } from 'lucide-react'

export type Sort<K extends string> = { by: K; down: boolean }

/** Head of a column by which the table can be ordered. */
export function SortHead<K extends string>({
  by,
  sort,
  onSort,
  children,
  className = '',
}: {
  by: K
  sort: Sort<K>
  onSort: (sort: Sort<K>) => void
  children: string
  className?: string
}) {
  const active = sort.by === by
  const Arrow = sort.down ? ArrowDown : ArrowUp
  return (
    <th scope="col" aria-sort={active ? (sort.down ? 'descending' : 'ascending') : 'none'} className={`text-left py-1.5 pr-4 ${className}`}>
      <button
        type="button"
        className="inline-flex items-center gap-1 font-semibold min-h-7 hover:text-petrol"
        onClick={() => onSort({ by, down: active ? !sort.down : false })}
      >
        {children}
        {active && <Arrow size={14} aria-hidden />}
      </button>
    </th>
  )
}
