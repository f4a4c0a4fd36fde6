import type { InboxCounts } from '@jackdaw/contracts/inbox'
import { InboxPart } from '@jackdaw/contracts/inboxPart'
import { Mail } from 'lucide-react'
import { Button, ButtonLink, Failed, Loaded, TitleLine, useSearch } from '../ui'
import { Tabs } from '../ui/Tabs'
import { useTexts } from '../ui/words/texts'
import { EntryLine } from './EntryLine'
import { useInbox, useMarkAllRead } from './queries'

const SEARCH = { show: InboxPart }

/** What somebody was told: what happened, and what waits for their decision. */
export function InboxPage() {
  const { t } = useTexts()
  const { search, set } = useSearch(SEARCH)
  const { show: part = 'all' } = search
  const query = useInbox(part)
  const markAll = useMarkAllRead()
  const rows = query.data?.pages.flatMap((page) => page.rows) ?? []
  const counts = query.data?.pages[0]?.counts
  const names: Record<InboxPart, string> = { all: t('Everything'), unread: t('Unread'), open: t('Waits for your decision') }
  return (
    <>
      <title>{t('Inbox – Jackdaw')}</title>
      <TitleLine title={t('Inbox')} state={counts && <Counts {...counts} />}>
        <ButtonLink to="/inbox/mails">
          <Mail size={16} aria-hidden />
          {t('What comes as mail')}
        </ButtonLink>
        <Button
          disabled={rows.length === 0 || counts?.unread === 0 || markAll.isPending}
          onClick={() => markAll.mutate(Math.max(...rows.map((row) => row.at)))}
        >
          {t('Mark all as read')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
        <Tabs
          label={t('Show')}
          chosen={part}
          onChoose={(next) => set({ show: next === 'all' ? undefined : next })}
          tabs={InboxPart.options.map((each) => ({
            value: each,
            words: names[each],
            n: (each === 'all' ? 0 : counts?.[each]) || undefined,
          }))}
        >
          {markAll.isError && <Failed error={markAll.error} />}
          <EntryList query={query} part={part} />
        </Tabs>
      </div>
    </>
  )
}

function EntryList({ query, part }: { query: ReturnType<typeof useInbox>; part: InboxPart }) {
  const { t } = useTexts()
  const rows = query.data?.pages.flatMap((page) => page.rows) ?? []
  return (
    <Loaded query={query}>
      {() =>
        rows.length === 0 ? (
          <Nothing part={part} />
        ) : (
          <>
            <ul className="max-w-4xl" aria-label={t('Entries')}>
              {rows.map((entry) => (
                <EntryLine key={entry.id} entry={entry} />
              ))}
            </ul>
            {query.hasNextPage && (
              <Button className="mt-4" disabled={query.isFetchingNextPage} onClick={() => void query.fetchNextPage()}>
                {query.isFetchingNextPage ? t('Fetching …') : t('Show earlier ones')}
              </Button>
            )}
          </>
        )
      }
    </Loaded>
  )
}

function Counts({ unread, open }: InboxCounts) {
  const { t } = useTexts()
  if (unread === 0 && open === 0) return <>{t('All of it is read, and nothing waits for you.')}</>
  const unreadWords = unread > 0 && t('{{count}} unread', { count: unread })
  const openWords = open > 0 && t('{{count}} wait for your decision', { count: open })
  return <>{[unreadWords, openWords].filter(Boolean).join(' · ')}</>
}

function Nothing({ part }: { part: InboxPart }) {
  const { t } = useTexts()
  const words: Record<InboxPart, string> = {
    all: t(
      'Nothing has come in yet. Here you are told when a guide is published that you are to read, and when something waits for your decision.',
    ),
    unread: t('You have read everything that came in.'),
    open: t('Nothing waits for your decision.'),
  }
  return <p className="py-6 max-w-2xl">{words[part]}</p>
}
