import type { Me } from '@jackdaw/contracts/people'
import { darkened } from '@jackdaw/core/annotations'
import { PLAIN_LOOK } from '@jackdaw/core/guides'
import { CalendarCheck, ChartNoAxesCombined, ClipboardList, LibraryBig, ListTodo, UsersRound } from 'lucide-react'
import { useEffect, useLayoutEffect, useState, type ReactNode } from 'react'
import { useKeys } from '../ui/keys/useKeys'
import { useTexts } from '../ui/words/texts'
import { Toasts } from '../ui/toast/Toasts'
import { Link, Navigate, NavLink, Outlet, useLocation, useMatch, useNavigate } from 'react-router'
import { useCompanyLook } from '../annotations/useLook'
import { forgetKept, queryClient } from '../api'
import { leaveNoEvents, outboxState, startOutbox } from '../events'
import { InboxMark } from '../inbox'
import { LanguageField, leave, meQuery, setMyLanguage, speakFromNow, useMe } from '../people'
import { FindPlace } from './FindPlace'
import { CHOOSE_OWN } from './pages'
import { loadingPages } from './loadingPages'
import { useOnline } from './useOnline'

/** `also`: other addresses under which its pages stand. */
type Area = { to: string; name: string; Icon: typeof LibraryBig; end?: boolean; also?: readonly string[] }

/** Whoever leads has plans, with tasks and quizzes beside them; who only writes has those. */
function planAreas(me: Me, t: (words: string) => string): Area[] {
  if (me.permissions.includes('guides.all'))
    return [{ to: '/plans', name: t('Plans'), Icon: ListTodo, also: ['/tasks', '/quizzes', '/banks'] }]
  return me.permissions.includes('guides.write') ? [{ to: '/quizzes', name: t('Quizzes'), Icon: ListTodo, also: ['/tasks', '/banks'] }] : []
}

function areasFor(me: Me, t: (words: string) => string): Area[] {
  const records = me.permissions.includes('records.all') || me.hasReports
  return [
    { to: '/', name: t('Today'), Icon: CalendarCheck, end: true },
    { to: '/library', name: t('Library'), Icon: LibraryBig },
    { to: '/people', name: t('People'), Icon: UsersRound },
    ...planAreas(me, t),
    records
      ? { to: '/records', name: t('Records'), Icon: ClipboardList }
      : { to: `/records/people/${me.id}`, name: t('My records'), Icon: ClipboardList },
    ...engagementArea(me, records, t),
  ]
}

/** Whoever sees records sees how everything is used; who only writes, how others use that. */
function engagementArea(me: Me, records: boolean, t: (words: string) => string): Area[] {
  if (!records && !me.permissions.includes('guides.write')) return []
  return [{ to: records ? '/engagement' : '/engagement/own', name: t('Engagement'), Icon: ChartNoAxesCombined }]
}

