import { getDraft, saveChanges, type Draft } from '@jackdaw/contracts/guides'
import { listGuides } from '@jackdaw/contracts/library'
import { findInGuide, replaceInGuide, type Found, type Search } from '@jackdaw/core/editing'
import { applyAll, itemName, type Change, type GuideDocument, type TextWhere } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import type { TFunction } from 'i18next'
import { nanoid } from 'nanoid'
import { useMemo, useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { call } from '../../api'
import { Button, Check, Failed, TextField, Tickbox } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import type { DraftSession } from '../saving/draftSession'

type InGuide = { id: GuideId; title: string; revision: number; document: GuideDocument; found: Found[] }

function whereWords(where: TextWhere, t: TFunction): string {
  const words: Record<TextWhere, string> = {
    title: t('Title'),
    summary: t('Summary'),
    closing: t('Closing words'),
    system: t('System'),
    task: t('Task in Solo'),
    section: t('Heading'),
    'not-ready': t('What is missing'),
    step: t('Step'),
    label: t('On a picture'),
    'practise-label': t('On a picture in Practise'),
    caution: t('Caution'),
    picture: t('Description of a picture'),
    hint: t('Hint'),
    message: t('What the application says'),
    solo: t('Words in Solo'),
    option: t('Entry of a list'),
    'pop-up': t('Pop-up'),
    ask: t('Question'),
    choice: t('Choice'),
  }
  return words[where]
}
const keysOf = (found: readonly Found[]): ReadonlySet<string> => new Set(found.map((each) => each.key))

/** All drafts in the folder of this guide, and in those under it, that its author may edit. */
function useFolderDrafts(draft: Draft, wanted: boolean) {
  return useQuery({
    queryKey: ['folder-drafts', draft.folderId],
    enabled: wanted && draft.folderId !== null,
    staleTime: 0,
    queryFn: async ({ signal }) => {
      const drafts: Draft[] = []
      for (let page = 1; ; page++) {
        const { rows, total, pageSize } = await call(listGuides, { query: { folder: draft.folderId!, page }, signal })
        for (const row of rows)
          if (row.mayEdit && row.id !== draft.id) drafts.push(await call(getDraft, { params: { id: row.id }, signal }))
        if (page * pageSize >= total) return drafts.filter((each) => !each.archived)
      }
    },
  })
}

/** Replaces what was found: here as changes to the session, in other guides as changes to their drafts; undone in one go. */
function useReplace(draft: Draft, session: DraftSession, taken: readonly InGuide[], search: Search, by: string, onDone: () => void) {
  const client = useQueryClient()
  return useMutation({
    mutationFn: async () => {
      const own = taken.find((guide) => guide.id === draft.id)
      const here = own ? replaceInGuide(own.document, search, by, keysOf(own.found)) : []
      const elsewhere = taken.filter((guide) => guide.id !== draft.id && guide.found.length > 0)
      const inverses = new Map<GuideId, Change[]>()
      const put = async (forth: boolean) => {
        for (const guide of elsewhere) {
          const now = await call(getDraft, { params: { id: guide.id } })
          // Searched anew, as somebody may have gone on with the guide.
          const changes = forth ? replaceInGuide(now.document, search, by, keysOf(guide.found)) : (inverses.get(guide.id) ?? [])
          inverses.set(guide.id, applyAll(changes, now.document).inverses)
          if (changes.length > 0)
            await call(saveChanges, {
              params: { id: guide.id },
              body: { baseRevision: now.revision, changeSetId: nanoid(), changes, form: 2 },
            })
        }
        void client.invalidateQueries({ queryKey: ['folder-drafts'] })
      }
      await put(true)
      if (elsewhere.length > 0) session.doneOutside({ undo: () => put(false), redo: () => put(true) }, ...here)
      else session.change(...here)
    },
    onSuccess: onDone,
  })
}

/** What is sought, where, and what of it is taken. */
function useFinding(draft: Draft, document: GuideDocument) {
  const [search, setSearch] = useState<Search>({ find: '', matchCase: false, wholeWords: true })
  const [by, setBy] = useState('')
  const [folder, setFolder] = useState(false)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const others = useFolderDrafts(draft, folder)
  const guides = useMemo<InGuide[]>(() => {
    const here = { id: draft.id, title: document.title, revision: -1, document }
    const there = folder
      ? (others.data ?? []).map((each) => ({ id: each.id, title: each.document.title, revision: each.revision, document: each.document }))
      : []
    return [here, ...there]
      .map((each) => ({ ...each, found: findInGuide(each.document, search, by) }))
      .filter((each) => each.found.length > 0)
  }, [draft.id, document, folder, others.data, search, by])
  const keyOf = (guide: InGuide, found: Found) => `${guide.id} ${found.key}`
  const isTaken = (guide: InGuide, found: Found) => !left.has(keyOf(guide, found))
  const toggle = (guide: InGuide, found: Found) =>
    setLeft((now) => {
      const next = new Set(now)
      if (!next.delete(keyOf(guide, found))) next.add(keyOf(guide, found))
      return next
    })
  const taken = guides.map((guide) => ({ ...guide, found: guide.found.filter((found) => isTaken(guide, found)) }))
  const times = taken.reduce((sum, guide) => sum + guide.found.reduce((each, found) => each + found.times, 0), 0)
  return { search, setSearch, by, setBy, folder, setFolder, others, guides, taken, times, isTaken, toggle }
}

/** Finds words in this guide, or in all guides of its folder, and replaces those that the author leaves ticked. Undone in one go. */
export function FindReplace({
  draft,
  document,
  session,
  onClose,
}: {
  draft: Draft
  document: GuideDocument
  session: DraftSession
  onClose: () => void
}) {
  const { t } = useTexts()
  const finding = useFinding(draft, document)
  const { search, by, folder, others, guides, taken, times } = finding
  const replace = useReplace(draft, session, taken, search, by, onClose)
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Find and replace')}
      about={t('In everything that the guide says, on pictures and in exercises too. Nothing changes before you say so.')}
    >
      <form
        className="space-y-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (times > 0 && !replace.isPending) replace.mutate()
        }}
      >
        <SearchFields finding={finding} inFolder={draft.folderId !== null} />
        {folder && others.isPending && <p role="status">{t('Reading the guides of the folder …')}</p>}
        {others.isError && <Failed error={others.error} />}
        {replace.isError && <Failed error={replace.error} />}
        <div className="max-h-[38vh] overflow-auto border-y border-hair" aria-live="polite">
          {search.find !== '' && guides.length === 0 && <p className="p-3 text-soft">{t('Found nowhere.')}</p>}
          {guides.map((guide) => (
            <FoundIn
              key={guide.id}
              {...{ guide, search, by }}
              named={folder}
              isTaken={(found) => finding.isTaken(guide, found)}
              onToggle={(found) => finding.toggle(guide, found)}
            />
          ))}
        </div>
        <Button type="submit" look="primary" disabled={times === 0 || replace.isPending}>
          {replace.isPending ? t('Replacing …') : t('Replace {{count}} times', { count: times })}
        </Button>
      </form>
    </Dialog>
  )
}

