import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { FoundAgain, getToday, TodayItem } from '@jackdaw/contracts/reading'
import { itemKey, pathOfItem } from '@jackdaw/core/items'
import type { ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
import { Hourglass } from 'lucide-react'
import { Link } from 'react-router'
import { partsSeenOf } from '../items'
import { ButtonLink, dayOf, Loaded, momentOf, StateMark, whenOf, TextLink } from '../ui'
import { useToday } from './queries'

type Today = ResponseOf<typeof getToday>

/** What one has been given to do: the day and how much it is, then what is due, in order.
 * @param before what else waits, between the count and the list */
export function TodayList({ before }: { before: ReactNode }) {
  return <Loaded query={useToday()}>{(today) => <TodayShown {...today} before={before} />}</Loaded>
}

/** A Today as somebody finds it. */
export function TodayShown({
  today,
  waiting: given,
  done,
  atHand,
  favourites,
  usedLast,
  fresh,
  toConfirm,
  toJudge,
  before,
}: Today & { before?: ReactNode }) {
  const { t } = useTexts()
  const waiting = given.filter(({ state }) => state !== 'waiting')
  const handedIn = given.filter(({ state }) => state === 'waiting')
  return (
    <>
      <header className="mb-6" data-today>
        <p className="text-soft">{dayOf(today)}</p>
        <h1 className="font-serif text-2xl">{waiting.length === 0 ? t('Nothing waits to be done') : <Summary items={waiting} />}</h1>
      </header>
      {toConfirm > 0 && (
        <Asked to="/to-confirm">{t('{{count}} people wait for you to confirm what they have done', { count: toConfirm })}</Asked>
      )}
      {toJudge > 0 && <Asked to="/to-judge">{t('{{count}} attempts at quizzes wait for your judgement', { count: toJudge })}</Asked>}
      {before}
      {waiting.length > 0 && (
        <section aria-labelledby="to-do" className="mb-10">
          <h2 id="to-do" className="text-lg mb-1">
            {t('To do')}
          </h2>
          <ul className="bg-sheet border-t-2 border-ink">
            {waiting.map((item, index) => (
              <WaitingRow key={itemKey(item.item)} item={item} first={index === 0} />
            ))}
          </ul>
        </section>
      )}
      {handedIn.length > 0 && <HandedIn items={handedIn} />}
      {atHand.length > 0 && <AtHand items={atHand} />}
      {given.length === 0 && done.length === 0 && atHand.length === 0 && (
        <p className="bg-sheet border-t-2 border-ink p-5">
          {t('What somebody gives you to read and to do stands here, what is due first on top. Until then, look around in the library.')}{' '}
          <TextLink to="/library">{t('Open the library')}</TextLink>
        </p>
      )}
      <div className="grid sm:grid-cols-2 gap-x-8 gap-y-8 mb-10 empty:hidden">
        <Found title={t('Favourites')} items={favourites} withoutDay />
        <Found title={t('New for you')} items={fresh} />
        <Found title={t('Used last')} items={usedLast} />
      </div>
      {done.length > 0 && <Done items={done} />}
    </>
  )
}

function Summary({ items }: { items: TodayItem[] }) {
  const { t } = useTexts()
  const late = items.filter((item) => item.state === 'late').length
  const minutes = items.reduce(
    (sum, item) => sum + Math.max(1, Math.round(item.minutes * (1 - Math.min(item.seen, item.parts) / Math.max(1, item.parts)))),
    0,
  )
  return (
    <>
      {t('{{count}} things to do, about {{minutes}} min', { count: items.length, minutes })}
      {late > 0 && (
        <span className="block text-lg text-brick font-sans font-semibold">▲ {t('{{count}} of them late', { count: late })}</span>
      )}
    </>
  )
}

function WaitingRow({ item, first }: { item: TodayItem; first: boolean }) {
  const { t } = useTexts()
  const begun = item.seen > 0 || (item.parts === 0 && item.state === 'in-progress')
  return (
    <li className="border-b border-hair px-4 py-3.5 flex flex-wrap items-center gap-x-5 gap-y-2">
      <div className="grow basis-72 min-w-0">
        <Link to={pathOfItem(item.item)} className="font-serif text-lg leading-6 hover:underline">
          {item.title}
        </Link>
        <div className="flex flex-wrap items-center gap-x-4 text-sm text-soft mt-0.5">
          <StateMark state={item.state} dueOn={item.dueOn} daysLeft={item.daysLeft} />
          {item.dueOn && item.state !== 'due-soon' && <span>{t('due {{day}}', { day: dayOf(item.dueOn) })}</span>}
          <span>{t('{{minutes}} min', { minutes: item.minutes })}</span>
          {item.finishedAt !== null && <span>{t('new edition {{n}}, to be done again', { n: item.edition })}</span>}
        </div>
      </div>
      <div className="flex items-center gap-4 grow sm:grow-0">
        <Ticks item={item} />
        <ButtonLink
          to={pathOfItem(item.item)}
          look={first ? 'primary' : 'plain'}
          className="min-h-11 min-w-24"
          aria-label={begun ? t('Go on with {{title}}', { title: item.title }) : t('Begin {{title}}', { title: item.title })}
        >
          {begun ? t('Go on') : t('Begin')}
        </ButtonLink>
      </div>
    </li>
  )
}

/** Progress as a row of ticks, the ruler laid flat. */
function Ticks({ item: { item, seen, parts } }: { item: TodayItem }) {
  const { t } = useTexts()
  const words = partsSeenOf(t, item, seen, parts)
  if (words === null) return null
  return (
    <div className="w-36 grow sm:grow-0">
      <div className="flex items-end gap-[3px] h-4 border-b-2 border-ink" aria-hidden>
        {Array.from({ length: Math.min(parts, 30) }, (_, index) => {
          const read = index < Math.round((Math.min(seen, parts) / parts) * Math.min(parts, 30))
          return <span key={index} className={`flex-1 ${read ? 'h-3.5 bg-moss' : 'h-2 bg-edge'}`} />
        })}
      </div>
      <p className="text-xs text-soft mt-0.5">{words}</p>
    </div>
  )
}

/** What was handed in, and somebody else has to judge. */
function HandedIn({ items }: { items: TodayItem[] }) {
  const { t } = useTexts()
  return (
    <section aria-labelledby="handed-in" className="mb-10">
      <h2 id="handed-in" className="text-lg mb-1">
        {t('Handed in')}
      </h2>
      <ul className="border-t border-hair">
        {items.map((item) => (
          <li key={itemKey(item.item)} className="flex flex-wrap gap-x-4 py-2 border-b border-hair items-center min-h-11">
            <StateMark state="waiting" />
            <Link to={pathOfItem(item.item)} className="grow basis-52 hover:underline">
              {item.title}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What is given to be looked up, and what was begun and need not be done any more. */
function AtHand({ items }: { items: TodayItem[] }) {
  const { t } = useTexts()
  return (
    <section aria-labelledby="at-hand" className="mb-10">
      <h2 id="at-hand" className="text-lg mb-1">
        {t('At hand')}
      </h2>
      <ul className="border-t border-hair">
        {items.map((item) => (
          <li key={itemKey(item.item)} className="flex flex-wrap gap-x-4 py-2 border-b border-hair items-center min-h-11">
            <Link to={pathOfItem(item.item)} className="grow basis-52 hover:underline">
              {item.title}
            </Link>
            <span className="text-sm text-soft">{item.use === 'optional' ? t('begun, optional now') : t('to look up')}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What somebody finds again. */
function Found({ title, items, withoutDay = false }: { title: string; items: readonly FoundAgain[]; withoutDay?: boolean }) {
  const { t } = useTexts()
  if (items.length === 0) return null
  return (
    <section aria-label={title}>
      <h2 className="text-lg mb-1">{title}</h2>
      <ul className="border-t border-hair">
        {items.map(({ item, title: name, minutes, at }) => (
          <li key={itemKey(item)} className="flex gap-x-4 py-2 border-b border-hair items-center min-h-11">
            <Link to={pathOfItem(item)} className="grow min-w-0 hover:underline">
              {name}
            </Link>
            <span className="text-sm text-soft whitespace-nowrap" {...(withoutDay ? {} : { title: momentOf(at) })}>
              {t('{{minutes}} min', { minutes })}
              {!withoutDay && ` · ${whenOf(at)}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function Done({ items }: { items: TodayItem[] }) {
  const { t } = useTexts()
  return (
    <section aria-labelledby="done">
      <h2 id="done" className="text-lg mb-1">
        {t('Done')}
      </h2>
      <ul className="border-t border-hair">
        {items.map((item) => (
          <li key={itemKey(item.item)} className="flex flex-wrap gap-x-4 py-2 border-b border-hair items-center">
            <StateMark state="done" />
            <Link to={pathOfItem(item.item)} className="grow basis-52 hover:underline">
              {item.title}
            </Link>
            <span className="text-sm text-soft">{item.finishedAt !== null && whenOf(item.finishedAt)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** What others wait for. */
function Asked({ to, children }: { to: string; children: ReactNode }) {
  return (
    <p className="bg-sheet border-t-2 border-ink border-b border-b-hair mb-8">
      <Link to={to} className="flex items-center gap-1.5 px-4 py-2.5 min-h-11 hover:bg-wash text-petrol font-semibold">
        <Hourglass size={16} strokeWidth={2.2} aria-hidden />
        {children}
      </Link>
    </p>
  )
}
