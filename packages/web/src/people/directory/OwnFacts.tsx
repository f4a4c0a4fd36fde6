import type { PersonShown } from '@jackdaw/contracts/directory'
import { useRef, useState } from 'react'
import { Button, Failed, showToast, TextField } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useChangeMyFacts, useMyFace } from './queries'

/** What everybody says of themselves: their picture and their telephone number. */
export function OwnFacts({ person }: { person: PersonShown }) {
  const { t } = useTexts()
  const file = useRef<HTMLInputElement>(null)
  const [telephone, setTelephone] = useState(person.telephone ?? '')
  const face = useMyFace()
  const facts = useChangeMyFacts()
  const setFace = (picked: File | null) =>
    face.mutate(picked, { onSuccess: () => showToast(picked ? t('Your picture is set') : t('Your picture is gone')) })
  return (
    <div className="pt-2 space-y-2">
      <div className="flex flex-wrap gap-2">
        <input
          ref={file}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          className="sr-only"
          aria-label={t('Choose a picture of you')}
          tabIndex={-1}
          onChange={(event) => {
            const [picked] = event.target.files ?? []
            event.target.value = ''
            if (picked) setFace(picked)
          }}
        />
        <Button disabled={face.isPending} onClick={() => file.current?.click()}>
          {face.isPending ? t('Storing …') : person.face ? t('Another picture') : t('Set a picture of you')}
        </Button>
        {person.face && (
          <Button look="quiet" disabled={face.isPending} onClick={() => setFace(null)}>
            {t('Take the picture out')}
          </Button>
        )}
      </div>
      {face.isError && <Failed error={face.error} />}
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          facts.mutate({ telephone: telephone.trim() }, { onSuccess: () => showToast(t('Your telephone number is saved')) })
        }}
      >
        <TextField
          label={t('Your telephone number')}
          type="tel"
          autoComplete="tel"
          maxLength={60}
          value={telephone}
          onChange={(event) => setTelephone(event.target.value)}
        />
        <Button type="submit" className="min-h-10" disabled={facts.isPending || telephone.trim() === (person.telephone ?? '')}>
          {t('Save')}
        </Button>
      </form>
      {facts.isError && <Failed error={facts.error} />}
    </div>
  )
}
