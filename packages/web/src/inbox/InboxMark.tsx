import { Inbox } from 'lucide-react'
import { Link } from 'react-router'
import { useTexts } from '../ui/words/texts'
import { useInboxCounts } from './useInboxCounts'

const MOST_SHOWN = 99

/** The way to the inbox in the masthead, with how much in it is unread. */
export function InboxMark() {
  const { t } = useTexts()
  const unread = useInboxCounts().data?.unread ?? 0
  return (
    <Link
      to="/inbox"
      aria-label={unread > 0 ? t('Inbox, {{count}} unread', { count: unread }) : t('Inbox')}
      title={t('Inbox')}
      className="relative inline-flex items-center justify-center size-10 shrink-0 rounded-md hover:bg-wash"
    >
      <Inbox size={20} aria-hidden />
      {unread > 0 && (
        <span
          aria-hidden
          className="absolute right-0 top-0.5 min-w-[18px] h-[18px] px-1 bg-petrol text-white text-xs leading-[18px] text-center font-semibold tabular-nums rounded-[3px]"
        >
          {unread > MOST_SHOWN ? `${MOST_SHOWN}+` : unread}
        </span>
      )}
    </Link>
  )
}
