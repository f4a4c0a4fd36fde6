import { FolderNaming } from '@jackdaw/contracts/library'
import { STATE_ORDER } from '@jackdaw/core/items'
import { MoreHorizontal, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { ApiProblem, Unreachable } from '../../api'
import {
  Button,
  ButtonLink,
  Failed,
  IconButton,
  Message,
  showToast,
  StateMark,
  StepRuler,
  TextButton,
  TextField,
  TextLink,
  TitleLine,
  Waiting,
} from '../../ui'
import { useFormOf } from '../../ui/fields/useFormOf'
import { FormDialog } from '../../ui/over/FormDialog'
import { Question } from '../../ui/over/Question'
import { Progress } from '../../ui/Progress'
import { Tabs } from '../../ui/Tabs'
import { Chart } from '../../ui/chart/Chart'
import { Dialog } from '../../ui/over/Dialog'
import { Menu, MenuItem } from '../../ui/over/Menu'
import { Toasts } from '../../ui/toast/Toasts'
import { FieldParts } from './FieldParts'
import { Part } from './Part'
import { TableParts } from './TableParts'

/** For developers: every part of the interface in every state. */
export function PartsPage() {
  const [side, setSide] = useState<'all' | 'late'>('all')
  return (
    <main className="max-w-5xl mx-auto px-4 md:px-6 pb-24 bg-sheet">
      <title>Parts of the interface</title>
      <TitleLine title="Parts of the interface" state="All of them, in all their states" />
      <Acting />
      <FieldParts />
      <Saying />
      <Part name="Tabs">
        <Tabs
          label="Which"
          chosen={side}
          onChoose={setSide}
          tabs={[
            { value: 'all', words: 'All', n: 12 },
            { value: 'late', words: 'Late', n: 3 },
          ]}
        >
          {side === 'all' ? 'Twelve people have it.' : 'Three people are late.'}
        </Tabs>
      </Part>
      <Part name="Ruler">
        <StepRuler
          label="Steps"
          marks={[
            { id: 's', kind: 'section', name: 'Seed the trays' },
            { id: 'a', kind: 'step', name: 'Fit the drum', number: 1, state: 'done' },
            { id: 'b', kind: 'step', name: 'Fill the hopper', number: 2, state: 'here' },
            { id: 'c', kind: 'step', name: 'Run one tray', number: 3, state: 'open' },
            { id: 'd', kind: 'step', name: 'Wash the drum', number: 4, state: 'shut' },
          ]}
          onPick={() => undefined}
        />
      </Part>
      <Part name="Chart">
        <Chart
          as="lines"
          title="Done by day"
          head="Day"
          says="Four people were done at the end of the week, of six."
          file="parts"
          along={['2026-11-02', '2026-11-03', '2026-11-04', '2026-11-05', '2026-11-06']}
          written={(day) => day.slice(5)}
          lines={[
            { name: 'Given', values: [2, 4, 6, 6, 6] },
            { name: 'Done', values: [0, 1, 1, 3, 4] },
          ]}
        />
      </Part>
      <TableParts />
      <Toasts />
    </main>
  )
}

function Acting() {
  return (
    <>
      <Part name="Buttons">
        <div className="flex flex-wrap gap-3">
          <Button look="primary">Publish to 14 people</Button>
          <Button>Preview</Button>
          <Button look="quiet">Show all</Button>
          <Button look="danger">Destroy it now</Button>
          <Button look="primary" disabled>
            Not yet
          </Button>
          <Button disabled>Not yet</Button>
          <ButtonLink to="/parts">A link that looks like one</ButtonLink>
          <TextLink to="/parts">A link in words</TextLink>
          <TextButton>A quiet thing to do</TextButton>
          <IconButton name="Take away">
            <Trash2 size={18} aria-hidden />
          </IconButton>
          <IconButton name="Pressed" aria-pressed>
            <Trash2 size={18} aria-hidden />
          </IconButton>
        </div>
      </Part>
      <Part name="Menu">
        <Menu
          align="start"
          trigger={
            <Button look="quiet" aria-label="More">
              <MoreHorizontal size={17} aria-hidden />
            </Button>
          }
        >
          <MenuItem onSelect={() => undefined}>Rename …</MenuItem>
          <MenuItem onSelect={() => undefined} disabled>
            Not now
          </MenuItem>
          <MenuItem onSelect={() => undefined} danger>
            Archive
          </MenuItem>
        </Menu>
      </Part>
      <Asking />
    </>
  )
}

function Asking() {
  const [asked, setAsked] = useState<'dialog' | 'form' | 'question' | null>(null)
  return (
    <>
      <Part name="Dialog">
        <Button onClick={() => setAsked('dialog')}>Ask</Button>
        <Dialog open={asked === 'dialog'} onClose={() => setAsked(null)} title="Move 3 guides" about="They keep their numbers.">
          <Button look="primary" onClick={() => setAsked(null)}>
            Move
          </Button>
        </Dialog>
      </Part>
      <Part name="Dialog with a form">
        <Button onClick={() => setAsked('form')}>Name a bench</Button>
        {asked === 'form' && <BenchForm onClose={() => setAsked(null)} />}
      </Part>
      <Part name="Question">
        <Button look="danger" onClick={() => setAsked('question')}>
          Destroy it now
        </Button>
        {asked === 'question' && (
          <Question
            title="Destroy the pictures?"
            about="Nobody can bring them back."
            yes="Destroy them now"
            onYes={() => setAsked(null)}
            onNo={() => setAsked(null)}
          />
        )}
      </Part>
      <Part name="Toast">
        <Button onClick={() => showToast('3 guides are archived', () => showToast('They are back'))}>Archive 3 guides</Button>
      </Part>
    </>
  )
}

function BenchForm({ onClose }: { onClose: () => void }) {
  const { register, sending, faultOf } = useFormOf(FolderNaming, { name: '' })
  const send = { isPending: false, isError: false, error: null }
  return (
    <FormDialog title="Name a bench" yes="Save" send={send} onClose={onClose} onSubmit={sending(onClose)}>
      <TextField label="Name" {...register('name')} error={faultOf('name')} />
    </FormDialog>
  )
}

function Saying() {
  return (
    <>
      <Part name="Messages">
        <Message title="A note">It says something beside the way.</Message>
        <Message tone="good" title="Edition 2 is published" />
        <Message tone="warn" title="Two steps are not ready">
          They are marked on the ruler.
        </Message>
        <Message tone="bad" title="The picture was not taken">
          It is larger than 25 MB. The step is as it was.
        </Message>
      </Part>
      <Part name="Waiting and failing">
        <Waiting />
        <Failed error={new Unreachable()} again={() => undefined} />
        <Failed error={new ApiProblem({ type: 'about:blank', code: 'not-allowed', title: 'That is not yours to do', status: 403 })} />
      </Part>
      <Part name="Progress of a job">
        <Progress label="Counting again" done={37} of={120} />
        <Progress label="Reading the file" done={0} of={null} />
        <Progress label="Done" done={12} of={12} />
      </Part>
      <Part name="States">
        <div className="flex flex-wrap gap-x-6 gap-y-2">
          {STATE_ORDER.map((state) => (
            <StateMark key={state} state={state} />
          ))}
          <StateMark state="late" daysLeft={-3} />
          <StateMark state="due-soon" dueOn="2026-11-03" />
        </div>
      </Part>
    </>
  )
}
