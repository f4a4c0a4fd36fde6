import type { Scenario } from './scenario'

/** Pages of other kinds: frames, private data, dialogs in dialogs, grids, parts in shadows, talk, menus by keyboard, two tabs. */
export const LAYERED_PAGES: Scenario[] = [
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
      await hand.ready()
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
    before: async ({ newTab, other }) => void (await newTab(`${other}/slips.html`)),
    work: async (hand) => {
      const slip = hand.page
      const diary = (await slip.browser().pages()).find((page) => /127\.0\.0\.1:\d+\/slips/.test(page.url()))!
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
