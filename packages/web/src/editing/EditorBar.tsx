import type { Draft } from '@jackdaw/contracts/guides'
import type { PersonRef } from '@jackdaw/contracts/people'
import type { Editor } from '@tiptap/react'
import { MoreHorizontal, PanelRightClose, PanelRightOpen, Redo2, Undo2 } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { useNavigate } from 'react-router'
import { Button, ButtonLink, IconButton, TextLink } from '../ui'
import { useCopyLink } from '../sharing/copyLink'
import { useKeys } from '../ui/keys/useKeys'
import { Menu, MenuItem } from '../ui/over/Menu'
import type { DraftSession, DraftView } from './saving/draftSession'
import type { ItemActions } from './itemActions'
import { PreviewMenu } from './exercises/PreviewMenu'
import { SaveWords } from './saving/SaveWords'
import { TextTools } from './text/TextTools'

/** What an author asks for from the menu or a strip. */
export type Asked = 'find' | 'private' | 'apply' | 'duplicate' | 'save-as' | null

type Props = {
  draft: Draft
  session: DraftSession
  view: DraftView
  alsoHere: readonly PersonRef[]
  editor: Editor | null
  factsOpen: boolean
  selected: string | null
  onArchive: () => void
  onFacts: () => void
  actions: ItemActions
  onAsk: (asked: Asked) => void
}

/** The step at which the author is, and how its link is copied. */
function useLinkHere({ id }: Draft, { document: { items } }: DraftView, selected: string | null) {
  const stepHere = items.some((item) => item.kind === 'step' && item.id === selected) ? selected : null
  const copyLink = useCopyLink(id)
  const copyHere = () => copyLink(stepHere)
  useKeys({ copyLink: copyHere })
  return { stepHere, copyHere }
}

/** Above the sheet: what the guide is and whether it is saved, the tools for its text, and what can be done with it. */
export function EditorBar({ draft, session, view, alsoHere, editor, factsOpen, selected, onArchive, onFacts, actions, onAsk }: Props) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const { stepHere, copyHere } = useLinkHere(draft, view, selected)
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 md:px-6 py-2 bg-page border-b border-hair sticky top-14 z-20">
      <div className="grow min-w-40">
        <h1 className="text-sm">
          <TextLink to="/library">{t('Library')}</TextLink> · {t('Guide {{n}}', { n: draft.number })} ·{' '}
          <span className="font-semibold">
            {draft.archived
              ? t('Archived')
              : draft.edition === null
                ? t('Draft')
                : draft.changedSinceEdition || view.revision > draft.revision
                  ? t('Published, edition {{n}}; the draft has gone on', { n: draft.edition })
                  : t('Published, edition {{n}}', { n: draft.edition })}
          </span>
        </h1>
        <SaveWords view={view} alsoHere={alsoHere} onRetry={() => session.retry()} />
      </div>
      <TextTools editor={editor} guideId={draft.id} actions={actions} />
      <div className="flex items-center gap-1">
        <IconButton name={t('Undo (Ctrl+Z)')} disabled={!view.canUndo} onClick={() => session.undo()}>
          <Undo2 size={18} aria-hidden />
        </IconButton>
        <IconButton name={t('Redo (Ctrl+Y)')} disabled={!view.canRedo} onClick={() => session.redo()}>
          <Redo2 size={18} aria-hidden />
        </IconButton>
        <PreviewMenu guideId={draft.id} session={session} stepId={stepHere} />
        {draft.may.publish && (
          <ButtonLink to={`/guides/${draft.id}/publish`} look="primary" className="mx-1" onClick={() => session.flush()}>
            {t('Publish …')}
          </ButtonLink>
        )}
        <Menu
          trigger={
            <Button aria-label={t('More')} className="px-2">
              <MoreHorizontal size={18} aria-hidden />
            </Button>
          }
        >
          <MenuItem onSelect={() => onAsk('find')}>{t('Find and replace …')}</MenuItem>
          <MenuItem onSelect={() => onAsk('private')}>{t('Find private data …')}</MenuItem>
          {draft.edition !== null && (
            <MenuItem onSelect={() => void navigate(`/guides/${draft.id}`)}>{t('Read edition {{n}}', { n: draft.edition })}</MenuItem>
          )}
          <MenuItem
            onSelect={() => {
              session.flush()
              onAsk('save-as')
            }}
          >
            {t('Save as a file …')}
          </MenuItem>
          <MenuItem onSelect={copyHere}>{stepHere === null ? t('Copy the link') : t('Copy the link to this step')}</MenuItem>
          {draft.may.publish && <MenuItem onSelect={() => void navigate(`/guides/${draft.id}/links`)}>{t('Links for guests …')}</MenuItem>}
          <MenuItem
            onSelect={() => {
              session.flush()
              onAsk('duplicate')
            }}
          >
            {t('Duplicate …')}
          </MenuItem>
          {draft.may.seeRecords && <MenuItem onSelect={() => void navigate(`/records/guides/${draft.id}`)}>{t('Who finished')}</MenuItem>}
          {draft.may.handOver && (
            <MenuItem danger={!draft.archived} onSelect={onArchive}>
              {draft.archived ? t('Take out of the archive') : t('Archive')}
            </MenuItem>
          )}
        </Menu>
        <IconButton name={factsOpen ? t('Hide the facts') : t('Show the facts')} aria-expanded={factsOpen} onClick={onFacts}>
          {factsOpen ? <PanelRightClose size={18} aria-hidden /> : <PanelRightOpen size={18} aria-hidden />}
        </IconButton>
      </div>
    </div>
  )
}
