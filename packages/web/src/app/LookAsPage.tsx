import type { PersonId } from '@jackdaw/core/shared'
import { Monitor, Smartphone } from 'lucide-react'
import { useState, type MouseEvent } from 'react'
import { TodayOf } from '../assignments/TodayOf'
import { LibraryOf } from '../library/LibraryOf'
import { usePerson } from '../people/directory/queries'
import { CheckInsOf, PlansOf } from '../plans'
import { Button, Loaded, showToast, TitleLine } from '../ui'
import { SmallWindow } from '../ui/over/SmallWindow'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'

const PHONE_PX = 390

/** Today and the library as somebody else finds them, on a wide window or a phone. Nothing is noted by looking. */
export function LookAsPage() {
  const { id } = useIds<{ id: PersonId }>()
  return <Loaded query={usePerson(id)}>{(person) => <LookAs key={person.id} person={person} />}</Loaded>
}

function LookAs({ person }: { person: { id: PersonId; name: string } }) {
  const { t } = useTexts()
  const [what, setWhat] = useState<'today' | 'library'>('today')
  const [phone, setPhone] = useState(false)
  const { id, name } = person
  const stay = (event: MouseEvent) => {
    if (!(event.target as Element).closest('a')) return
    event.preventDefault()
    event.stopPropagation()
    showToast(t('You are only looking: links do not lead on here.'))
  }
  return (
    <>
      <title>{t('As {{name}} finds it – Jackdaw', { name })}</title>
      <TitleLine
        where={{ to: `/people/${id}`, name }}
        title={t('As {{name}} finds it', { name })}
        state={t('Nothing is noted by looking.')}
      >
        <div role="group" aria-label={t('What you look at')} className="flex gap-1">
          <Button aria-pressed={what === 'today'} look={what === 'today' ? 'primary' : 'plain'} onClick={() => setWhat('today')}>
            {t('Today')}
          </Button>
          <Button aria-pressed={what === 'library'} look={what === 'library' ? 'primary' : 'plain'} onClick={() => setWhat('library')}>
            {t('Library')}
          </Button>
        </div>
        <Button aria-pressed={phone} onClick={() => setPhone(!phone)}>
          {phone ? <Monitor size={16} aria-hidden /> : <Smartphone size={16} aria-hidden />}
          {phone ? t('Wide window') : t('Width of a phone')}
        </Button>
      </TitleLine>
      <div className="bg-wash grow p-4">
        <SmallWindow title={t('As {{name}} finds it', { name })} widthPx={phone ? PHONE_PX : null}>
          <div onClickCapture={stay}>
            {what === 'today' ? (
              <TodayOf
                personId={id}
                before={
                  <>
                    <CheckInsOf personId={id} />
                    <PlansOf personId={id} />
                  </>
                }
              />
            ) : (
              <LibraryOf personId={id} />
            )}
          </div>
        </SmallWindow>
      </div>
    </>
  )
}
