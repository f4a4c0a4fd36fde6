import { Tabs as Radix } from 'radix-ui'
import type { ReactNode } from 'react'

/** One part of what a page shows: its words, and how much is in it. */
export type Tab<V extends string> = { value: V; words: string; n?: number | undefined }

/** A page in parts of which one is seen, under their names; arrows go from one to the next. */
export function Tabs<V extends string>({
  label,
  tabs,
  chosen,
  onChoose,
  children,
}: {
  label: string
  tabs: readonly Tab<V>[]
  chosen: V
  onChoose: (value: V) => void
  /** What is in the one that is chosen. */
  children: ReactNode
}) {
  return (
    <Radix.Root value={chosen} onValueChange={(value) => onChoose(value as V)}>
      <Radix.List aria-label={label} className="flex border-b border-hair mb-2 overflow-x-auto">
        {tabs.map(({ value, words, n }) => (
          <Radix.Trigger
            key={value}
            value={value}
            className="px-3 sm:px-4 min-h-11 whitespace-nowrap border-b-3 border-transparent text-soft hover:text-ink data-[state=active]:border-petrol data-[state=active]:font-semibold data-[state=active]:text-ink focus-visible:-outline-offset-2"
          >
            {words}
            {n !== undefined && <span className="tabular-nums"> {n}</span>}
          </Radix.Trigger>
        ))}
      </Radix.List>
      {tabs.map(({ value }) => (
        // Each name leads to a panel that is there, the others stand empty.
        <Radix.Content key={value} value={value} tabIndex={-1} forceMount hidden={value !== chosen} className="outline-none">
          {value === chosen && children}
        </Radix.Content>
      ))}
    </Radix.Root>
  )
}