/** Lets only those in who are signed in, and brings the others back to where they wanted to go. */
export function SignedIn() {
  const [asked, setAsked] = useState<{ me: Me | null } | { error: unknown } | null>(() => {
    // Whoever has just signed in, or whose name came along with the page, is known already.
    const me = queryClient.getQueryData<Me | null>(meQuery.queryKey)
    return me === undefined ? null : { me }
  })
  const { pathname, search } = useLocation()
  useEffect(() => {
    queryClient.fetchQuery(meQuery).then(
      (me) => setAsked((before) => (before && 'me' in before && before.me === me ? before : { me })),
      // Whoever was here before can go on with what was kept.
      (error: unknown) => setAsked((before) => before ?? { error }),
    )
  }, [])
  if (asked === null) return null
  if ('error' in asked) throw asked.error
  if (asked.me?.passwordToChoose) return <CHOOSE_OWN.Component />
  if (asked.me) return <ForMe me={asked.me} />
  const to = pathname + search
  return <Navigate to={to === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(to)}`} replace />
}
/** What every page below the sign-in needs, whatever stands around it. */
function ForMe({ me }: { me: Me }) {
  // Before the effects of the pages below: they may record at once.
  useLayoutEffect(() => startOutbox(me.id), [me.id])
  useEffect(() => void speakFromNow(me.language), [me.language])
  useSignedOut()
  useCompanyColour()
  return <Outlet context={me} />
}

/** So many areas have room at the bottom of a phone; the others stand in the person's menu. */
const MOST_AT_BOTTOM = 5

/** The frame around most pages: masthead, areas, find, person; on a phone the areas stand at the bottom. */
export function Shell() {
  const me = useMe()
  const { t } = useTexts()
  const areas = areasFor(me, t)
  const navigate = useNavigate()
  const { pathname } = useLocation()
  useKeys({ keys: () => void navigate('/keys') })
  // Who reads on a phone has the next step at the bottom; the areas are behind the logo.
  const reads = useMatch('/guides/:id') !== null
  return (
    <div className="min-h-dvh flex flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-sheet focus:p-3">
        {t('Skip to the content')}
      </a>
      <header className="h-14 bg-sheet border-b border-hair flex items-center gap-2 md:gap-6 px-4 md:px-6 sticky top-0 z-30">
        <Link to="/" className="flex items-center gap-2 shrink-0" aria-label={t('Jackdaw, to Today')}>
          <img src="/jackdaw.svg" alt="" width={28} height={28} />
          <span className="font-serif text-lg font-semibold hidden sm:inline">Jackdaw</span>
        </Link>
        <nav aria-label={t('Areas')} className="hidden md:flex items-stretch h-full gap-1">
          {areas.map((area) => (
            <NavLink
              key={area.to}
              to={area.to}
              end={area.end ?? false}
              className={({ isActive }) =>
                `inline-flex items-center px-3 border-b-3 pt-[3px] ${isActive || area.also?.some((also) => pathname.startsWith(also)) ? 'border-petrol font-semibold text-ink' : 'border-transparent text-soft hover:text-ink'}`
              }
            >
              {area.name}
            </NavLink>
          ))}
        </nav>
        <FindPlace />
        <InboxMark />
        <Person me={me} more={areas.slice(MOST_AT_BOTTOM)} />
      </header>
      <Connection />
      <main id="main" tabIndex={-1} className={`grow flex flex-col md:pb-0 outline-none ${reads ? '' : 'pb-16'}`}>
        <Outlet context={me} />
      </main>
      <Toasts />
      {!reads && (
        <nav
          aria-label={t('Areas')}
          className="md:hidden grid fixed bottom-0 inset-x-0 h-14 bg-sheet border-t border-hair grid-flow-col auto-cols-fr z-20"
          data-bottom-bar
        >
          {areas.slice(0, MOST_AT_BOTTOM).map(({ to, name, Icon, end }) => (
            <NavLink
              key={to}
              to={to}
              end={end ?? false}
              className={({ isActive }) =>
                `flex flex-col items-center justify-center text-xs gap-0.5 border-t-3 ${isActive ? 'border-petrol text-petrol font-semibold' : 'border-transparent text-soft'}`
              }
            >
              <Icon size={20} aria-hidden />
              {name}
            </NavLink>
          ))}
        </nav>
      )}
    </div>
  )
}

/** The company's own colour takes the place of petrol, dark enough for words and buttons. */
function useCompanyColour(): void {
  const colour = useCompanyLook().data?.colour
  useEffect(() => {
    const { style } = document.documentElement
    if (!colour || colour === PLAIN_LOOK.colour) {
      style.removeProperty('--color-petrol')
      style.removeProperty('--color-petrol-dark')
      return
    }
    style.setProperty('--color-petrol', darkened(colour, 4.5))
    style.setProperty('--color-petrol-dark', darkened(colour, 8))
  }, [colour])
}

/** When the server says that the session is over, goes to sign in and comes back. Pages that keep unsaved work say so themselves. */
function useSignedOut(): void {
  const navigate = useNavigate()
  const { pathname, search } = useLocation()
  useEffect(() => {
    const out = () => {
      if (pathname.endsWith('/edit')) return
      forgetKept()
      queryClient.clear()
      void navigate(`/sign-in?to=${encodeURIComponent(pathname + search)}`)
    }
    window.addEventListener('jackdaw:signed-out', out)
    return () => window.removeEventListener('jackdaw:signed-out', out)
  }, [navigate, pathname, search])
}

/** A page in the menu of the person, which closes when somebody goes there. */
const MenuLink = ({ to, children }: { to: string; children: ReactNode }) => (
  <Link to={to} className="block py-2 text-petrol" onClick={() => document.getElementById('person-menu')?.hidePopover()}>
    {children}
  </Link>
)

/** The person's own menu. It uses the browser's own pop-up, so that no page has to load one. @param more areas that have no room at the bottom of a phone */
function Person({ me, more }: { me: Me; more: readonly Area[] }) {
  const { t } = useTexts()
  const [waiting, setWaiting] = useState(0)
  const initials = me.name
    .split(' ')
    .map((part) => part[0])
    .slice(0, 2)
    .join('')
  const signOut = async () => {
    const kept = await leaveNoEvents()
    setWaiting(kept)
    if (kept > 0) return
    await leave()
    // A new page, so that nothing of this person stays in memory.
    location.assign('/sign-in')
  }
  return (
    <>
      <button
        type="button"
        popoverTarget="person-menu"
        className="size-9 shrink-0 rounded-full bg-ink text-white text-sm font-semibold"
        aria-label={t('{{initials}}, {{name}}: account', { initials, name: me.name })}
      >
        {initials}
      </button>
      <div id="person-menu" popover="auto" className="fixed inset-auto right-4 top-14 m-0 bg-sheet border border-edge p-3 w-64">
        <p className="font-semibold">{me.name}</p>
        <p className="text-sm text-soft mb-2">{me.company}</p>
        <div className="md:hidden">
          {more.map(({ to, name }) => (
            <MenuLink key={to} to={to}>
              {name}
            </MenuLink>
          ))}
        </div>
        <MenuLink to={`/people/${me.id}`}>{t('My page')}</MenuLink>
        <MenuLink to="/account">{t('Password and sessions')}</MenuLink>
        <MenuLink to={`/records/people/${me.id}`}>{t('My records')}</MenuLink>
        <MenuLink to="/exports">{t('My files')}</MenuLink>
        {me.permissions.includes('guides.write') && <MenuLink to="/recorder">{t('Recorder')}</MenuLink>}
        {me.permissions.includes('guides.all') && <MenuLink to="/look">{t('Look of the guides')}</MenuLink>}
        {me.permissions.some((each) => each === 'guides.all' || each === 'company.settings') && (
          <MenuLink to="/reminders">{t('Reminders')}</MenuLink>
        )}
        {me.permissions.includes('company.settings') && <MenuLink to="/applications">{t('Applications')}</MenuLink>}
        {me.permissions.includes('company.settings') && <MenuLink to="/guests">{t('Guests')}</MenuLink>}
        {me.permissions.includes('company.settings') && <MenuLink to="/background">{t('Background work')}</MenuLink>}
        <MenuLink to="/keys">
          {t('Keys')} <kbd className="text-soft">?</kbd>
        </MenuLink>
        <LanguagePart me={me} />
        {waiting > 0 && <p className="text-sm text-ochre py-1">{t('Your reading is not with the server yet. Connect, then sign out.')}</p>}
        <button type="button" className="block w-full text-left py-2 text-petrol" onClick={() => void signOut()}>
          {t('Sign out')}
        </button>
      </div>
    </>
  )
}

/** The language of the person: spoken at once, and kept where it can be. */
function LanguagePart({ me }: { me: Me }) {
  const { t } = useTexts()
  const [language, setLanguage] = useState(me.language)
  const [failed, setFailed] = useState(false)
  return (
    <div className="py-1">
      <LanguageField
        language={language}
        onChange={(next) => {
          setLanguage(next)
          setFailed(false)
          setMyLanguage(next).catch(() => {
            setLanguage(me.language)
            setFailed(true)
          })
        }}
      />
      {failed && <p className="text-sm text-ochre">{t('The language could not be changed: the server cannot be reached.')}</p>}
    </div>
  )
}

/** A line under the masthead while the connection is lost, or while a page is on its way. */
function Connection(): ReactNode {
  const { t } = useTexts()
  const online = useOnline()
  const loading = loadingPages.use()
  const { waiting } = outboxState.use()
  if (!online)
    return (
      <p role="status" className="bg-ochre text-white px-6 py-1.5 text-sm">
        {t('No connection. You can go on reading and writing; what you do is kept on this device and sent later.')}
      </p>
    )
  if (waiting > 40)
    return (
      <p role="status" className="bg-page border-b border-hair px-6 py-1 text-sm">
        {t('Sending what was kept on this device …')}
      </p>
    )
  return loading ? (
    <div className="h-0.5 bg-petrol/60 animate-pulse sticky top-14 z-30" role="progressbar" aria-label={t('Opening the page')} />
  ) : null
}
