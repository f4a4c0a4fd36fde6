import type { SentenceLanguage } from '@jackdaw/core/recording'
import { el } from '../content/el'
import { LEAVE } from '../shared/leave'
import { HIDE_WORDS } from '../shared/hideWords'
import { recordingAsFile } from './recordingAsFile'
import { HIDE_SWITCHES, type BarWish, type FromPanel, type PanelLook } from '../shared/messages'

const LANGUAGES: Record<SentenceLanguage, string> = { en: 'English', pl: 'Polski', es: 'Español', de: 'Deutsch' }
const STATUS_WORDS = {
  idle: '',
  recording: 'Recording',
  paused: 'Paused',
  interrupted: 'The browser was closed while recording',
  finishing: 'Sending what was recorded',
}
const place = document.getElementById('panel')!
const ask = (message: FromPanel) => chrome.runtime.sendMessage<FromPanel, PanelLook>(message)

let busy = false
async function carryOut(message: FromPanel, close = false): Promise<void> {
  if (busy) return
  busy = true
  for (const button of place.querySelectorAll('button')) button.disabled = true
  const look = await ask(message)
  busy = false
  if (close && look.problem === '') return leave()
  draw(look)
}
/** Goes away: as a small window by itself, as a tab with the browser's help. */
async function leave(): Promise<void> {
  const tab = await chrome.tabs.getCurrent()
  if (tab?.id === undefined) window.close()
  else await chrome.tabs.remove(tab.id)
}
const button = (words: string, run: () => void, className = '') => el('button', { type: 'button', className, onclick: run }, words)
const wish = (words: string, what: BarWish, className = '') => button(words, () => void carryOut({ panel: 'wish', wish: what }), className)
const problem = (look: PanelLook) => (look.problem === '' ? [] : [el('p', { className: 'bad', role: 'alert' }, look.problem)])

function unpaired(look: PanelLook): Node[] {
  const code = el('input', { className: 'code', autocomplete: 'off', maxLength: 12, required: true, autofocus: true, spellcheck: false })
  const form = el(
    'form',
    {
      onsubmit: (event: Event) => {
        event.preventDefault()
        void carryOut({ panel: 'pair', code: code.value })
      },
    },
    el('label', {}, 'Code from Jackdaw', code),
    el('button', { className: 'strong' }, 'Pair this browser'),
  )
  return [
    el('h1', {}, 'Pair with Jackdaw'),
    el(
      'p',
      {},
      `Open “Recorder” in Jackdaw${look.origin ? ` at ${look.origin}` : ''} and type the code that stands there. It holds for ten minutes.`,
    ),
    ...problem(look),
    form,
  ]
}

/** Asks the browser for leave to look at pages: only a press on a button of ours may do that. */
async function begin(message: Extract<FromPanel, { panel: 'start' }>): Promise<void> {
  const allowed = await chrome.permissions.request(LEAVE)
  if (allowed) return carryOut(message, true)
  draw({
    ...(await ask({ panel: 'look' })),
    problem: 'Without leave to look at pages nothing can be recorded. It is given back when the recording ends.',
  })
}

function ready(look: PanelLook): Node[] {
  const address = el('input', {
    type: 'text',
    inputMode: 'url',
    placeholder: 'Leave empty to begin on the page in view',
    value: look.asked?.address ?? '',
    autocomplete: 'off',
  })
  const language = el(
    'select',
    {},
    ...Object.entries(LANGUAGES).map(([value, name]) => el('option', { value, selected: value === (look.asked?.language ?? 'en') }, name)),
  )
  const start = () => {
    const wanted = address.value.trim()
    void begin({
      panel: 'start',
      address: wanted === '' || /^[a-z]+:\/\//i.test(wanted) ? wanted : `https://${wanted}`,
      language: language.value as SentenceLanguage,
      target: look.asked?.target ?? null,
    })
  }
  return [
    el('h1', {}, look.asked?.target ? 'Record into the guide' : 'Record a new guide'),
    el('p', { className: 'soft' }, `For ${look.person}. Do the work as always; every action becomes a step.`),
    ...problem(look),
    el(
      'form',
      {
        onsubmit: (event: Event) => {
          event.preventDefault()
          start()
        },
      },
      el('label', {}, 'Begin at this address', address),
      el('label', {}, 'Write the steps in', language),
      el('button', { className: 'strong' }, 'Start recording'),
    ),
    hidingChoices(look),
    el('hr'),
    button('End the pairing with this browser', () => void carryOut({ panel: 'unpair' }), 'plain'),
  ]
}

