import type { ShareLink } from '@jackdaw/contracts/sharing'
import { linkStanding } from '@jackdaw/core/sharing'
import type { GuideId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { useMe } from '../people'
import { Button, Failed, Loaded, Message, momentOf, Table, TextLink, TitleLine, whenOf } from '../ui'
import { Question } from '../ui/over/Question'
import { useIds } from '../ui/search/useIds'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { GuestVisits } from './GuestVisits'
import { asksName } from './linkWords'
import { NewLinkDialog } from './NewLinkDialog'
import { useLinks, useRevokeLink } from './queries'

function useColumns(revoke: (link: ShareLink) => void): Column<ShareLink>[] {
  const { t } = useTexts()
  return [
    {
      id: 'number',
      head: t('Found by'),
      cell: ({ asksFor, carries, folder }) =>
        folder !== null ? (
          t('the open folder “{{name}}”', { name: folder })
        ) : carries !== null ? (
          <strong>{carries}</strong>
        ) : asksFor !== null ? (
          t('asks: {{number}}', { number: asksName(asksFor, t) })
        ) : (
          t('nothing')
        ),
    },
    {
      id: 'made',
      head: t('Made'),
      from: 'md',
      cell: (row) => (
        <>
          <time title={momentOf(row.madeAt)}>{whenOf(row.madeAt)}</time>
          <span className="text-soft">, {row.madeBy}</span>
        </>
      ),
    },
    { id: 'holds', head: t('Holds'), line: true, cell: (row) => <Holds link={row} /> },
    { id: 'visits', head: t('Visits'), className: 'tabular-nums', cell: (row) => row.visits },
    { id: 'finished', head: t('To the end'), from: 'sm', className: 'tabular-nums', cell: (row) => row.finished },
    { id: 'last', head: t('Last used'), from: 'sm', line: true, cell: (row) => (row.lastAt === null ? '–' : whenOf(row.lastAt)) },
    {
      id: 'do',
      head: t('What can be done'),
      hidden: true,
      className: 'text-right',
      cell: (row) =>
        row.folder === null &&
        linkStanding(row, Date.now()) === 'holds' && (
          <Button look="quiet" aria-label={t('Take back the link of {{when}}', { when: momentOf(row.madeAt) })} onClick={() => revoke(row)}>
            {t('Take back')}
          </Button>
        ),
    },
  ]
}

function Holds({ link }: { link: ShareLink }) {
  const { t } = useTexts()
  const standing = linkStanding(link, Date.now())
  if (link.folder !== null) return t('as long as the folder is open')
  if (standing === 'revoked') return <span className="text-soft">{t('taken back {{when}}', { when: whenOf(link.revokedAt!) })}</span>
  if (standing === 'expired') return <span className="text-soft">{t('ended {{when}}', { when: whenOf(link.expiresAt!) })}</span>
  // The last day is the one before the moment at which it ends.
  return link.expiresAt === null ? t('until it is taken back') : t('until {{when}}', { when: whenOf(link.expiresAt - 1) })
}

/** The links by which guests come to a guide, and what came of them. */
export function LinksPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GuideId }>()
  const query = useLinks(id, true)
  const revoke = useRevokeLink(id)
  const [asked, setAsked] = useState<'new' | ShareLink | null>(null)
  const columns = useColumns(setAsked)
  const close = () => setAsked(null)
  const settings = useMe().permissions.includes('company.settings')
  return (
    <Loaded query={query}>
      {({ title, published, anyone, links }) => (
        <>
          <title>{t('Links for guests – Jackdaw')}</title>
          <TitleLine
            where={{ to: `/guides/${id}/edit`, name: title }}
            title={t('Links for guests')}
            state={t('For drivers, visitors and others who do not sign in. Their use is counted apart from that of your people.')}
          >
            <Button look="primary" className="min-h-10" disabled={!anyone || !published} onClick={() => setAsked('new')}>
              {t('New link')}
            </Button>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5 space-y-8">
            {!anyone && (
              <Message tone="warn" title={t('The company does not allow links for guests')}>
                {settings ? (
                  <TextLink to="/guests">{t('Allow them on the page “Guests”')}</TextLink>
                ) : (
                  t('An admin can allow them on the page “Guests” in the menu of their name.')
                )}
              </Message>
            )}
            {!published && <Message tone="warn" title={t('Guests read what is published. Publish the guide first.')} />}
            {revoke.isError && <Failed error={revoke.error} />}
            <Table
              label={t('Links for guests')}
              rows={links}
              columns={columns}
              keyOf={(row) => row.id}
              empty={<p>{t('There is no link yet.')}</p>}
            />
            <GuestVisits guideId={id} />
          </div>
          {asked === 'new' && <NewLinkDialog guideId={id} onClose={close} />}
          {asked !== null && asked !== 'new' && (
            <Question
              title={t('Take this link back?')}
              about={t('It ends at once, also for whoever reads by it just now. It cannot be given back; make a new one then.')}
              yes={t('Take it back')}
              onYes={() => {
                revoke.mutate(asked.id)
                close()
              }}
              onNo={close}
            />
          )}
        </>
      )}
    </Loaded>
  )
}
