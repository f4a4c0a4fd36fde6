import type { GuideId } from '@jackdaw/core/shared'
import { ALL_WAYS } from '@jackdaw/core/ways'
import { CirclePlay } from 'lucide-react'
import { useTexts } from '../../ui/words/texts'
import { useNavigate } from 'react-router'
import { Button } from '../../ui'
import { Menu, MenuItem } from '../../ui/over/Menu'
import type { DraftSession } from '../saving/draftSession'
import { wayName } from '../../players/wayName'

/** Lets an author try the draft in each way, from the beginning or from the step that they are at. */
export function PreviewMenu({ guideId, session, stepId }: { guideId: GuideId; session: DraftSession; stepId: string | null }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const go = (way: string, from: string | null) => {
    session.flush()
    // What is tried is the draft as it stands here, saved or not.
    const { document } = session.snapshot()
    void navigate(`/guides/${guideId}/preview/${way}${from ? `?step=${from}` : ''}`, { state: { document } })
  }
  return (
    <Menu
      trigger={
        <Button>
          <CirclePlay size={16} aria-hidden />
          {t('Preview')}
        </Button>
      }
    >
      {ALL_WAYS.map((way) => (
        <MenuItem key={way} onSelect={() => go(way, null)}>
          {t('{{way}} from the beginning', { way: wayName(way, t) })}
        </MenuItem>
      ))}
      {stepId &&
        ALL_WAYS.map((way) => (
          <MenuItem key={`${way} here`} onSelect={() => go(way, stepId)}>
            {t('{{way}} from this step', { way: wayName(way, t) })}
          </MenuItem>
        ))}
    </Menu>
  )
}
