import { ALL_QUESTION_KINDS, type QuestionKind } from '@jackdaw/core/quizzes'
import { Button } from '../../ui'
import { Menu, MenuItem } from '../../ui/over/Menu'
import { useTexts } from '../../ui/words/texts'
import { kindName } from '../../quizzes/kindNames'

/** Adds a question of a kind; in a quiz, also what is drawn from a bank. */
export function AddQuestion({
  onAdd,
  onDraw,
  disabled,
}: {
  onAdd: (kind: QuestionKind) => void
  onDraw?: (() => void) | undefined
  disabled: boolean
}) {
  const { t } = useTexts()
  return (
    <Menu align="start" trigger={<Button disabled={disabled}>{t('Add a question')}</Button>}>
      {ALL_QUESTION_KINDS.map((kind) => (
        <MenuItem key={kind} onSelect={() => onAdd(kind)}>
          {kindName(t, kind)}
        </MenuItem>
      ))}
      {onDraw && <MenuItem onSelect={onDraw}>{t('Draw from a bank')}</MenuItem>}
    </Menu>
  )
}
