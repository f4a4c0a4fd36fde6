import type { ExportRow } from '@jackdaw/contracts/exports'
import type { TFunction } from 'i18next'
import { dayOf, Message } from '../ui'
import { Progress } from '../ui/Progress'
import { localDateAt } from '@jackdaw/core/shared'
import { bytesOf } from '../ui/words/format'
import { useTexts } from '../ui/words/texts'

/** What a kind of file is called. */
export const formatName = (format: ExportRow['format'], t: TFunction): string =>
  ({
    pdf: t('PDF'),
    word: t('Word'),
    page: t('Page for a browser (HTML)'),
    markdown: t('Markdown with pictures'),
    'guide-file': t('Guide file'),
  })[format]

/** What can be said of a file in a few words. */
export function factsOf({ bytes, pages, keptUntil }: ExportRow, t: TFunction): string {
  const facts = [
    pages === null ? '' : t('{{count}} pages', { count: pages }),
    bytes === null ? '' : bytesOf(bytes),
    keptUntil === null ? '' : t('kept until {{day}}', { day: dayOf(localDateAt(keptUntil, 'UTC')) }),
  ]
  return facts.filter((fact) => fact !== '').join(' · ')
}

/** Why a file is not there. */
export function goneWords({ gone, reason }: ExportRow, t: TFunction): string {
  if (gone === 'blackout') return t('Deleted: a picture in it has been blacked out since. Delete copies that you have saved or passed on.')
  if (gone === 'expired') return t('Deleted after its seven days.')
  return reason ?? ''
}

/** How far a file is, for as long as it is not there. */
export function ExportProgress({ row }: { row: ExportRow }) {
  const { t } = useTexts()
  return (
    <Progress
      label={row.state === 'waiting' ? t('It waits for its turn') : t('It is being written')}
      done={row.progress?.done ?? 0}
      of={row.progress?.of ?? null}
    />
  )
}

/** For which scripts the file has no letters. */
export function MissingLetters({ row }: { row: ExportRow }) {
  const { t } = useTexts()
  if (row.missing.length === 0) return null
  const which = row.missing.map(({ script, some }) => `${t(script)} (${some})`).join(', ')
  return (
    <Message tone="warn" title={t('Some letters stand as boxes in this file')}>
      {t('The fonts that come with Jackdaw have no letters for: {{which}}. Everything else is as it should be.', { which })}
    </Message>
  )
}
