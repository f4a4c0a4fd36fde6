import { useIds } from '../../ui/search/useIds'
import { findDeadLinks } from '@jackdaw/contracts/guides'
import { broughtHome, straysOf } from '@jackdaw/core/annotations'
import { linksOf, writingFindings, type WritingFinding } from '@jackdaw/core/editing'
import { itemName, type Change, type GuideDocument, type ItemId } from '@jackdaw/core/guides'
import { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import type { TFunction } from 'i18next'
import { memo, useEffect, useMemo, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { call } from '../../api'
import { Button, TextButton } from '../../ui'

function words({ reason, about }: WritingFinding, t: TFunction): string {
  switch (reason) {
    case 'long-step':
      return t('Long: {{n}} words. Split it?', { n: about })
    case 'several-actions':
      return t('{{n}} actions in one step', { n: about })
    case 'picture-missing':
      return t('No picture of it')
    case 'no-description':
      return t('A picture has no description for those who cannot see it')
    case 'no-frame':
      return t('The picture has no frame around its element')
    case 'lost-annotation':
      return t('An annotation has lost its element')
    case 'stray-style':
      return t('{{n}} annotations in a style of their own', { n: about })
    case 'dead-link':
      return t('Leads to nothing: {{about}}', { about })
    case 'acronym':
      return t('“{{about}}” is not explained', { about })
    case 'hard-to-read':
      return t('Hard to read (LIX {{n}})', { n: about })
    case 'passive':
      return t('Passive: “{{about}}”', { about })
  }
}

const OWN_GUIDE = /\/guides\/([A-Za-z0-9_-]{21})(?:[/?#]|$)/
/** Links of the text to guides of this Jackdaw that a reader would not find. */
function useDeadLinks(document: GuideDocument): ReadonlySet<string> {
  const { id } = useIds<{ id: GuideId }>()
  const own = linksOf(document).flatMap((href) => {
    const guide = href.startsWith(location.origin) ? OWN_GUIDE.exec(href)?.[1] : undefined
    return guide ? [[href, guide as GuideId] as const] : []
  })
  const guides = [...new Set(own.map(([, guide]) => guide))].sort()
  const query = useQuery({
    queryKey: ['dead-links', id, guides.join(' ')],
    enabled: guides.length > 0,
    staleTime: 60_000,
    queryFn: ({ signal }) => call(findDeadLinks, { params: { id }, body: { guides }, signal }),
  })
  const dead = query.data
  const links = own.map(([href]) => href).join(' ')
  return useMemo(() => new Set(own.flatMap(([href, guide]) => (dead?.includes(guide) ? [href] : []))), [dead, links])
}

/** Judged once nobody has typed for a moment: keys come first. */
const SETTLED_MS = 450
function useSettled(document: GuideDocument): GuideDocument {
  const [settled, setSettled] = useState(document)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(document), SETTLED_MS)
    return () => clearTimeout(timer)
  }, [document])
  return settled
}

/** What could be better about the guide, beside the text as it is written. Each can be ignored. */
export function FindingsPanel({ document, ...rest }: Props) {
  return <Findings document={useSettled(document)} {...rest} />
}

/** So many are shown at first: the facts below stay in sight. */
const FIRST = 5

type Props = { document: GuideDocument; onPick: (id: ItemId) => void; change: (...changes: Change[]) => void }

const Findings = memo(function Findings({ document: later, onPick, change }: Props) {
  const { t } = useTexts()
  const [most, setMost] = useState(FIRST)
  const [withSilenced, setWithSilenced] = useState(false)
  const dead = useDeadLinks(later)
  const all = useMemo(() => writingFindings(later, dead), [later, dead])
  const open = all.filter((finding) => !finding.silenced)
  const shown = withSilenced ? all : open
  const strays = open.some((finding) => finding.reason === 'stray-style')
  return (
    <section aria-label={t('Findings')} className="border-b border-hair p-4 pb-3">
      <h2 className="text-sm">{t('{{count}} findings', { count: open.length })}</h2>
      {strays && (
        <Button
          className="text-sm my-1"
          onClick={() =>
            change(
              ...straysOf(later).map((stray): Change => ({
                type: 'put-annotation',
                stepId: stray.stepId as Extract<Change, { type: 'put-annotation' }>['stepId'],
                pictureId: stray.pictureId as Extract<Change, { type: 'put-annotation' }>['pictureId'],
                annotation: broughtHome(stray.annotation),
                after: null,
              })),
            )
          }
        >
          {t('Bring all annotations back to the guide’s style')}
        </Button>
      )}
      <ul>
        {shown.slice(0, most).map((finding) => (
          <li
            key={finding.key}
            className={`flex items-start gap-1 border-b border-hair py-1 text-sm ${finding.silenced ? 'opacity-70' : ''}`}
          >
            <button type="button" className="grow text-left min-w-0 hover:underline" onClick={() => onPick(finding.stepId as ItemId)}>
              <span className="block truncate text-soft text-xs">{itemName(later, finding.stepId)}</span>
              {words(finding, t)}
            </button>
            <TextButton
              className="shrink-0 text-xs"
              aria-label={
                finding.silenced
                  ? t('Show again: {{what}}', { what: words(finding, t) })
                  : t('Ignore: {{what}}', { what: words(finding, t) })
              }
              onClick={() => change({ type: 'silence', finding: finding.key, silenced: !finding.silenced })}
            >
              {finding.silenced ? t('Show again') : t('Ignore')}
            </TextButton>
          </li>
        ))}
      </ul>
      {shown.length > most && (
        <TextButton className="text-xs mr-3" onClick={() => setMost(shown.length > 200 && most < 200 ? 200 : shown.length)}>
          {t('and {{n}} more', { n: shown.length - most })}
        </TextButton>
      )}
      {most > FIRST && (
        <TextButton className="text-xs mr-3" onClick={() => setMost(FIRST)}>
          {t('Show fewer')}
        </TextButton>
      )}
      {all.length > open.length && (
        <TextButton className="text-xs" onClick={() => setWithSilenced((now) => !now)}>
          {withSilenced ? t('Hide those ignored') : t('{{n}} ignored', { n: all.length - open.length })}
        </TextButton>
      )}
    </section>
  )
})
