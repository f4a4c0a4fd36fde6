import { GivingSaving } from '@jackdaw/contracts/assignments'
import type { ItemFacts } from '@jackdaw/contracts/items'
import { USUAL_DUE } from '@jackdaw/core/assignments'
import { ticked } from '@jackdaw/core/audiences'
import { itemKey, pathOfItem } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { namedItem } from '../items'
import { FindItems } from '../items/FindItems'
import { Button, Check, Failed, Message, TextLink, Waiting } from '../ui'
import { useTexts } from '../ui/words/texts'
import { ForWhat } from './ForWhat'
import { FormPart } from './FormPart'
import { useGive, useGivingPreview } from './givingQueries'

const NONE: ReadonlySet<string> = new Set()

/** Gives an item to one person: which, for what and by when. @param onDone is given what it is called */
export function GiveItemTo({ person, onDone }: { person: { id: PersonId; name: string }; onDone: (title: string) => void }) {
  const { t } = useTexts()
  const [chosen, setChosen] = useState<ItemFacts | null>(null)
  return chosen ? (
    <Giving key={itemKey(chosen.item)} {...{ person, chosen, onDone }} onOther={() => setChosen(null)} />
  ) : (
    <FindItems label={t('What they get')} without={NONE} nothing={t('Nothing published that you may give fits.')} onChoose={setChosen} />
  )
}

function Giving({
  person,
  chosen,
  onDone,
  onOther,
}: {
  person: { id: PersonId; name: string }
  chosen: ItemFacts
  onDone: (title: string) => void
  onOther: () => void
}) {
  const { t } = useTexts()
  const audience = ticked([], [person.id])
  const [saving, setSaving] = useState<Omit<GivingSaving, 'audience'>>({ use: 'to-do', due: USUAL_DUE, repeatMonths: null })
  const [tell, setTell] = useState(true)
  const give = useGive(chosen.item.id)
  const preview = useGivingPreview(chosen.item.id, audience)
  const now = preview.data?.people[0]?.now
  const ready = GivingSaving.safeParse({ ...saving, audience }).success && !give.isPending && preview.isSuccess
  return (
    <form
      className="space-y-7"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (ready) give.mutate({ ...saving, audience, tell }, { onSuccess: () => onDone(chosen.title) })
      }}
    >
      {give.isError && <Failed error={give.error} />}
      <FormPart title={t('What they get')}>
        <p className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <TextLink to={pathOfItem(chosen.item)}>{chosen.title}</TextLink>
          <span className="text-sm text-soft">
            {namedItem(t, chosen.item, chosen.number)} · {t('{{minutes}} min', { minutes: chosen.minutes })}
          </span>
          <Button onClick={onOther}>{t('Something else')}</Button>
        </p>
        {preview.isError ? <Failed error={preview.error} /> : preview.isPending && <Waiting />}
        {now === 'has' && (
          <Message title={t('{{name}} has it already. What you say here comes besides: the earlier day holds.', { name: person.name })} />
        )}
        {now === 'done' && <Message title={t('{{name}} has done it already, and it stays done.', { name: person.name })} />}
      </FormPart>
      <ForWhat saving={saving} set={(more) => setSaving({ ...saving, ...more })} />
      <FormPart title={t('Telling them')}>
        <Check
          checked={tell}
          onChange={(event) => setTell(event.target.checked)}
          label={t('Tell them if something changes for them')}
          hint={t('In their inbox, and by mail as far as they want that.')}
        />
      </FormPart>
      <Button type="submit" look="primary" className="min-h-10" disabled={!ready}>
        {give.isPending ? t('Giving it …') : t('Give it to {{name}}', { name: person.name })}
      </Button>
    </form>
  )
}
