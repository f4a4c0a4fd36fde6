import type { RichText } from '@jackdaw/core/guides'
import { RichTextView } from '../guides/RichTextView'

/** What is said at a step: over its picture, or on a sheet of its own where it has none. */
export function StepWords({ text, alone }: { text: RichText; alone: boolean }) {
  if (!alone) return <RichTextView text={text} className="practise-text" />
  return (
    <div className="mx-auto mt-[10dvh] max-w-[760px] bg-sheet border-t-2 border-ink px-5 md:px-8 py-6" data-alone>
      <RichTextView text={text} className="reader-text" />
    </div>
  )
}
