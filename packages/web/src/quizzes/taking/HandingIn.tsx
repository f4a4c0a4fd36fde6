import { useState } from 'react'
import { Question as Ask } from '../../ui/over/Question'
import { useTexts } from '../../ui/words/texts'
import { TakingBar } from './TakingBar'
import type { Taking } from './useTaking'

/** The bar below a question, and handing in: whoever has left questions out is asked first. @param inGuide among the steps of a guide */
export function HandingIn({ taking, all, inGuide = false }: { taking: Taking; all: number; inGuide?: boolean }) {
  const { t } = useTexts()
  const { at, left, go, send, handIn } = taking
  const [asked, setAsked] = useState(false)
  return (
    <>
      <TakingBar
        {...{ at, left, go }}
        {...{ all, inGuide }}
        sending={handIn.isPending}
        onHandIn={() => (left > 0 ? setAsked(true) : void send())}
      />
      {asked && (
        <Ask
          title={t('Hand it in with {{count}} not answered?', { count: left })}
          about={t('What is not answered counts as wrong.')}
          yes={t('Hand it in')}
          onYes={() => {
            setAsked(false)
            void send()
          }}
          onNo={() => setAsked(false)}
        />
      )}
    </>
  )
}
