import { SignIn } from '@jackdaw/contracts/signIn'
import { useState } from 'react'
import { spoken, useTexts } from '../../ui/words/texts'
import { useNavigate, useSearchParams } from 'react-router'
import { Button, Failed, TextField, TextLink } from '../../ui'
import { useFormOf } from '../../ui/fields/useFormOf'
import { speakFromNow } from '../language'
import { LanguageField } from '../LanguageField'
import { enter } from '../session'

/** Only addresses on this site are gone to after signing in. */
const safeTarget = (to: string | null): string => (to?.startsWith('/') && !to.startsWith('//') && !to.startsWith('/\\') ? to : '/')

export function SignInPage() {
  const { t } = useTexts()
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const [failure, setFailure] = useState<unknown>(null)
  const [language, setLanguage] = useState(spoken)
  const { register, handleSubmit, formState, resetField, setFocus, faultOf } = useFormOf(SignIn, { account: '', password: '' })

  const submit = handleSubmit(async (credentials) => {
    setFailure(null)
    try {
      await enter(credentials)
      await navigate(safeTarget(search.get('to')), { replace: true })
    } catch (error) {
      setFailure(error)
      resetField('password')
      setFocus('password')
    }
  })
  return (
    <main className="min-h-dvh grid lg:grid-cols-[minmax(420px,1fr)_1.2fr]">
      <title>{t('Sign in – Jackdaw')}</title>
      <div className="bg-sheet flex flex-col justify-center px-6 sm:px-16 py-10">
        <div className="w-full max-w-96 mx-auto">
          <p className="flex items-center gap-2 mb-10">
            <img src="/jackdaw.svg" alt="" width={36} height={36} />
            <span className="font-serif text-xl font-semibold">Jackdaw</span>
          </p>
          <h1 className="font-serif text-2xl mb-6">{t('Sign in')}</h1>
          <form onSubmit={(event) => void submit(event)} noValidate className="space-y-4">
            <TextField
              label={t('Mail address or personnel number')}
              autoComplete="username"
              autoFocus
              {...register('account')}
              error={faultOf('account')}
            />
            <TextField
              label={t('Password')}
              type="password"
              autoComplete="current-password"
              {...register('password')}
              error={faultOf('password')}
            />
            {failure !== null && <Failed error={failure} />}
            <Button type="submit" look="primary" className="w-full min-h-11" disabled={formState.isSubmitting}>
              {formState.isSubmitting ? t('Signing in …') : t('Sign in')}
            </Button>
            <p>
              <TextLink to="/forgotten">{t('Password forgotten?')}</TextLink>
            </p>
          </form>
          <div className="mt-10 w-44">
            <LanguageField
              language={language}
              onChange={(next) => {
                setLanguage(next)
                speakFromNow(next)
              }}
            />
          </div>
        </div>
      </div>
      <RulerPicture />
    </main>
  )
}

/** The step ruler as a picture: what the whole of Jackdaw is about. */
function RulerPicture() {
  const { t } = useTexts()
  const lines = [
    t('Written once.'),
    t('Given to the right people.'),
    t('Read step by step.'),
    t('Confirmed.'),
    t('Counted.'),
    t('On record.'),
  ]
  return (
    <div className="hidden lg:flex items-center bg-ink text-white px-20" aria-hidden>
      <ol className="border-l-2 border-white/80">
        {lines.map((line, index) => (
          <li key={line} className="flex items-center gap-5 h-20">
            <span
              className={index === 2 ? 'h-1.5 w-12 bg-kingfisher' : index % 5 === 0 ? 'h-0.5 w-12 bg-white/80' : 'h-0.5 w-6 bg-white/60'}
            />
            <span className={`font-serif ${index === 2 ? 'text-2xl' : 'text-xl text-white/80'}`}>{line}</span>
          </li>
        ))}
      </ol>
    </div>
  )
}
