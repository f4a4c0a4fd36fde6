import type { FigurePage, FigurePart } from '@jackdaw/contracts/figurePages'
import { MAILED_EVERY } from '@jackdaw/core/engagement'
import type { FigurePageId } from '@jackdaw/core/shared'
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core'
import { rectSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable'
import { CSS } from '@dnd-kit/utilities'
import { ArrowDown, ArrowUp, GripVertical, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import * as z from 'zod/mini'
import { useMe } from '../../people'
import { Button, Check, Failed, IconButton, Loaded, TextField, TitleLine } from '../../ui'
import { useIds } from '../../ui/search/useIds'
import { useTexts } from '../../ui/words/texts'
import { Choice } from '../Choice'
import { PartView } from './PartView'
import { useFigurePage, useMailFigurePage, useChangeFigurePage, useRemoveFigurePage, type FigurePageChange } from './pageQueries'
import { mailWords } from './pageWords'

/** A page of figures: read by those who find it, arranged by its owner. */
export function FigurePagePage() {
  const { id } = useIds<{ id: FigurePageId }>()
  const query = useFigurePage(id)
  return <Loaded query={query}>{(page) => <Shown page={page} />}</Loaded>
}

function Shown({ page }: { page: FigurePage }) {
  const { t } = useTexts()
  const mine = useMe().id === page.owner.id
  const [arranging, setArranging] = useState(false)
  const save = useChangeFigurePage(page)
  return (
    <>
      <title>{t('{{name}} – Engagement – Jackdaw', { name: page.name })}</title>
      <TitleLine
        where={{ to: '/engagement/pages', name: t('Pages') }}
        title={page.name}
        state={
          mine
            ? page.shared
              ? t('Found by everybody who sees records, each with the figures that they may see')
              : t('Found by you only')
            : t('Arranged by {{name}}, with the figures that you may see', { name: page.owner.name })
        }
      >
        <MailedToMe page={page} />
        {mine && (
          <Button look={arranging ? 'primary' : 'plain'} aria-pressed={arranging} onClick={() => setArranging(!arranging)}>
            {arranging ? t('Done arranging') : t('Arrange')}
          </Button>
        )}
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
        {save.isError && <Failed error={save.error} />}
        {arranging && <OfPage page={page} onChange={save.mutate} />}
        {page.parts.length === 0 && (
          <p className="py-6 max-w-prose">
            {t('Nothing stands here yet. Look at something in Engagement, and choose “Put on a page …” above it.')}
          </p>
        )}
        <Parts parts={page.parts} arranging={arranging && mine} busy={save.isPending} onChange={(parts) => save.mutate({ parts })} />
      </div>
    </>
  )
}

function MailedToMe({ page: { id, mailed } }: { page: FigurePage }) {
  const { t } = useTexts()
  const mail = useMailFigurePage()
  const words = mailWords(t)
  return (
    <>
      {mail.isError && <Failed error={mail.error} />}
      <Choice
        label={t('Mailed to you')}
        value={mailed ?? 'never'}
        options={(['never', ...MAILED_EVERY] as const).map((every) => ({
          id: every,
          name: t('Mailed to you: {{when}}', { when: words[every] }),
        }))}
        onChoose={(every) => mail.mutate({ pageId: id, every: z.enum(MAILED_EVERY).safeParse(every).data ?? null })}
      />
    </>
  )
}

/** Name and sharing of the page, and its end. */
function OfPage({ page, onChange }: { page: FigurePage; onChange: (change: FigurePageChange) => void }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const remove = useRemoveFigurePage()
  const [name, setName] = useState(page.name)
  const [asked, setAsked] = useState(false)
  return (
    <div className="flex flex-wrap gap-x-6 gap-y-3 items-end py-4 border-b border-hair">
      <div className="w-72">
        <TextField
          label={t('What the page is called')}
          value={name}
          maxLength={100}
          onChange={(event) => setName(event.target.value)}
          onBlur={() => name.trim() !== '' && name.trim() !== page.name && onChange({ name: name.trim() })}
        />
      </div>
      <Check
        checked={page.shared}
        onChange={(event) => onChange({ shared: event.target.checked })}
        label={t('Shared with everybody who sees records')}
      />
      {remove.isError && <Failed error={remove.error} />}
      {asked ? (
        <span className="flex gap-2 items-center">
          {t('It is gone for everybody then.')}
          <Button
            disabled={remove.isPending}
            onClick={() => remove.mutate(page.id, { onSuccess: () => void navigate('/engagement/pages') })}
          >
            {t('Take the page away')}
          </Button>
          <Button look="quiet" onClick={() => setAsked(false)}>
            {t('Keep it')}
          </Button>
        </span>
      ) : (
        <Button look="quiet" onClick={() => setAsked(true)}>
          {t('Take the page away …')}
        </Button>
      )}
    </div>
  )
}

type Arranged = { parts: readonly FigurePart[]; arranging: boolean; busy: boolean; onChange: (parts: FigurePart[]) => void }
/** The parts, one after another or two beside each other; dragged by their grips, or moved by their arrows. */
function Parts({ parts, arranging, busy, onChange }: Arranged) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }))
  const ids = parts.map(({ id }) => id)
  const move = (from: number, to: number) => {
    if (from < 0 || to < 0 || to >= parts.length || from === to) return
    const next = [...parts]
    next.splice(to, 0, ...next.splice(from, 1))
    onChange(next)
  }
  const drop = ({ active, over }: DragEndEvent) => over && move(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)))
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={rectSortingStrategy} disabled={!arranging || busy}>
        <div className="grid lg:grid-cols-2 gap-x-8">
          {parts.map((part, n) => (
            <OnePart
              key={part.id}
              {...{ part, n, arranging, busy }}
              last={n === parts.length - 1}
              onMove={(to) => move(n, to)}
              onChange={(more) => onChange(parts.map((each, at) => (at === n ? { ...each, ...more } : each)))}
              onRemove={() => onChange(parts.filter((_, at) => at !== n))}
            />
          ))}
        </div>
      </SortableContext>
    </DndContext>
  )
}

