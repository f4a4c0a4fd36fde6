import { upload } from './byPointer'
import type { Scenario } from './scenario'

/** Pages that were made, with their drafts, after everything else was done, and recorded once: they tell how the recorder does on pages that
 * it has never seen. */
export const FRESH_PAGES: Scenario[] = [
  {
    name: 'tally-by-plus-and-minus',
    aside: true,
    at: 'tally.html',
    want: [
      'Save tally in Tally Board',
      'Open **Tally Board**.',
      'Select **Open only**.',
      'Select **One more** under **Sage**.',
      'Select **One more** under **Sage**.',
      'Select **One less** under **Dill**.',
      'Select **Save tally**.',
    ],
    work: async (hand) => {
      await hand.click('Open only')
      await hand.click('css:li:nth-of-type(2) button:nth-of-type(2)')
      await hand.click('css:li:nth-of-type(2) button:nth-of-type(2)')
      await hand.click('css:li:nth-of-type(3) button:nth-of-type(1)')
      await hand.click('Save tally')
    },
  },
  {
    name: 'note-with-chips-and-bold',
    aside: true,
    at: 'postbox.html',
    want: [
      'Post note in Note Rack',
      'Open **Note Rack**.',
      'Type `Night crew` in **For**.',
      'Press `Enter` in **For**.',
      'Type `Pump 3 drips` in **Note**.',
      'Tick **Pin to the wall**.',
      'Select **Post note**.',
    ],
    work: async (hand) => {
      await hand.click('css:#to')
      await hand.keys('Night crew')
      await hand.key('Enter')
      await hand.click('css:#e')
      await hand.keys('Pump 3 drips')
      await hand.rest()
      await hand.click('Pin to the wall')
      await hand.click('Post note')
    },
  },
  {
    name: 'feed-plan-in-cells',
    aside: true,
    at: 'sheet.html',
    want: [
      'Publish plan in Feed Sheet',
      'Open **Feed Sheet**.',
      'Double-click **2** in the row **Bed 2**.',
      'Type `4` in **Bed 2 Mon**.',
      'Press `Enter` in **Bed 2 Mon**.',
      'Select **Publish plan**.',
    ],
    work: async (hand) => {
      await hand.doubleClick('css:tbody tr:nth-of-type(2) td:nth-of-type(1)')
      await hand.keys('4')
      await hand.key('Enter')
      await hand.click('Publish plan')
    },
  },
  {
    name: 'order-in-one-page-that-loads',
    aside: true,
    at: 'route.html',
    want: [
      'Confirm order in Order Rail',
      'Open **Order Rail**.',
      'Open **Order of sage**.',
      'Wait until the page is ready. Select **Packing**.',
      'Tick **Wet paper in each crate**.',
      'Choose **2** in **Dock**.',
      'Select **Confirm order**.',
      'Select **Back to the list**.',
    ],
    work: async (hand) => {
      await hand.click('link=Order of sage')
      await hand.rest(2_400)
      await hand.click('css:summary')
      await hand.click('Wet paper in each crate')
      await hand.choose('Dock', '2')
      await hand.click('Confirm order')
      await hand.click('Back to the list')
    },
  },
  {
    name: 'german-shift-by-calendar-keys',
    aside: true,
    language: 'de',
    at: 'kalender.html',
    want: [
      'Schicht speichern in Schichtplan',
      'Öffnen Sie **Schichtplan**.',
      'Geben Sie in **Wer** `Frühteam` ein.',
      'Wählen Sie **Tag wählen**.',
      'Wählen Sie **10. März**.',
      'Wählen Sie in **Beginn** **14:00**.',
      'Wählen Sie **Schicht speichern**.',
    ],
    work: async (hand) => {
      await hand.type('Wer', 'Frühteam')
      await hand.click('Tag wählen')
      await hand.key('ArrowRight', 2)
      await hand.key('ArrowDown')
      await hand.key('Enter')
      await hand.choose('Beginn', '14')
      await hand.click('Schicht speichern')
    },
  },
  {
    name: 'pictures-into-a-zone',
    aside: true,
    at: 'zone.html',
    want: [
      'Send pictures in Picture Bay',
      'Open **Picture Bay**.',
      'Choose the file for **Pictures**, for example `crate.txt`.',
      'Select **Take away**.',
      'Choose the file for **Pictures**, for example `slip.txt`.',
      'Choose **House 2** in **Taken in**.',
      'Select **Send pictures**.',
    ],
    work: async (hand) => {
      await upload(hand, 'css:.z', 'crate.txt')
      await hand.click('css:li button')
      await upload(hand, 'css:.z', 'slip.txt')
      await hand.choose('css:#h', 'House 2')
      await hand.click('button=Send pictures')
    },
  },
  {
    name: 'team-joined-with-password-shown',
    aside: true,
    at: 'enrol.html',
    want: [
      'Join team in Team Door',
      'Open **Team Door**.',
      'Type the telephone number in **Mobile**.',
      'Type the password in **New password**.',
      'Select **Show the password**.',
      'Choose **Late**.',
      'Tick **I know the house rules**.',
      'Select **Join team**.',
    ],
    work: async (hand) => {
      await hand.type('css:[name=m]', '0151 23456789')
      await hand.click('css:#p')
      await hand.keys('hunter22')
      await hand.rest()
      await hand.click('css:#sh')
      await hand.click('Late')
      await hand.click('css:.b+span')
      await hand.click('button=Join team')
    },
  },
  {
    name: 'spanish-cards-and-minutes',
    aside: true,
    language: 'es',
    at: 'riego.html',
    want: [
      'Crear riego en Agua Clara',
      'Abra **Agua Clara**.',
      'Elija **Sur**.',
      'Escriba `20` en **Minutos**.',
      'Ponga **Empieza** en `07:30`.',
      'Seleccione **Guardar riego**.',
    ],
    work: async (hand) => {
      await hand.click('css:.k:nth-of-type(2)')
      await hand.type('css:#m', '20')
      const at = (await (await hand.page.$('#h'))!.boundingBox())!
      await hand.press(at.x + 12, at.y + at.height / 2)
      await hand.keys('0730AM')
      await hand.rest()
      await hand.click('Guardar riego')
    },
  },
  {
    name: 'shelf-added-to-a-tree',
    aside: true,
    at: 'stores.html',
    want: [
      'Enter a shelf in Store Tree',
      'Open **Store Tree**.',
      'Select **Open Cold store**.',
      'Choose **Shelf B** in **Stores**.',
      'Select **Add shelf**.',
      'Type `Shelf C` in **Name of the shelf**.',
      'Select **Create shelf**.',
    ],
    work: async (hand) => {
      await hand.click('Open Cold store')
      await hand.click('css:li li:nth-of-type(2)')
      await hand.click('css:#ad')
      await hand.type('css:#n', 'Shelf C')
      await hand.click('Create shelf')
    },
  },
  {
    name: 'batch-far-down-an-endless-list',
    aside: true,
    at: 'endless.html',
    want: ['Close batch 30 in Batch Reel', 'Open **Batch Reel**.', 'Select **Close batch 2**.', 'Scroll down. Select **Close batch 30**.'],
    work: async (hand) => {
      await hand.click('Close batch 2')
      await hand.page.mouse.wheel({ deltaY: 700 })
      await hand.rest(600)
      await hand.page.mouse.wheel({ deltaY: 700 })
      await hand.rest(700)
      await hand.click('Close batch 30')
    },
  },
  {
    name: 'letter-written-in-a-frame',
    aside: true,
    at: 'letterhead.html',
    want: [
      'Keep letter in Letter Press',
      'Open **Letter Press**.',
      'Type `Spring order` in **Subject**.',
      'Type `We need ten trays` in **Text of the letter**.',
      'Select **Keep letter**.',
    ],
    work: async (hand) => {
      const frame = await (await hand.page.$('iframe'))!.contentFrame()
      await hand.type('css:#s', 'Spring order')
      await hand.click('css:body', frame)
      await hand.keys('We need ten trays')
      await hand.rest()
      await hand.click('Keep letter')
    },
  },
  {
    name: 'board-in-tabs',
    aside: true,
    at: 'display.html',
    want: [
      'Update board in Sign Mill',
      'Open **Sign Mill**.',
      'Type `Dock 2 closed` in **Line of text**.',
      'Go to the tab **Looks**.',
      'Choose **Large** in **Size**.',
      'Switch on **Blink**.',
      'Select **Update board**.',
      'Select **Preview**.',
    ],
    work: async (hand) => {
      await hand.type('css:#w', 'Dock 2 closed')
      await hand.click('tab=Looks')
      await hand.choose('css:#z', 'L')
      await hand.click('css:#bl')
      await hand.click('Update board')
      await hand.click('Preview')
    },
  },
  {
    name: 'price-set-on-the-second-page',
    aside: true,
    at: 'pages-of.html',
    want: [
      'Set price in Price Roll',
      'Open **Price Roll**.',
      'Select **Page 2**.',
      'Type `13` in **Price** in the row **Mint**.',
      'Select **Set price** in the row **Mint**.',
    ],
    work: async (hand) => {
      await hand.click('Page 2')
      await hand.type('css:tbody tr:nth-of-type(2) input', '13')
      await hand.click('css:tbody tr:nth-of-type(2) button')
    },
  },
  {
    name: 'alarm-handed-over',
    aside: true,
    at: 'alarms.html',
    want: [
      'Hand over in Alarm Post',
      'Open **Alarm Post**.',
      'Select the icon with the bell next to **House 2 too warm**.',
      'Select the icon with the tick next to **House 2 too warm**.',
      'Type `Vents opened` in **What was done**.',
      'Select **Hand over**.',
    ],
    work: async (hand) => {
      await hand.click('css:[data-a=mute]')
      await hand.click('css:[data-a=ok]')
      await hand.type('css:#w', 'Vents opened')
      await hand.click('Hand over')
    },
  },
]
