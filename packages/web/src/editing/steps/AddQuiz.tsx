import type { ItemId } from '@jackdaw/core/guides'
import { useNavigate } from 'react-router'
import { useQuizzes } from '../../quizzes/queries'
import { Button } from '../../ui'
import { Menu, MenuItem } from '../../ui/over/Menu'
import { useTexts } from '../../ui/words/texts'
import type { ItemActions } from '../itemActions'

/** Puts one of the quizzes that the author may write among the steps. */
export function AddQuiz({ actions, after }: { actions: ItemActions; after: ItemId | null }) {
  const { t } = useTexts()
  const go = useNavigate()
  const { data: quizzes = [] } = useQuizzes(false)
  return (
    <Menu align="start" trigger={<Button>{t('Add a quiz')}</Button>}>
      {quizzes.map(({ id, title }) => (
        <MenuItem key={id} onSelect={() => actions.addQuiz(id, after)}>
          {title || t('Without a title')}
        </MenuItem>
      ))}
      {quizzes.length === 0 && <MenuItem onSelect={() => void go('/quizzes/new')}>{t('There is no quiz yet: write one')}</MenuItem>}
    </Menu>
  )
}
