type Choice<V extends string> = { value: V; words: string; n?: number | undefined }

/** Which part of what a page shows is to be seen: one of a few, side by side, each with how many there are. */
export function Choices<V extends string>({
  label,
  options,
  chosen,
  onChoose,
}: {
  label: string
  options: readonly Choice<V>[]
  chosen: V
  onChoose: (value: V) => void
}) {
  return (
    <div role="group" aria-label={label} className="flex border-b border-hair mb-2 overflow-x-auto">
      {options.map(({ value, words, n }) => (
        <button
          key={value}
          type="button"
          aria-pressed={value === chosen}
          onClick={() => onChoose(value)}
          className={`px-3 sm:px-4 min-h-11 whitespace-nowrap border-b-3 ${value === chosen ? 'border-petrol font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
        >
          {words}
          {n !== undefined && <span className="tabular-nums"> {n}</span>}
        </button>
      ))}
    </div>
  )
}
