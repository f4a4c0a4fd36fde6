import { readCaptions, writeCaptions } from '@jackdaw/core/clips'
import { QUIZ_LIMITS, type ContentClip } from '@jackdaw/core/quizzes'
import { useQuery } from '@tanstack/react-query'
import { useRef, useState } from 'react'
import { languageName } from '../../../clips/languageName'
import { Button, chosen, Failed, Select, TextArea } from '../../../ui'
import { Dialog } from '../../../ui/over/Dialog'
import { spoken, useTexts } from '../../../ui/words/texts'
import { useFilesHere } from '../filesHere'

/** Languages that captions are offered in: of those who work on sites like these. */
const LANGUAGES = ['en', 'de', 'pl', 'ro', 'bg', 'uk', 'lt', 'pt', 'es', 'fr', 'nl', 'tr', 'ar'] as const

const BEGIN = `WEBVTT

00:00.000 --> 00:03.000
`

/** Writes the captions of a clip in one language, or takes them from a file. */
export function CaptionsDialog({
  clip,
  onChange,
  onClose,
}: {
  clip: ContentClip
  onChange: (more: Partial<ContentClip>) => void
  onClose: () => void
}) {
  const { t } = useTexts()
  const page = spoken()
  const [language, setLanguage] = useState<string>(clip.captions[0]?.language ?? page)
  const languages = [...new Set([...LANGUAGES, ...clip.captions.map((each) => each.language)])]
  return (
    <Dialog
      open
      title={t('Captions')}
      about={t('What is said and heard, with the times between which it is shown. Files of WebVTT and SubRip can be opened.')}
      onClose={onClose}
    >
      <div className="space-y-4">
        <Select label={t('Language')} value={language} onChange={chosen<string>(setLanguage)}>
          {languages.map((each) => (
            <option key={each} value={each}>
              {languageName(each, page)}
              {clip.captions.some((has) => has.language === each) ? ` – ${t('written')}` : ''}
            </option>
          ))}
        </Select>
        <InLanguage key={language} {...{ clip, language, onChange, onClose }} />
      </div>
    </Dialog>
  )
}

type In = { clip: ContentClip; language: string; onChange: (more: Partial<ContentClip>) => void; onClose: () => void }
function InLanguage({ clip, language, ...rest }: In) {
  const { t } = useTexts()
  const { source } = useFilesHere()
  const there = clip.captions.find((each) => each.language === language)
  const stored = useQuery({
    queryKey: ['captions', there?.id],
    enabled: there !== undefined,
    staleTime: Infinity,
    queryFn: async ({ signal }) => {
      const response = await fetch(source.clip(clip.id, there!.id), { signal })
      if (!response.ok) throw new Error(`${response.status}`)
      return response.text()
    },
  })
  if (stored.isError) return <Failed error={stored.error} />
  if (there && stored.data === undefined) return <p>{t('The captions are coming …')}</p>
  return <Written {...{ clip, language, ...rest }} first={stored.data ?? BEGIN} />
}

function Written({ clip, language, first, onChange, onClose }: In & { first: string }) {
  const { t } = useTexts()
  const { addCaptions } = useFilesHere()
  const input = useRef<HTMLInputElement>(null)
  const [text, setText] = useState(first)
  const [state, setState] = useState<{ busy: boolean; error: unknown }>({ busy: false, error: null })
  const read = readCaptions(text)
  const others = clip.captions.filter((each) => each.language !== language)
  const full = others.length >= QUIZ_LIMITS.captions
  const save = async () => {
    setState({ busy: true, error: null })
    try {
      const { id } = await addCaptions(clip.id, { language, text })
      onChange({ captions: [...others, { id, language }] })
      onClose()
    } catch (error) {
      setState({ busy: false, error })
    }
  }
  const fault = read.ok ? undefined : t('Line {{line}}: {{words}}', { line: read.line, words: t(read.words, read.into) })
  return (
    <>
      <div className="[&_textarea]:font-mono">
        <TextArea
          label={t('Captions in this language')}
          hint={read.ok ? t('{{count}} lines are shown.', { count: read.cues.length }) : undefined}
          error={text === BEGIN ? undefined : fault}
          rows={12}
          dir="auto"
          spellCheck
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      </div>
      {state.error != null && <Failed error={state.error} />}
      <div className="flex flex-wrap gap-2">
        <Button look="primary" disabled={!read.ok || state.busy || full} onClick={() => void save()}>
          {state.busy ? t('Storing …') : t('Keep these captions')}
        </Button>
        <input
          ref={input}
          type="file"
          accept=".vtt,.srt,text/vtt"
          className="sr-only"
          tabIndex={-1}
          aria-label={t('Open a file')}
          onChange={(event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            if (file)
              void file.text().then((found) => {
                const opened = readCaptions(found)
                setText(opened.ok ? writeCaptions(opened.cues) : found)
              })
          }}
        />
        <Button onClick={() => input.current?.click()}>{t('Open a file')}</Button>
        {clip.captions.length > others.length && (
          <Button
            look="quiet"
            onClick={() => {
              onChange({ captions: others })
              onClose()
            }}
          >
            {t('Take them out')}
          </Button>
        )}
      </div>
    </>
  )
}
