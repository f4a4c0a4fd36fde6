import type { Entry } from '@jackdaw/contracts/inbox'
import { Hourglass } from 'lucide-react'
import { Link } from 'react-router'
import { momentOf, whenOf } from '../ui'
import { useTexts } from '../ui/words/texts'
import { entryWords } from './entryWords'
import { useMarkEntry } from './queries'

/** One entry. Whoever goes where it leads has read it. */
export function EntryLine({ entry }: { entry: Entry }) {
  const { t } = useTexts()
  const mark = useMarkEntry()
  const { title, more, act, to } = entryWords(entry, t)
  const unread = entry.readAt === null
  const setRead = (read: boolean) => mark.mutate({ id: entry.id, read })
  return (
    <li
      className={`flex flex-wrap gap-x-4 gap-y-1 py-3 border-b border-hair border-l-4 pl-3 ${unread ? 'border-l-petrol' : 'border-l-transparent'}`}
    >
      <div className="grow basis-72 min-w-0">
        <p className={`[overflow-wrap:anywhere] ${unread ? 'font-semibold' : ''}`}>
          {unread && <span className="sr-only">{t('Unread')} </span>}
          {title}
        </p>
        <p className="text-sm text-soft">{more}</p>
        {entry.open && (
          <p className="text-sm text-ochre inline-flex items-center gap-1">
            <Hourglass size={14} aria-hidden /> {t('Waits for your decision')}
          </p>
        )}
      </div>
      <div className="flex items-center gap-2 shrink-0 w-full sm:w-auto">
        <time
          dateTime={new Date(entry.at).toISOString()}
          title={momentOf(entry.at)}
          className="text-sm text-soft w-20 tabular-nums sm:text-right"
        >
          {whenOf(entry.at)}
        </time>
        <Link
          to={to}
          onClick={() => unread && setRead(true)}
          className="inline-flex items-center min-h-11 px-3 w-36 rounded-md font-semibold text-petrol hover:bg-wash"
          aria-label={`${act}: ${title}`}
        >
          {act}
        </Link>
        <button
          type="button"
          disabled={mark.isPending}
          onClick={() => setRead(unread)}
          className="min-h-11 px-2 text-sm text-soft hover:text-ink underline underline-offset-3 w-32 text-left"
          aria-label={unread ? t('Mark as read: {{title}}', { title }) : t('Mark as unread: {{title}}', { title })}
        >
          {unread ? t('Mark as read') : t('Mark as unread')}
        </button>
      </div>
    </li>
  )
}
