import { MOST_FRAMES, type SharingRules } from '@jackdaw/contracts/sharing'
import { frameOrigin } from '@jackdaw/core/sharing'
import { useState } from 'react'
import { Button, Check, Failed, Loaded, showToast, TextArea, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useSaveSharingRules, useSharingRules } from './queries'

/** What the company allows to those who do not sign in. */
export function SharingRulesPage() {
  const query = useSharingRules()
  return <Loaded query={query}>{(stored) => <RulesForm stored={stored} />}</Loaded>
}

function RulesForm({ stored }: { stored: SharingRules }) {
  const { t } = useTexts()
  const save = useSaveSharingRules()
  const [anyone, setAnyone] = useState(stored.anyone)
  const [written, setWritten] = useState(stored.frames.join('\n'))
  const frames = written
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
  const wrong = frames.find((line) => frameOrigin(line) === null)
  const fault =
    wrong !== undefined
      ? t('“{{text}}” is not the address of a site: write it as https://wiki.example.org.', { text: wrong })
      : frames.length > MOST_FRAMES
        ? t('At most {{most}} sites.', { most: MOST_FRAMES })
        : undefined
  return (
    <form
      className="grow flex flex-col"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (fault || save.isPending) return
        save.mutate(
          { anyone, frames },
          {
            onSuccess: (rules) => {
              setWritten(rules.frames.join('\n'))
              showToast(t('Saved'))
            },
          },
        )
      }}
    >
      <title>{t('Guests – Jackdaw')}</title>
      <TitleLine title={t('Guests')} state={t('What those may see who do not sign in.')}>
        <Button type="submit" look="primary" className="min-h-10" disabled={fault !== undefined || save.isPending}>
          {t('Save')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl space-y-6">
          {save.isError && <Failed error={save.error} />}
          <Check
            checked={anyone}
            onChange={(event) => setAnyone(event.target.checked)}
            label={t('Guides may be shared by links that anyone can open')}
            hint={t(
              'Whoever may publish a guide makes its links. Without this, all links that there are stop working at once; they work again when it is allowed again.',
            )}
          />
          <TextArea
            label={t('Sites that may show guides in a frame')}
            hint={t(
              'One address on each line, such as that of your wiki. Links work there as they do elsewhere; nothing else of Jackdaw can be shown in a frame.',
            )}
            rows={5}
            disabled={!anyone}
            value={written}
            onChange={(event) => setWritten(event.target.value)}
            error={fault}
          />
        </div>
      </div>
    </form>
  )
}
