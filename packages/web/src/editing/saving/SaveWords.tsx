import type { PersonRef } from '@jackdaw/contracts/people'
import { useTexts } from '../../ui/words/texts'
import { Link } from 'react-router'
import { timeOf } from '../../ui'
import type { DraftView } from './draftSession'
import { useKeeps } from './keptDrafts'
import { saveCopy } from './saveCopy'

/** Whether what was written is safe, in words; and who else is here. */
export function SaveWords({ view, alsoHere, onRetry }: { view: DraftView; alsoHere: readonly PersonRef[]; onRetry: () => void }) {
  const { t } = useTexts()
  const other = view.others.at(-1)
  const keeps = useKeeps()
  const copy = (
    <>
      {' · '}
      <button type="button" className="underline" onClick={() => saveCopy(view.document)}>
        {t('Save a copy')}
      </button>
    </>
  )
  return (
    <p className="text-sm text-soft" role="status" data-save>
      {view.save === 'saved' && (view.savedAt === null ? t('Everything is saved') : t('Saved at {{time}}', { time: timeOf(view.savedAt) }))}
      {view.save === 'unsaved' && t('Not saved yet …')}
      {view.save === 'saving' && t('Saving …')}
      {view.save === 'offline' && (
        <span className="text-ochre font-semibold">
          {keeps ? t('The server cannot be reached; kept in this browser.') : t('The server cannot be reached.')}{' '}
          <button type="button" className="underline" onClick={onRetry}>
            {t('Try now')}
          </button>
        </span>
      )}
      {view.save === 'failed' && (
        <span className="text-brick font-semibold">
          {keeps
            ? t('Not saved: the server failed. What you wrote is kept in this browser and sent again by itself. {{words}}', {
                words: view.words,
              })
            : t('Not saved: the server failed. {{words}}', { words: view.words })}{' '}
          <button type="button" className="underline" onClick={onRetry}>
            {t('Try now')}
          </button>
          {copy}
        </span>
      )}
      {view.save === 'signed-out' && (
        <span className="text-brick font-semibold">
          {keeps ? t('You are signed out. What you wrote is kept in this browser.') : t('You are signed out.')}{' '}
          <Link to="/sign-in" target="_blank" className="underline">
            {t('Sign in in a new tab')}
          </Link>
        </span>
      )}
      {view.save === 'refused' && (
        <span className="text-brick font-semibold">
          {keeps
            ? t('Not saved: {{words}} It is kept in this browser; change it, or undo.', { words: view.words })
            : t('Not saved: {{words}} Change it, or undo.', { words: view.words })}{' '}
          <button type="button" className="underline" onClick={onRetry}>
            {t('Try again')}
          </button>
          {copy}
        </span>
      )}
      {!keeps && view.save !== 'saved' && (
        <strong className="text-brick"> {t('This browser cannot keep it: leave this page open until it is saved.')}</strong>
      )}
      {alsoHere.length > 0 && (
        <>
          {' '}
          · <span className="text-petrol">{t('Also here: {{names}}', { names: alsoHere.map((person) => person.name).join(', ') })}</span>
        </>
      )}
      {other && <> · {t('{{name}} changed something at {{time}}', { name: other.name, time: timeOf(other.at) })}</>}
      {view.said && <strong className="text-brick"> · {t(view.said)}</strong>}
      {view.words && view.save === 'saved' && <> · {t(view.words)}</>}
    </p>
  )
}
