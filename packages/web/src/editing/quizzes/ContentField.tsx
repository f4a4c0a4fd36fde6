import { clipsIn, isBlank, QUIZ_LIMITS, withClips, type Content, type ContentClip } from '@jackdaw/core/quizzes'
import { EditorContent, useEditorState, type Editor } from '@tiptap/react'
import { Bold, Clapperboard, ImagePlus, Italic, Link2, List, ListOrdered } from 'lucide-react'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import { RichTextView } from '../../guides/RichTextView'
import { Failed, IconButton, TextField, Button } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { LinkForm } from '../text/LinkForm'
import { useWrittenText } from '../text/useWrittenText'
import { AddClip } from './clips/AddClip'
import { ClipFields } from './clips/ClipFields'
import { useFilesHere } from './filesHere'

type Props = {
  label: string
  /** What stands there as long as nothing is written. */
  placeholder: string
  content: Content
  large?: boolean
  onChange: (content: Content) => void
}

/** What is put under the words. */
type Adding = { onAddPicture: (picture: Content['pictures'][number]) => void; onAddClip: () => void }

/** Rich text with pictures, sound and video under it, written where it stands. Only the field in which somebody writes has an editor. */
export function ContentField({ label, placeholder, content, large = false, onChange }: Props) {
  const [writes, setWrites] = useState(false)
  const [adds, setAdds] = useState(false)
  // What takes a while is put into what stands there by then, and not into what stood there when it was begun.
  const latest = useRef({ content, onChange })
  latest.current = { content, onChange }
  const show = (picture: Content['pictures'][number]) => {
    const now = latest.current
    now.onChange({ ...now.content, pictures: [...now.content.pictures, picture] })
  }
  const play = (change: (clips: readonly ContentClip[]) => ContentClip[]) => {
    const now = latest.current
    now.onChange(withClips(now.content, change(clipsIn(now.content))))
  }
  const { text, pictures } = content
  const clips = clipsIn(content)
  const box = `border border-edge bg-sheet px-3 ${large ? 'min-h-16 py-2' : 'min-h-10 py-1'}`
  return (
    <div className="min-w-0 grow space-y-2">
      {writes ? (
        <Writing
          {...{ label, content, box, onChange }}
          onAddPicture={show}
          onAddClip={() => setAdds(true)}
          onLeave={() => setWrites(false)}
        />
      ) : (
        <div
          role="textbox"
          tabIndex={0}
          aria-multiline="true"
          aria-label={label}
          dir="auto"
          className={`cursor-text ${box}`}
          onFocus={() => setWrites(true)}
        >
          {isBlank({ text, pictures: [] }) ? (
            <p className="guide-text text-[#5d6975]">{placeholder}</p>
          ) : (
            <RichTextView text={text} leadsAway />
          )}
        </div>
      )}
      {pictures.map((picture, n) => (
        <PictureShown
          key={picture.id}
          {...picture}
          onAlt={(alt) => onChange({ ...content, pictures: pictures.map((each, at) => (at === n ? { ...each, alt } : each)) })}
          onRemove={() => onChange({ ...content, pictures: pictures.filter((_, at) => at !== n) })}
        />
      ))}
      {clips.map((clip) => (
        <ClipFields
          key={clip.id}
          clip={clip}
          onChange={(more) => play((now) => now.map((each) => (each.id === clip.id ? { ...each, ...more } : each)))}
          onRemove={() => play((now) => now.filter((each) => each.id !== clip.id))}
        />
      ))}
      {adds && (
        <AddClip
          onClose={() => setAdds(false)}
          onAdd={(clip) => {
            play((now) => [...now, clip])
            setAdds(false)
          }}
        />
      )}
    </div>
  )
}

function Writing({
  label,
  content,
  box,
  onChange,
  onLeave,
  ...adding
}: Pick<Props, 'label' | 'content' | 'onChange'> & Adding & { box: string; onLeave: () => void }) {
  const now = useRef(content)
  now.current = content
  const editor = useWrittenText({
    ...{ body: content.text, label, onLeave, className: `guide-text ${box}`, attributes: { dir: 'auto' } },
    onChange: (text) => onChange({ ...now.current, text }),
  })
  useEffect(() => {
    if (!editor) return
    editor.view.focus()
    editor.commands.setTextSelection(editor.state.doc.content.size)
  }, [editor])
  return (
    <div className="relative">
      <Tools {...{ editor, content }} {...adding} />
      <EditorContent editor={editor} />
    </div>
  )
}

const MARKED = ['bold', 'italic', 'bulletList', 'orderedList', 'link'] as const

