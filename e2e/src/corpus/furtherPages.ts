import { sleep } from '../recorder'
import type { Hand } from '../hand'
import type { Scenario } from './scenario'

/** Presses what opens a file field and chooses a file. */
async function upload(hand: Hand, spot: string, file: string): Promise<void> {
  const { x, y } = await hand.at(spot)
  const [chooser] = await Promise.all([hand.page.waitForFileChooser(), hand.press(x, y)])
  await chooser.accept([`e2e/files/${file}`])
  await hand.rest()
}
/** Drags by so many pixels from the middle of something. */
async function dragBy(hand: Hand, spot: string, dx: number, dy: number, from = 0): Promise<void> {
  const { x, y } = await hand.at(spot)
  const { mouse } = hand.page
  await mouse.move(x + from, y)
  await mouse.down()
  await sleep(60)
  for (let n = 1; n <= 6; n++) await mouse.move(x + from + (dx * n) / 6, y + (dy * n) / 6)
  await sleep(60)
  await mouse.up()
  await hand.rest(500)
}

/** Pages of other kinds: wizards, fields that are made anew, stars, lists by keyboard, sorting, shortcuts, inner boxes, busy pages, icons,
 * sliders, frames that nobody sees, private data, dialogs in dialogs, grids, parts in shadows, talk, menus by keyboard, two tabs. */
