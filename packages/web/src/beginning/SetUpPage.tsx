import { SetUp, type CompanySize } from '@jackdaw/contracts/beginning'
import { PLAIN_LOOK } from '@jackdaw/core/guides'
import { LINES_OF_WORK, type LineOfWorkId } from '@jackdaw/core/people'
import { useState, type FormEvent } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { LogoField } from '../guides/look/LogoField'
import { Sheet } from '../people/account/Sheet'
import { ZoneField } from '../people/groups/AddGroup'
import { enter } from '../people/session'
import { Button, ButtonLink, chosen, Failed, Loaded, Message, Select, TextField } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useSetUp, useSetUpLink } from './queries'

/** Where the link leads that an empty Jackdaw prints: the company, its first site, and whoever begins it. */
export function SetUpPage() {
  const { t } = useTexts()
  const token = useLocation().hash.slice(1)
  const link = useSetUpLink(token)
  return (
    <Sheet title={t('Set your company up')}>
      {token === '' ? (
        <Message tone="warn" title={t('The link is not whole. Copy all of it from where the server printed it.')} />
      ) : link.isError ? (
        <>
          <Failed error={link.error} />
          <ButtonLink to="/sign-in">{t('Sign in')}</ButtonLink>
        </>
      ) : (
        <Loaded query={link}>{() => <SetUpForm token={token} />}</Loaded>
      )}
    </Sheet>
  )
}

const begun = (token: string): SetUp => ({
  token,
  company: { name: '', lineOfWork: null, size: '21-100' },
  look: { logo: '', colour: PLAIN_LOOK.colour },
  site: { name: '', zone: Intl.DateTimeFormat().resolvedOptions().timeZone },
  admin: { name: '', mail: '', password: '' },
})

function SetUpForm({ token }: { token: string }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const [said, setSaid] = useState(() => begun(token))
  const [faults, setFaults] = useState<ReadonlyMap<string, string>>(new Map())
  const setUp = useSetUp()
  const part = <K extends 'company' | 'look' | 'site' | 'admin'>(of: K, more: Partial<SetUp[K]>) =>
    setSaid((now) => ({ ...now, [of]: { ...now[of], ...more } }))
  const wrong = (path: string) => (faults.has(path) ? t(faults.get(path)!) : undefined)
  const send = (event: FormEvent) => {
    event.preventDefault()
    const read = SetUp.safeParse(said)
    setFaults(new Map((read.error?.issues ?? []).map((issue) => [issue.path.join('.'), issue.message])))
    if (!read.success) return
    setUp.mutate(read.data, {
      onSuccess: async () => {
        await enter({ account: read.data.admin.mail, password: read.data.admin.password })
        await navigate('/first-steps', { replace: true })
      },
    })
  }
  return (
    <form className="space-y-8" noValidate onSubmit={send}>
      <CompanyPart {...{ said, part, wrong }} />
      <SitePart {...{ said, part, wrong }} />
      <AdminPart {...{ said, part, wrong }} />
      {faults.size > 0 && <Message tone="bad" role="alert" title={t('Something is missing: it is said at each field above.')} />}
      {setUp.isError && <Failed error={setUp.error} />}
      <Button type="submit" look="primary" className="w-full min-h-11" disabled={setUp.isPending}>
        {setUp.isPending ? t('One moment …') : t('Begin')}
      </Button>
    </form>
  )
}

type PartProps = {
  said: SetUp
  part: <K extends 'company' | 'look' | 'site' | 'admin'>(of: K, more: Partial<SetUp[K]>) => void
  wrong: (path: string) => string | undefined
}

function CompanyPart({ said: { company, look }, part, wrong }: PartProps) {
  const { t } = useTexts()
  const sizes: Record<CompanySize, string> = {
    '1-20': t('up to 20 people'),
    '21-100': t('21 to 100 people'),
    '101-500': t('101 to 500 people'),
    more: t('more than 500 people'),
  }
  return (
    <fieldset className="space-y-4">
      <legend className="font-serif text-xl mb-2">{t('Your company')}</legend>
      <TextField
        label={t('Name of the company')}
        value={company.name}
        error={wrong('company.name')}
        autoComplete="organization"
        onChange={({ target }) => part('company', { name: target.value })}
      />
      <div className="grid sm:grid-cols-2 gap-4">
        <Select
          label={t('Line of work')}
          hint={t('Roles and duties are suggested by it.')}
          value={company.lineOfWork ?? ''}
          onChange={({ target }) => part('company', { lineOfWork: (target.value || null) as LineOfWorkId | null })}
        >
          <option value="">{t('Another one')}</option>
          {LINES_OF_WORK.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
        <Select label={t('Size')} value={company.size} onChange={chosen((size: CompanySize) => part('company', { size }))}>
          {Object.entries(sizes).map(([size, words]) => (
            <option key={size} value={size}>
              {words}
            </option>
          ))}
        </Select>
      </div>
      <div className="flex flex-wrap gap-6 items-end">
        <LogoField logo={look.logo} onLogo={(logo) => part('look', { logo })} />
        <label className="text-sm font-semibold flex flex-col gap-1">
          {t('Company colour')}
          <input
            type="color"
            className="h-9 w-16 border border-edge bg-sheet"
            value={look.colour}
            onChange={({ target }) => part('look', { colour: target.value.toLowerCase() })}
          />
        </label>
      </div>
    </fieldset>
  )
}

function SitePart({ said: { site }, part, wrong }: PartProps) {
  const { t } = useTexts()
  return (
    <fieldset className="space-y-4">
      <legend className="font-serif text-xl mb-2">{t('Your first site')}</legend>
      <div className="grid sm:grid-cols-2 gap-4">
        <TextField
          label={t('Name of the site')}
          hint={t('Where people work: a building, a place.')}
          value={site.name}
          error={wrong('site.name')}
          onChange={({ target }) => part('site', { name: target.value })}
        />
        <ZoneField zone={site.zone ?? ''} onChange={(zone) => part('site', { zone })} />
      </div>
    </fieldset>
  )
}

function AdminPart({ said: { admin }, part, wrong }: PartProps) {
  const { t } = useTexts()
  return (
    <fieldset className="space-y-4">
      <legend className="font-serif text-xl mb-2">{t('You')}</legend>
      <p className="text-soft">{t('You become the first admin: you may do everything, and bring others in.')}</p>
      <TextField
        label={t('Your name')}
        autoComplete="name"
        value={admin.name}
        error={wrong('admin.name')}
        onChange={({ target }) => part('admin', { name: target.value })}
      />
      <TextField
        label={t('Your mail address')}
        type="email"
        autoComplete="username"
        value={admin.mail}
        error={wrong('admin.mail')}
        onChange={({ target }) => part('admin', { mail: target.value })}
      />
      <TextField
        label={t('Password')}
        type="password"
        autoComplete="new-password"
        hint={t('At least 10 characters. Several words in a row are easy to keep in mind.')}
        value={admin.password}
        error={wrong('admin.password')}
        onChange={({ target }) => part('admin', { password: target.value })}
      />
    </fieldset>
  )
}
