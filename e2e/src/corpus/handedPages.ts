import { dragBy, upload } from './byPointer'
import type { Scenario } from './scenario'

/** Pages of other kinds: wizards, fields that are made anew, stars, lists by keyboard, sorting, shortcuts, inner boxes, busy pages, icons,
 * sliders, frames that nobody sees. */
export const HANDED_PAGES: Scenario[] = [
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
    want: [
      'Save plan in Wash Line',
      'Open **Wash Line**.',
      'Drag **Rinse** below **Soak**.',
      'Drag **Trays** to **Dry**.',
      'Select **Save plan**.',
    ],
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
]
