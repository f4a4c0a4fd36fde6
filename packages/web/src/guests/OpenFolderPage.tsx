import { getOpenFolder } from '@jackdaw/contracts/sharing'
import { folded, type FolderId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { ApiProblem, reading } from '../api'
import { GuideGone } from '../players/HoldingWatch'
import { Failed, TextField, Waiting } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { GuestFrame } from './GuestFrame'

/** The start page of a folder that is open to everybody: its guides, found by title. */
export function OpenFolderPage() {
  const { t } = useTexts()
  const { folderId } = useIds<{ folderId: FolderId }>()
  const [sought, setSought] = useState('')
  const { data, error } = useQuery({
    queryKey: ['open-folder', folderId],
    ...reading(getOpenFolder, { params: { folderId } }),
    staleTime: 60_000,
  })
  if (error)
    return (
      <GuestFrame look={null}>
        {error instanceof ApiProblem && error.problem.status === 404 ? (
          <GuideGone title={t('There is no open folder here')} error={error} />
        ) : (
          <div className="max-w-xl w-full mx-auto p-4">
            <Failed error={error} />
          </div>
        )}
      </GuestFrame>
    )
  if (!data) return <Waiting />
  const words = folded(sought).split(/\s+/).filter(Boolean)
  const found = data.guides.filter(({ title }) => words.every((word) => folded(title).includes(word)))
  return (
    <GuestFrame look={data.look}>
      <title>{`${data.name} – Jackdaw`}</title>
      <div className="w-full max-w-3xl mx-auto bg-sheet grow px-4 md:px-8 py-6 space-y-5">
        <h1 className="font-serif text-2xl">{data.name}</h1>
        <TextField label={t('Find by title')} type="search" value={sought} onChange={(event) => setSought(event.target.value)} />
        <ul className="border-t border-hair">
          {found.map(({ address, title, minutes }) => (
            <li key={address} className="border-b border-hair">
              <a href={address} className="flex items-baseline gap-4 min-h-14 py-3 no-underline text-ink hover:bg-wash">
                <span className="grow font-semibold text-lg [overflow-wrap:anywhere]">{title}</span>
                <span className="text-sm text-soft whitespace-nowrap">{t('{{minutes}} min', { minutes })}</span>
              </a>
            </li>
          ))}
        </ul>
        <p role="status" className="text-soft">
          {data.guides.length === 0
            ? t('There is no guide here yet.')
            : found.length === 0
              ? t('No title has these words.')
              : t('{{count}} guides', { count: found.length })}
        </p>
      </div>
    </GuestFrame>
  )
}
