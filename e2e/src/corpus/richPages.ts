import type { Scenario } from './scenario'

/** Widgets, a board, other languages, two applications, frames and shadows. */
export const RICH_PAGES: Scenario[] = [
  {
    name: 'list-box-of-its-own',
    at: 'widgets.html',
    want: ['Label printer in Label Studio Floor', 'Open **Label Studio Floor**.', 'Choose **Yellow 60 mm** in **Paper**.'],
    work: async (hand) => {
      await hand.click('button=Paper')
      await hand.click('Yellow 60 mm')
    },
  },
  {
    name: 'combo-box-of-its-own',
    aside: true,
    at: 'widgets.html',
    want: ['Label printer in Label Studio Floor', 'Open **Label Studio Floor**.', 'Choose **Quay line** in **Line**.'],
    work: async (hand) => {
      await hand.type('Line', 'qu')
      await hand.click('Quay line')
    },
  },
  {
    name: 'menu-and-switch',
    at: 'widgets.html',
    want: [
      'Label printer in Label Studio Floor',
      'Open **Label Studio Floor**.',
      'Open the menu **File**.',
      'Select **Print test page** in the menu.',
      'Switch on **Save paper**.',
    ],
    work: async (hand) => {
      await hand.click('button=File')
      await hand.click('Print test page')
      await hand.click('Save paper')
    },
  },
  {
    name: 'label-made',
    at: 'widgets.html',
    want: [
      'Print label in Label Studio Floor',
      'Open **Label Studio Floor**.',
      'Select **Make a label**.',
      'Type `Mint M` in **Text**.',
      'Select **Print label**.',
    ],
    work: async (hand) => {
      await hand.click('Make a label')
      await hand.type('Text', 'Mint M')
      await hand.click('Print label')
    },
  },
  {
    name: 'tree-and-tab',
    aside: true,
    at: 'widgets.html',
    want: ['Log in Label Studio Floor', 'Open **Label Studio Floor**.', 'Choose **Quay** in **Printers**.', 'Go to the tab **Log**.'],
    work: async (hand) => {
      await hand.click('Quay')
      await hand.click('tab=Log')
    },
  },
  {
    name: 'card-dragged',
    at: 'board.html',
    want: ['Work in Job Board', 'Open **Job Board**.', 'Drag **Wash crates** to **Doing**.'],
    work: async (hand) => hand.drag('Wash crates', 'Doing'),
  },
  {
    name: 'card-renamed',
    at: 'board.html',
    want: [
      "Today's jobs in Job Board",
      'Open **Job Board**.',
      'Double-click **Fold boxes**.',
      'Type `Fold 40 boxes` in **Name of the job**.',
      'Press `Enter` in **Name of the job**.',
    ],
    work: async (hand) => {
      await hand.doubleClick('Fold boxes')
      await hand.keys('Fold 40 boxes')
      await hand.key('Enter')
    },
  },
  {
    name: 'card-menu',
    aside: true,
    at: 'board.html',
    want: ['Mark as urgent in Job Board', 'Open **Job Board**.', 'Right-click **Wash crates**.', 'Select **Mark as urgent** in the menu.'],
    work: async (hand) => {
      await hand.rightClick('Wash crates')
      await hand.click('Mark as urgent')
    },
  },
  {
    name: 'board-saved-by-shortcut',
    at: 'board.html',
    want: ['Work in Job Board', 'Open **Job Board**.', 'Drag **Fold boxes** to **Doing**.', 'Press `Ctrl`+`S`.'],
    work: async (hand) => {
      await hand.drag('Fold boxes', 'Doing')
      await hand.combination('Control', 's')
    },
  },
  {
    name: 'round-handed-in',
    at: 'long.html',
    want: [
      'Hand in the round in Check Book',
      'Open **Check Book**.',
      'Tick **Point 1 is clean**.',
      'Scroll down. Tick **Point 38 is clean**.',
      'Select **Hand in the round**.',
    ],
    work: async (hand) => {
      await hand.click('Point 1 is clean')
      await hand.page.mouse.wheel({ deltaY: 4_000 })
      await hand.rest(700)
      await hand.click('Point 38 is clean')
      await hand.click('Hand in the round')
    },
  },
  {
    name: 'polish-page',
    language: 'pl',
    at: 'pl.html',
    want: [
      'Dodaj: zgłoszenie w aplikacji Dziennik zmian',
      'Otwórz **Dziennik zmian**.',
      'Wpisz `Pasek piszczy` w polu **Opis usterki**.',
      'Wybierz **Pakownia** z listy **Hala**.',
      'Zaznacz **Pilne**.',
      'Wybierz **Wyślij zgłoszenie**.',
    ],
    work: async (hand) => {
      await hand.type('Opis usterki', 'Pasek piszczy')
      await hand.choose('Hala', 'Pak')
      await hand.click('Pilne')
      await hand.click('Wyślij zgłoszenie')
    },
  },
  {
    name: 'german-page',
    aside: true,
    language: 'de',
    at: 'de.html',
    want: [
      'Auftrag anlegen in Werkstattbuch',
      'Öffnen Sie **Werkstattbuch**.',
      'Wählen Sie in **Maschine** **Sämaschine**.',
      'Geben Sie in **Was ist zu tun?** `Filter wechseln` ein.',
      'Wählen Sie **Heute**.',
      'Wählen Sie **Auftrag speichern**.',
    ],
    work: async (hand) => {
      await hand.choose('Maschine', 'S')
      await hand.type('Was ist zu tun?', 'Filter wechseln')
      await hand.click('Heute')
      await hand.click('Auftrag speichern')
    },
  },
  {
    name: 'spanish-page',
    aside: true,
    language: 'es',
    at: 'es.html',
    want: [
      'Crear entrega en Libro de muelle',
      'Abra **Libro de muelle**.',
      'Escriba `LK 40` en **Matrícula**.',
      'Elija **Muelle 2** en **Muelle**.',
      'Marque **Con frío**.',
      'Seleccione **Guardar entrega**.',
    ],
    work: async (hand) => {
      await hand.type('Matrícula', 'LK 40')
      await hand.choose('Muelle', 'Muelle 2')
      await hand.click('Con frío')
      await hand.click('Guardar entrega')
    },
  },
  {
    name: 'two-applications',
    at: 'mail.html',
    want: [
      'Send answer in Post Room',
      '# Inbox',
      'Open **Post Room**.',
      'Open **Two more crates of mint, please**.',
      '# Ask for leave',
      'Go to the browser tab **Staff Desk**.',
      'Type `Kim` in **Your name**.',
      '# Two more crates of mint, please',
      'Go to the browser tab **Post Room**.',
      'Type `Done` in **Answer**.',
      'Select **Send answer**.',
    ],
    before: async ({ newTab, other }) => void (await newTab(`${other}/form.html`)),
    work: async (hand) => {
      const mail = hand.page
      const other = (await mail.browser().pages()).find((page) => /127\.0\.0\.1:\d+\/form/.test(page.url()))!
      await hand.click('link=Two more crates of mint, please')
      await hand.rest(700)
      await other.bringToFront()
      await hand.rest(900)
      hand.page = other
      await hand.type('Your name', 'Kim')
      await mail.bringToFront()
      await hand.rest(900)
      hand.page = mail
      await hand.type('Answer', 'Done')
      await hand.click('Send answer')
    },
  },
  {
    name: 'frame-of-another-origin',
    at: 'frames.html',
    want: ['Show forecast in Weather Desk', 'Open **Weather Desk**.', 'Type `Penholt` in **Place**.', 'Select **Show forecast**.'],
    work: async (hand) => {
      await hand.rest(600)
      const frame = await hand.page.waitForFrame((each) => each.url().includes('inner.html'))
      await hand.type('Place', 'Penholt', frame)
      await hand.click('Show forecast', frame)
    },
  },
  {
    name: 'closed-shadow',
    at: 'shadow.html',
    want: ['Open valve of House 2 in Valve Panel', 'Open **Valve Panel**.', 'Select **Open valve of House 2**.'],
    work: async (hand) => {
      await hand.rest(500)
      const box = await hand.page.evaluate(() => {
        const rect = document.querySelector('valve-row:nth-of-type(2)')!.getBoundingClientRect()
        return { x: rect.x + 120, y: rect.y + rect.height / 2 }
      })
      await hand.press(box.x, box.y)
      await hand.rest()
    },
  },
]