type OfPart = {
  part: FigurePart
  n: number
  last: boolean
  arranging: boolean
  busy: boolean
  onMove: (to: number) => void
  onChange: (more: Partial<FigurePart>) => void
  onRemove: () => void
}
function OnePart({ part, n, last, arranging, busy, onMove, onChange, onRemove }: OfPart) {
  const { t } = useTexts()
  const { listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: part.id })
  const { name } = part
  return (
    <section
      ref={setNodeRef}
      aria-label={name}
      style={{ transform: CSS.Translate.toString(transform), transition: transition ?? undefined }}
      className={`min-w-0 border-b border-hair py-4 ${part.wide ? 'lg:col-span-2' : ''} ${isDragging ? 'relative z-10 bg-wash' : 'bg-sheet'}`}
    >
      <div className="flex items-center gap-1 pb-2">
        {arranging && (
          <span className="cursor-grab touch-none p-1 text-soft" aria-hidden {...listeners}>
            <GripVertical size={18} />
          </span>
        )}
        <h2 className="font-semibold text-lg grow min-w-0">{name}</h2>
        {arranging && (
          <>
            <Button
              look={part.wide ? 'plain' : 'quiet'}
              aria-pressed={part.wide}
              aria-label={t('Whole width: {{name}}', { name })}
              disabled={busy}
              onClick={() => onChange({ wide: !part.wide })}
            >
              {t('Whole width')}
            </Button>
            <IconButton name={t('Move up: {{name}}', { name })} disabled={busy || n === 0} onClick={() => onMove(n - 1)}>
              <ArrowUp size={18} aria-hidden />
            </IconButton>
            <IconButton name={t('Move down: {{name}}', { name })} disabled={busy || last} onClick={() => onMove(n + 1)}>
              <ArrowDown size={18} aria-hidden />
            </IconButton>
            <IconButton name={t('Take away {{name}}', { name })} disabled={busy} onClick={onRemove}>
              <Trash2 size={18} aria-hidden />
            </IconButton>
          </>
        )}
      </div>
      <PartView part={part} />
    </section>
  )
}
