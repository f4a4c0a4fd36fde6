import { FigureLooking, type FigurePart } from '@jackdaw/contracts/figurePages'
import type { FigurePageId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useMe } from '../../people'
import { Button, chosen, Select, TextField } from '../../ui'
import { FormDialog } from '../../ui/over/FormDialog'
import { useTexts } from '../../ui/words/texts'
import type { Looking } from '../looking'
import { useFigurePages, useSaveFigurePage } from './pageQueries'

/** What of a page of engagement is looked at, as a part keeps it. */
export const keptOf = (looking: Partial<Looking>): FigurePart['looking'] =>
  FigureLooking.parse(Object.fromEntries(Object.entries(looking).filter(([, value]) => value)))

/** Puts what is looked at on a page of one's own. @param name what the part is called unless one says otherwise */
export function PutOnPage({ part, name }: { part: Pick<FigurePart, 'shows' | 'goal' | 'looking'>; name: string }) {
  const { t } = useTexts()
  const [open, setOpen] = useState(false)
  return (
    <>
      <Button onClick={() => setOpen(true)}>{t('Put on a page …')}</Button>
      {open && <PutDialog {...{ part, name }} onClose={() => setOpen(false)} />}
    </>
  )
}

const NEW = ''
function PutDialog({ part, name, onClose }: Parameters<typeof PutOnPage>[0] & { onClose: () => void }) {
  const { t } = useTexts()
  const me = useMe()
  const navigate = useNavigate()
  const pages = (useFigurePages().data ?? []).filter(({ owner }) => owner.id === me.id)
  const save = useSaveFigurePage()
  const [called, setCalled] = useState(name)
  const [id] = useState(() => nanoid<FigurePageId>())
  const [onto, setOnto] = useState<string | null>(null)
  const [pageName, setPageName] = useState('')
  const page = onto === null ? pages[0] : pages.find((each) => each.id === onto)
  const ready = called.trim() !== '' && (page !== undefined || pageName.trim() !== '')
  return (
    <FormDialog
      title={t('Put on a page')}
      yes={t('Put it there')}
      send={save}
      ready={ready}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        const added: FigurePart = { ...part, id: nanoid(12), name: called.trim(), wide: false }
        const before = page ?? { id, name: pageName.trim(), shared: false, parts: [], revision: 0 }
        save.mutate({ ...before, parts: [...before.parts, added] }, { onSuccess: () => void navigate(`/engagement/pages/${before.id}`) })
      }}
    >
      <TextField label={t('What it is called there')} value={called} maxLength={100} onChange={(event) => setCalled(event.target.value)} />
      <Select label={t('On which page')} value={page?.id ?? NEW} onChange={chosen((next) => setOnto(next))}>
        {pages.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name}
          </option>
        ))}
        <option value={NEW}>{t('a new page')}</option>
      </Select>
      {!page && (
        <TextField
          label={t('What the page is called')}
          value={pageName}
          maxLength={100}
          onChange={(event) => setPageName(event.target.value)}
        />
      )}
    </FormDialog>
  )
}