function SearchFields({ finding, inFolder }: { finding: ReturnType<typeof useFinding>; inFolder: boolean }) {
  const { t } = useTexts()
  const { search, setSearch, by, setBy, folder, setFolder } = finding
  return (
    <>
      <div className="grid sm:grid-cols-2 gap-3">
        <TextField
          label={t('Find')}
          value={search.find}
          autoFocus
          maxLength={200}
          onChange={(event) => setSearch({ ...search, find: event.target.value })}
        />
        <TextField label={t('Replace by')} value={by} maxLength={300} onChange={(event) => setBy(event.target.value)} />
      </div>
      <div className="flex flex-wrap gap-x-6">
        <Check
          label={t('Whole words only')}
          checked={search.wholeWords}
          onChange={(event) => setSearch({ ...search, wholeWords: event.target.checked })}
        />
        <Check
          label={t('Capital letters count')}
          checked={search.matchCase}
          onChange={(event) => setSearch({ ...search, matchCase: event.target.checked })}
        />
        {inFolder && (
          <Check
            label={t('In all guides of this folder and those under it')}
            checked={folder}
            onChange={(event) => setFolder(event.target.checked)}
          />
        )}
      </div>
    </>
  )
}

/** What was found in one guide: how it is now, how it would be, and whether it is to be. */
function FoundIn({
  guide,
  search,
  by,
  named,
  isTaken,
  onToggle,
}: {
  guide: InGuide
  search: Search
  by: string
  named: boolean
  isTaken: (found: Found) => boolean
  onToggle: (found: Found) => void
}) {
  const { t } = useTexts()
  return (
    <section className="py-2">
      {named && <h3 className="text-sm px-1">{guide.title}</h3>}
      <ul>
        {guide.found.map((found) => (
          <li key={found.key} className="border-t border-hair first:border-t-0 py-1.5">
            <label className="flex gap-2 items-start cursor-pointer">
              <Tickbox className="mt-1" checked={isTaken(found)} onChange={() => onToggle(found)} />
              <span className="min-w-0 text-sm">
                <span className="text-soft">
                  {whereWords(found.where, t)} {found.itemId ? `· ${itemName(guide.document, found.itemId)}` : ''}
                </span>
                <del className="block line-clamp-2 text-brick">{excerpt(found.before, search)}</del>
                <ins className="block line-clamp-2 no-underline text-moss">{excerpt(found.after, { ...search, find: by })}</ins>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  )
}

/** The words around the first place where something was found. */
function excerpt(text: string, { find }: Search): string {
  const at = text.toLowerCase().indexOf(find.toLowerCase())
  return at < 60 ? text : `… ${text.slice(at - 40)}`
}
