import { beginVisit } from '@jackdaw/contracts/sharing'
import type { GuestVisitId } from '@jackdaw/core/shared'
import { isUseNumber, LONGEST_NUMBER, type LinkAsks } from '@jackdaw/core/sharing'
import { useMutation } from '@tanstack/react-query'
import { useState } from 'react'
import { call } from '../api'
import { asksName } from '../sharing/linkWords'
import { Button, Failed, TextField } from '../ui'
import { useTexts } from '../ui/words/texts'

/** Asks a guest for the number under which their use is found later. */
export function AskNumber({
  token,
  visit,
  title,
  asks,
  onNamed,
}: {
  token: string
  visit: GuestVisitId
  title: string
  asks: LinkAsks
  onNamed: () => void
}) {
  const { t } = useTexts()
  const [number, setNumber] = useState('')
  const [tried, setTried] = useState(false)
  const begin = useMutation({
    mutationFn: () => call(beginVisit, { params: { token }, body: { visit, number: number.trim() } }),
    onSuccess: onNamed,
  })
  const isNumber = isUseNumber(number)
  return (
    <form
      className="w-full max-w-xl mx-auto bg-sheet p-5 sm:p-10 sm:mt-12 space-y-5"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (isNumber && !begin.isPending) begin.mutate()
      }}
    >
      <title>{`${title} – Jackdaw`}</title>
      <h1 className="font-serif text-2xl">{title}</h1>
      <TextField
        label={asksName(asks, t)}
        hint={t('Your use of the guide is found by it. Your name is not asked for.')}
        autoComplete="off"
        autoCapitalize="characters"
        maxLength={LONGEST_NUMBER}
        value={number}
        onChange={(event) => setNumber(event.target.value)}
        error={tried && !isNumber ? t('A number has figures in it; letters, spaces and hyphens may stand beside them.') : undefined}
      />
      {begin.isError && <Failed error={begin.error} />}
      <Button type="submit" look="primary" className="min-h-14 px-6 text-lg w-full sm:w-auto" disabled={begin.isPending}>
        {begin.isPending ? t('One moment …') : t('Read the guide')}
      </Button>
    </form>
  )
}
