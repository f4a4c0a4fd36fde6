import { QUIZ_LIMITS, type Question } from '@jackdaw/core/quizzes'
import { Ellipsis } from 'lucide-react'
import { Suspense, useState } from 'react'
import { IconButton, lazyPart } from '../../ui'
import { Menu, MenuItem } from '../../ui/over/Menu'
import { useTexts } from '../../ui/words/texts'

const TakeIn = lazyPart(async () => (await import('./TakeIn')).TakeIn)
const TakeInPackage = lazyPart(async () => (await import('./TakeInPackage')).TakeInPackage)
const GiveOut = lazyPart(async () => (await import('./GiveOut')).GiveOut)

/** Questions in and out: typed, pasted or from a file, and saved as one. @param count how many there are already @param onTake `null` where nothing may be changed */
export function InAndOut({
  questions,
  count,
  name,
  onTake,
}: {
  questions: readonly Question[]
  count: number
  name: string
  onTake: ((questions: Question[]) => void) | null
}) {
  const { t } = useTexts()
  const [opened, setOpened] = useState<'in' | 'package' | 'out' | null>(null)
  const taking = onTake && {
    room: QUIZ_LIMITS.questions - count,
    onClose: () => setOpened(null),
    onTake: (taken: Question[]) => {
      onTake(taken)
      setOpened(null)
    },
  }
  return (
    <>
      <Menu
        align="start"
        trigger={
          <IconButton name={t('Questions in and out')}>
            <Ellipsis size={18} aria-hidden />
          </IconButton>
        }
      >
        {onTake && <MenuItem onSelect={() => setOpened('in')}>{t('Type or paste questions')}</MenuItem>}
        {onTake && <MenuItem onSelect={() => setOpened('package')}>{t('Take in a QTI package')}</MenuItem>}
        <MenuItem disabled={questions.length === 0} onSelect={() => setOpened('out')}>
          {t('Save the questions')}
        </MenuItem>
      </Menu>
      <Suspense>
        {opened === 'in' && taking && <TakeIn {...taking} />}
        {opened === 'package' && taking && <TakeInPackage {...taking} />}
        {opened === 'out' && <GiveOut {...{ questions, name }} onClose={() => setOpened(null)} />}
      </Suspense>
    </>
  )
}
