import type { GuideDocument } from '@jackdaw/core/guides'

/** What the author says to whoever is through; nothing where they say nothing. */
export function ClosingWords({ document: { closing = '' } }: { document: Pick<GuideDocument, 'closing'> }) {
  return closing.trim() === '' ? null : (
    <p className="guide-text whitespace-pre-line border-l-2 border-petrol pl-3 mb-5" data-closing>
      {closing}
    </p>
  )
}
