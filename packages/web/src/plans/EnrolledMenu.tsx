import type { Enrolled } from '@jackdaw/contracts/plans'
import type { PersonRef } from '@jackdaw/contracts/people'
import type { PlanId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { PersonPicker } from '../people/PersonPicker'
import { MoreHorizontal } from 'lucide-react'
import { IconButton, showToast, TextField } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import { Menu, MenuItem } from '../ui/over/Menu'
import { Question } from '../ui/over/Question'
import { useTexts } from '../ui/words/texts'
import { useChangeEnrolment, useEndEnrolment } from './queries'

type Asked = 'hold' | 'mentor' | 'end' | null
type Props = { planId: PlanId; row: Enrolled }

/** What can be done about somebody's going through a plan. */
export function EnrolledMenu({ planId, row }: Props) {
  const { t } = useTexts()
  const [asked, setAsked] = useState<Asked>(null)
  const change = useChangeEnrolment(planId, row.id)
  const close = () => setAsked(null)
  return (
    <>
      <Menu
        trigger={
          <IconButton name={t('More about {{name}}', { name: row.person.name })} className="size-8">
            <MoreHorizontal size={18} aria-hidden />
          </IconButton>
        }
      >
        {row.overAt === null &&
          (row.heldSince === null ? (
            <MenuItem onSelect={() => setAsked('hold')}>{t('Hold it …')}</MenuItem>
          ) : (
            <MenuItem
              onSelect={() =>
                change.mutate(
                  { what: 'go-on' },
                  {
                    onSuccess: () => showToast(t('It goes on for {{name}}', { name: row.person.name })),
                    onError: () => showToast(t('It could not be changed: it is still held. Try again.')),
                  },
                )
              }
            >
              {t('Let it go on')}
            </MenuItem>
          ))}
        <MenuItem onSelect={() => setAsked('mentor')}>{t('Another mentor …')}</MenuItem>
        <MenuItem onSelect={() => setAsked('end')}>{t('Take the plan from them …')}</MenuItem>
      </Menu>
      {asked === 'hold' && <Hold {...{ planId, row }} onClose={close} />}
      {asked === 'mentor' && <Mentor {...{ planId, row }} onClose={close} />}
      {asked === 'end' && <End {...{ planId, row }} onClose={close} />}
    </>
  )
}

function Hold({ planId, row, onClose }: Props & { onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeEnrolment(planId, row.id)
  const [why, setWhy] = useState('')
  return (
    <FormDialog
      title={t('Hold the plan for {{name}}?', { name: row.person.name })}
      about={t('From today on nothing of it is due, and no stage begins. When it goes on, all days follow.')}
      yes={t('Hold it')}
      send={change}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        change.mutate({ what: 'hold', why }, { onSuccess: onClose })
      }}
    >
      <TextField label={t('Why, if you like')} maxLength={300} value={why} onChange={(event) => setWhy(event.target.value)} />
    </FormDialog>
  )
}

function Mentor({ planId, row, onClose }: Props & { onClose: () => void }) {
  const { t } = useTexts()
  const change = useChangeEnrolment(planId, row.id)
  const [mentor, setMentor] = useState<PersonRef[]>(row.mentor ? [row.mentor] : [])
  return (
    <FormDialog
      title={t('Who looks after {{name}}?', { name: row.person.name })}
      yes={t('Save')}
      send={change}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        change.mutate({ what: 'mentor', mentorId: mentor[0]?.id ?? null }, { onSuccess: onClose })
      }}
    >
      <PersonPicker label={t('Mentor')} chosen={mentor} onChange={(next) => setMentor(next.slice(-1))} />
    </FormDialog>
  )
}

function End({ planId, row, onClose }: Props & { onClose: () => void }) {
  const { t } = useTexts()
  const end = useEndEnrolment(planId, row.id)
  return (
    <Question
      title={t('Take the plan from {{name}}?', { name: row.person.name })}
      about={t('What they have not begun of it goes, unless they have it for another reason. What they have begun stays as optional.')}
      yes={t('Take it')}
      pending={end.isPending}
      error={end.error}
      onYes={() => end.mutate(undefined, { onSuccess: onClose })}
      onNo={onClose}
    />
  )
}