export const FURTHER_PAGES: Scenario[] = [
  {
    name: 'pots-ordered-in-steps',
    aside: true,
    at: 'wizard.html',
    want: [
      'Place order in Pot Shop',
      'Open **Pot Shop**.',
      'Choose **Square 11 cm** in **Kind of pot**.',
      'Type `40` in **How many**.',
      'Select **Next**.',
      'Choose **Collect**.',
      'Select **Next**.',
      'Select **Place order**.',
      'Select **Close**.',
    ],
    work: async (hand) => {
      await hand.choose('Kind of pot', 'Sq')
      await hand.type('How many', '40')
      await hand.click('css:#a [data-to=b]')
      await hand.click('Collect')
      await hand.click('css:#b [data-to=c]')
      await hand.click('Place order')
      await hand.click('button=Close')
    },
  },
  {
    name: 'shift-opened-in-remade-fields',
    at: 'remade.html',
    want: [
      'Open a shift in Shift Clock',
      'Open **Shift Clock**.',
      'Type `Quay` in **Line**.',
      'Type `two down` in **Note**.',
      'Type the password in **Password**.',
      'Press `Enter` in **Password**.',
    ],
    work: async (hand) => {
      await hand.click('css:[name=name]')
      await hand.keys('Quay')
      await hand.rest()
      await hand.click('css:[name=note]')
      await hand.keys('two down')
      await hand.rest()
      await hand.click('css:[name=pass]')
      await hand.keys('hunter22')
      await hand.key('Enter')
    },
  },
  {
    name: 'delivery-rated-by-stars',
    at: 'stars.html',
    want: [
      'Send rating in Crate Praise',
      'Open **Crate Praise**.',
      'Choose **3 stars**.',
      'Choose the file for **Add a photo**, for example `crate.txt`.',
      'Choose the file for **Attach the slip**, for example `slip.txt`.',
      'Tick **Tell the grower**.',
      'Select **Send rating**.',
    ],
    work: async (hand) => {
      await hand.click('css:label[for=s3]')
      await upload(hand, 'css:.b', 'crate.txt')
      await upload(hand, 'css:#pick', 'slip.txt')
      await hand.click('css:.sw')
      await hand.click('button=Send rating')
    },
  },
  {
    name: 'room-booked-by-keyboard',
    at: 'rooms.html',
    want: [
      'Book room in Room Board',
      'Open **Room Board**.',
      'Choose **Harbour Lounge** in **Room**.',
      'Choose **Noon** in **Time of day**.',
      'Type `4` in **People**.',
      'Select **Book room**.',
    ],
    work: async (hand) => {
      await hand.click('css:#c')
      await hand.keys('har')
      await hand.rest()
      await hand.key('ArrowDown')
      await hand.key('Enter')
      await hand.key('Tab')
      await hand.key('Enter')
      await hand.key('ArrowDown', 2)
      await hand.key('Enter')
      await hand.type('css:#n', '4')
      await hand.click('Book room')
    },
  },
  {
    name: 'wash-plan-sorted',
    at: 'sorting.html',
    want: ['Save plan in Wash Line', 'Open **Wash Line**.', 'Drag **Rinse** below **Soak**.', 'Drag **Trays** to **Dry**.', 'Select **Save plan**.'],
    work: async (hand) => {
      await dragBy(hand, 'css:li:nth-of-type(1) .h', 0, 90)
      await hand.drag('css:.card', 'css:.col[data-c="1"]')
      await hand.click('Save plan')
    },
  },
  {
    name: 'ticket-by-letters',
    aside: true,
    at: 'letters.html',
    want: [
      'Send ticket in Ticket Shelf',
      'Open **Ticket Shelf**.',
      'Press `C`.',
      'Type `Leak in House 2` in **What is wrong**.',
      'Select **Send ticket**.',
      'Press `G`.',
      'Press `D`.',
    ],
    work: async (hand) => {
      await hand.key('c')
      await hand.keys('Leak in House 2')
      await hand.rest()
      await hand.click('button=Send ticket')
      await hand.page.keyboard.press('g')
      await hand.rest(150)
      await hand.key('d')
    },
  },
  {
    name: 'variety-found-in-inner-box',
    at: 'inner-scroll.html',
    want: [
      'Save choice in Seed Cabinet',
      'Open **Seed Cabinet**.',
      'Scroll down. Tick **Take variety 30**.',
      'Open **Rules for ordering**.',
      'Select **I have read the rules**.',
      'Select **Save choice**.',
    ],
    work: async (hand) => {
      const box = (await (await hand.page.$('.s'))!.boundingBox())!
      await hand.page.mouse.move(box.x + 100, box.y + 120)
      await hand.page.mouse.wheel({ deltaY: 1_060 })
      await hand.rest(700)
      await hand.click('css:[aria-label="Take variety 30"]')
      await hand.click('link=Rules for ordering')
      await hand.rest(500)
      await hand.click('I have read the rules')
      await hand.click('Save choice')
    },
  },
  {
    name: 'count-kept-and-thought-over',
    at: 'busy.html',
    want: [
      'Save count in Count Desk',
      'Open **Count Desk**.',
      'Type `A7` in **Shelf**.',
      'Select **Save count**.',
      'Wait until the page is ready. Select **Mark as seen**.',
      'Open **Next shelf**.',
    ],
    work: async (hand) => {
      await hand.rest(2_000)
      await hand.type('Shelf', 'A7')
      await hand.click('Save count')
      await hand.rest(2_700)
      await hand.click('Mark as seen')
      await hand.rest(3_500)
      await hand.click('link=Next shelf')
    },
  },
  {
    name: 'icons-without-names',
    aside: true,
    at: 'icons.html',
    want: [
      'Work in Plan Wall',
      'Open **Plan Wall**.',
      'Select the icon with the printer at the top right.',
      'Select the icon with the bin at the top right.',
      'Select the icon with the pencil at the top right.',
      'Select the icon with the lines at the top right.',
      'Select the marked place on the right in the drawing.',
      'Select the icon with the lock next to **Vent north**.',
    ],
    work: async (hand) => {
      await hand.click('css:.icon-print')
      await hand.click('css:.t button:nth-of-type(2)')
      await hand.click('css:.fa-pencil')
      await hand.click('css:.t button:nth-of-type(3)')
      const { x, y } = await hand.at('css:#c')
      await hand.press(x + 230, y)
      await hand.rest()
      await hand.click('css:.i')
    },
  },
  {
    name: 'climate-set-by-sliders',
    at: 'settings.html',
    want: [
      'Apply settings in Glass Brain',
      'Open **Glass Brain**.',
      'Set **Shade** to `70`.',
      'Set **Humidity** to `70 %`.',
      'Set **From** to `2026-03-12`.',
      'Set **At** to `07:30`.',
      'Choose the file for **Curve**, for example `slip.txt`.',
      'Switch on **Night vents**.',
      'Select **Apply settings**.',
    ],
    work: async (hand) => {
      await dragBy(hand, 'css:[name=sh]', 142, 0, -85.2)
      await dragBy(hand, 'css:#th', 43.2, 0)
      await hand.click('css:[name=d]')
      const from = (await (await hand.page.$('[name=d]'))!.boundingBox())!
      await hand.press(from.x + 12, from.y + from.height / 2)
      await hand.keys('03122026')
      await hand.rest()
      const at = (await (await hand.page.$('[name=t]'))!.boundingBox())!
      await hand.press(at.x + 12, at.y + at.height / 2)
      await hand.keys('0730AM')
      await hand.rest()
      await upload(hand, 'css:[name=cf]', 'slip.txt')
      await hand.click('Night vents')
      await hand.click('Apply settings')
    },
  },
  {
    name: 'trays-beside-unseen-frames',
    at: 'unseen-frames.html',
    want: [
      'Close the gate in Tray Gate',
      'Open **Tray Gate**.',
      'Type `12` in **Trays**.',
      'Select **Count one**.',
      'Select **Count one**.',
      'Select **Count one**.',
      'Select **Close the gate**.',
    ],
    work: async (hand) => {
      await hand.rest(800)
      await hand.type('Trays', '12')
      for (let n = 0; n < 3; n++) {
        await hand.rest(500)
        await hand.click('Count one')
      }
      await hand.rest(500)
      await hand.click('Close the gate')
    },
  },
  {
    name: 'typed-then-pressed-in-a-frame',
    aside: true,
    at: 'pay.html',
    want: [
      'Pay now in Till Book',
      'Open **Till Book**.',
      'Type `INV 7` in **Invoice**.',
      'Type `Peat for spring` in **Reason**.',
      'Tick **Use this card**.',
      'Select **Change card**.',
      'Select **Pay now**.',
    ],
    work: async (hand) => {
      const frame = await hand.page.waitForFrame((each) => each.url().includes('pay-card'))
      await hand.type('Invoice', 'INV 7')
      await hand.click('Reason')
      await hand.keys('Peat for spring')
      await hand.click('css:[name=u]', frame)
      await hand.click('css:#ch', frame)
      await hand.click('Pay now')
    },
  },
  {
    name: 'caller-kept-private',
    at: 'callers.html',
    want: [
      'Save caller in Ring List',
      'Open **Ring List**.',
      'Select **Ring back**.',
      'Type the name in **Name**.',
      'Type the telephone number in **Telephone**.',
      'Type the account number in **Account**.',
      'Type the address in **Street**.',
      'Select **Save caller**.',
    ],
    work: async (hand) => {
      await hand.click('css:tr:nth-of-type(3) button')
      await hand.type('css:[name=n]', 'Inés Robledo')
      await hand.type('css:[name=t]', '600 123 456')
      await hand.type('css:[name=a]', '12345678')
      await hand.type('css:[name=s]', '12 Harbour Street')
      await hand.click('Save caller')
    },
  },
  {
    name: 'recipe-in-dialogs',
    at: 'layers.html',
    want: [
      'Enter a recipe in Mix Room',
      'Open **Mix Room**.',
      'Select **New recipe**.',
      'Type `House mix` in **Name**.',
      'Select **Add ingredient**.',
      'Choose **Coir** in **Ingredient**.',
      'Type `20` in **Litres**.',
      'Select **Done**.',
      'Select **Create recipe**.',
    ],
    work: async (hand) => {
      await hand.click('button=New recipe')
      await hand.type('css:[name=n]', 'House mix')
      await hand.click('Add ingredient')
      await hand.choose('css:select', 'Co')
      await hand.type('css:[name=q]', '20')
      await hand.click('button=Done')
      await hand.click('Create recipe')
    },
  },
  {
    name: 'loads-in-a-grid',
    at: 'grid.html',
    want: [
      'Release loads in Load Grid',
      'Open **Load Grid**.',
      'Select **Truck**.',
      'Tick **Take** in the row **Quay**.',
      'Tick **Take** in the row **South**.',
      'Open the menu **More** in the row **North**.',
      'Select **Hold back** in the menu.',
      'Select **Release loads**.',
    ],
    work: async (hand) => {
      await hand.click('css:th[aria-sort]')
      await hand.click('css:tbody tr:nth-of-type(3) [role=checkbox]')
      await (await hand.page.$('tbody tr:nth-of-type(1) [role=checkbox]'))!.focus()
      await hand.rest()
      await hand.key('Space')
      await hand.click('css:tbody tr:nth-of-type(2) button')
      await hand.click('Hold back')
      await hand.click('Release loads')
    },
  },
  {
    name: 'reading-in-nested-shadows',
    aside: true,
    at: 'parts.html',
    want: [
      'Log reading in Pump Parts',
      'Open **Pump Parts**.',
      'Type `1200` in **Hours run**.',
      'Type `45` in **Litres an hour**.',
      'Select **Log reading**.',
    ],
    work: async (hand) => {
      await hand.type('Hours run', '1200')
      await hand.type('Litres an hour', '45')
      await hand.click('button=Log reading')
    },
  },
  {
    name: 'message-sent-by-enter',
    aside: true,
    at: 'talk.html',
    want: [
      'Pin the last message in Talk Board',
      'Open **Talk Board**.',
      'Type `All vents shut` in **Message**.',
      'Press `Enter` in **Message**.',
      'Select **Attach a picture**.',
      'Select **Pin the last message**.',
    ],
    work: async (hand) => {
      await hand.click('css:#e')
      await hand.keys('All vents shut')
      await hand.key('Enter')
      await hand.click('Attach a picture')
      await hand.click('Pin the last message')
    },
  },
  {
    name: 'goods-taken-in-polish',
    aside: true,
    language: 'pl',
    at: 'magazyn.html',
    want: [
      'Dodaj: przyjęcie w aplikacji Magazyn',
      'Otwórz **Magazyn**.',
      'Otwórz **Nowe przyjęcie**.',
      'Wpisz `Zielony Las` w polu **Dostawca**.',
      'Wybierz **B2** z listy **Regał**.',
      'Zaznacz **Towar w chłodni**.',
      'Wybierz **Zapisz przyjęcie**.',
    ],
    work: async (hand) => {
      await hand.click('link=Nowe przyjęcie')
      await hand.type('Dostawca', 'Zielony Las')
      await hand.choose('Regał', 'B')
      await hand.click('Towar w chłodni')
      await hand.click('Zapisz przyjęcie')
    },
  },
  {
    name: 'sheet-by-menus',
    at: 'bars.html',
    want: [
      'Save sheet in Label Yard',
      'Open **Label Yard**.',
      'Open the menu **Edit**.',
      'Select **Clear sheet** in the menu.',
      'Right-click **Sheet of labels**.',
      'Select **Lock place** in the menu.',
      'Select **Save sheet**.',
    ],
    work: async (hand) => {
      await hand.key('Tab')
      await hand.key('Enter')
      await hand.key('ArrowDown')
      await hand.key('Enter')
      await hand.rightClick('css:#ar')
      await hand.click('Lock place')
      await hand.click('Save sheet')
    },
  },
  {
    name: 'slip-and-diary-in-two-tabs',
    at: 'slips.html',
    want: [
      'Save entry in Dock Diary',
      '# Slip',
      'Open **Slip Desk**.',
      'Type `LK 40` in **Truck**.',
      '# Diary',
      'Go to the browser tab **Dock Diary**.',
      'Type `LK 40` in **Arrived**.',
      '# Slip',
      'Go to the browser tab **Slip Desk**.',
      'Select **Close slip**.',
      '# Diary',
      'Go to the browser tab **Dock Diary**.',
      'Select **Save entry**.',
    ],
    work: async (hand, bench) => {
      const slip = hand.page
      const diary = await bench.newTab(`${bench.other}/slips.html`)
      await slip.bringToFront()
      await hand.rest(900)
      await hand.type('Truck', 'LK 40')
      await diary.bringToFront()
      await hand.rest(900)
      hand.page = diary
      await hand.type('Arrived', 'LK 40')
      await slip.bringToFront()
      await hand.rest(900)
      hand.page = slip
      await hand.click('button=Close slip')
      await diary.bringToFront()
      await hand.rest(900)
      hand.page = diary
      await hand.click('button=Save entry')
    },
  },
]