function hidingChoices({ shown: { hiding } }: PanelLook): Node {
  return el(
    'details',
    {},
    el('summary', {}, 'What is hidden in the pictures'),
    el('p', { className: 'soft' }, 'Filled in before a picture leaves this browser. Passwords always are.'),
    ...HIDE_SWITCHES.map((kind) =>
      el(
        'label',
        { className: 'tick' },
        el('input', {
          type: 'checkbox',
          checked: hiding.kinds.includes(kind),
          onchange: (event: Event) => {
            const on = (event.target as HTMLInputElement).checked
            hiding.kinds = on ? [...hiding.kinds, kind] : hiding.kinds.filter((each) => each !== kind)
            void ask({ panel: 'hiding', hiding })
          },
        }),
        HIDE_WORDS[kind],
      ),
    ),
  )
}

/** What is said about a recording besides its steps. */
function told({ shown: { status, unsent, trouble, refused } }: PanelLook): Node[] {
  const waits = status === 'finishing' && trouble !== '' && unsent > 0
  return [
    trouble !== '' && el('p', { className: 'bad' }, trouble),
    waits &&
      el('p', {}, `${unsent === 1 ? '1 action waits' : `${unsent} actions wait`} to be sent. Jackdaw is asked again every half minute.`),
    refused > 0 &&
      el(
        'p',
        { className: 'bad' },
        `${refused === 1 ? '1 action was' : `${refused} actions were`} not taken by Jackdaw and will be missing in the draft. The file has all of them.`,
      ),
  ].filter((each) => each !== false)
}

function running(look: PanelLook): Node[] {
  const { status, steps, noTarget } = look.shown
  const words = steps === 1 ? '1 step' : `${steps} steps`
  return [
    el('h1', {}, STATUS_WORDS[status]),
    el('p', {}, status === 'interrupted' ? `${words} are kept. Go on where you were, or finish with what there is.` : `${words} so far.`),
    ...told(look),
    ...(look.problem === look.shown.trouble ? [] : problem(look)),
    el(
      'div',
      { className: 'row' },
      status === 'finishing' ? wish('Try again now', 'finish', 'strong') : wish('Finish', 'finish', 'strong'),
      noTarget && wish('Make a new guide of it', 'own-guide'),
      status === 'recording' && wish('Pause', 'pause'),
      (status === 'paused' || status === 'interrupted') &&
        button(
          'Go on',
          () =>
            void chrome.permissions
              .request({ origins: ['<all_urls>'] })
              .then((yes) => (yes ? carryOut({ panel: 'wish', wish: 'go-on' }, true) : undefined)),
        ),
      steps > 0 && button('Save as a file', () => void save()),
      button('Throw away …', () => {
        if (confirm(`Throw away ${words}? They cannot be brought back.`)) void carryOut({ panel: 'wish', wish: 'discard' })
      }),
    ),
    hidingChoices(look),
  ]
}

/** What was recorded, as a file that can be read and brought in again, whatever becomes of Jackdaw. */
async function save(): Promise<void> {
  const { name, bytes } = await recordingAsFile()
  const address = URL.createObjectURL(new Blob([bytes], { type: 'application/zip' }))
  el('a', { href: address, download: name }).click()
  setTimeout(() => URL.revokeObjectURL(address), 10_000)
}

function draw(look: PanelLook): void {
  const runs = look.shown.status !== 'idle'
  // A recording that ran when the pairing ended is shown with what brings it home.
  const view = look.person === '' ? [...unpaired(look), ...(runs ? [el('hr'), ...running(look)] : [])] : runs ? running(look) : ready(look)
  place.replaceChildren(...view)
}
void ask({ panel: 'look' }).then(draw)