/** What sets words off, and what is put beside them. */
function Tools({ editor, content, onAddPicture, onAddClip }: { editor: Editor | null } & Adding & Pick<Props, 'content'>) {
  const { t } = useTexts()
  const [linking, setLinking] = useState(false)
  const full = clipsIn(content).length >= QUIZ_LIMITS.clips
  const active = useEditorState({ editor, selector: ({ editor: now }) => MARKED.map((name) => now?.isActive(name) ?? false) })
  const tool = (n: number, name: string, icon: ReactNode, run: (at: Editor) => void) => (
    <IconButton
      name={name}
      aria-pressed={active?.[n] ?? false}
      disabled={!editor}
      onPointerDown={(event) => event.preventDefault()}
      onClick={() => editor && run(editor)}
    >
      {icon}
    </IconButton>
  )
  return (
    // Over the page, so that nothing on it moves when somebody comes or goes: a press beside the field has to land where it was meant.
    <div
      role="toolbar"
      aria-label={t('Text')}
      className="absolute right-0 bottom-full mb-1 z-20 flex items-center bg-sheet border border-edge shadow-[0_4px_14px_rgb(23_33_43/0.14)]"
      data-keeps-editor
    >
      {tool(0, t('Bold (Ctrl+B)'), <Bold size={17} aria-hidden />, (at) => at.chain().focus().toggleBold().run())}
      {tool(1, t('Italics (Ctrl+I)'), <Italic size={17} aria-hidden />, (at) => at.chain().focus().toggleItalic().run())}
      {tool(2, t('List with dots'), <List size={17} aria-hidden />, (at) => at.chain().focus().toggleBulletList().run())}
      {tool(3, t('List with numbers'), <ListOrdered size={17} aria-hidden />, (at) => at.chain().focus().toggleOrderedList().run())}
      {tool(4, t('Link'), <Link2 size={17} aria-hidden />, () => setLinking((is) => !is))}
      <AddPicture {...{ content, onAddPicture }} />
      <IconButton
        name={full ? t('{{most}} of them are the most here', { most: QUIZ_LIMITS.clips }) : t('Add sound or video')}
        disabled={full}
        onPointerDown={(event) => event.preventDefault()}
        onClick={onAddClip}
      >
        <Clapperboard size={17} aria-hidden />
      </IconButton>
      {linking && editor && <LinkForm editor={editor} guide={null} onClose={() => setLinking(false)} />}
    </div>
  )
}

/** Adds a picture under the words. */
function AddPicture({ content, onAddPicture }: Pick<Props, 'content'> & Pick<Adding, 'onAddPicture'>) {
  const { t } = useTexts()
  const { add } = useFilesHere()
  const input = useRef<HTMLInputElement>(null)
  const [state, setState] = useState<{ busy: boolean; error: unknown }>({ busy: false, error: null })
  const pick = async (file: File) => {
    setState({ busy: true, error: null })
    try {
      const { id } = await add(file)
      onAddPicture({ id, alt: '' })
      setState({ busy: false, error: null })
    } catch (error) {
      setState({ busy: false, error })
    }
  }
  const full = content.pictures.length >= QUIZ_LIMITS.pictures
  return (
    <>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp,image/gif"
        className="sr-only"
        tabIndex={-1}
        aria-label={t('Add a picture')}
        onChange={(event) => {
          const [file] = event.target.files ?? []
          event.target.value = ''
          if (file) void pick(file)
        }}
      />
      <IconButton
        name={full ? t('{{most}} pictures are the most here', { most: QUIZ_LIMITS.pictures }) : t('Add a picture')}
        disabled={state.busy || full}
        onPointerDown={(event) => event.preventDefault()}
        onClick={() => input.current?.click()}
      >
        <ImagePlus size={17} aria-hidden />
      </IconButton>
      {state.busy && <span className="text-sm text-soft">{t('Storing …')}</span>}
      {state.error != null && <Failed error={state.error} />}
    </>
  )
}

function PictureShown({ id, alt, onAlt, onRemove }: Content['pictures'][number] & { onAlt: (alt: string) => void; onRemove: () => void }) {
  const { t } = useTexts()
  const { source } = useFilesHere()
  return (
    <div className="flex flex-wrap gap-3 items-end">
      <img src={source.picture(id)} alt={alt} className="max-h-40 max-w-60 border border-hair bg-page" />
      <div className="grow max-w-sm">
        <TextField
          label={t('What it shows')}
          hint={t('For those who cannot see it.')}
          maxLength={QUIZ_LIMITS.alt}
          value={alt}
          onChange={(event) => onAlt(event.target.value)}
        />
        <Button look="quiet" onClick={onRemove}>
          {t('Take the picture out')}
        </Button>
      </div>
    </div>
  )
}
