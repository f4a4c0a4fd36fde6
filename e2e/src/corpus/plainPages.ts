import { writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Scenario } from './scenario'

const DESK = 'Open **Staff Desk**.'

/** Plain forms, pages without names, a drawing, a large table. */
export const PLAIN_PAGES: Scenario[] = [
  {
    name: 'leave-asked',
    at: 'form.html',
    want: [
      'Send request in Staff Desk',
      DESK,
      'Type `Kim` in **Your name**.',
      'Type `3` in **Days**.',
      'Choose **Holiday**.',
      'Type `Garden` in **Reason**.',
      'Select **Send request**.',
    ],
    work: async (hand) => {
      await hand.type('Your name', 'Kim')
      await hand.type('Days *', '3')
      await hand.click('Holiday')
      await hand.type('Reason', 'Garden')
      await hand.click('Send request')
    },
  },
  {
    name: 'leave-kind-changed',
    at: 'form.html',
    want: ['Send request in Staff Desk', DESK, 'Choose **Sick child**.', 'Type `1` in **Days**.', 'Select **Send request**.'],
    work: async (hand) => {
      await hand.click('Holiday')
      await hand.click('Sick child')
      await hand.type('Days *', '1')
      await hand.click('Send request')
    },
  },
  {
    name: 'leave-with-file',
    aside: true,
    at: 'form.html',
    want: [
      'Send request in Staff Desk',
      DESK,
      'Type `2` in **Days**.',
      'Choose the file for **Note from the doctor**, for example `doctor.txt`.',
      'Select **Send request**.',
    ],
    work: async (hand) => {
      await hand.type('Days *', '2')
      const file = join(tmpdir(), 'doctor.txt')
      await writeFile(file, 'made up')
      const chooser = hand.page.waitForFileChooser()
      await hand.click('css:[name=note]')
      await (await chooser).accept([file])
      await hand.rest()
      await hand.click('Send request')
    },
  },
  {
    name: 'leave-with-mail',
    at: 'form.html',
    want: [
      'Send request in Staff Desk',
      DESK,
      'Type the mail address in **Mail**.',
      'Tick **My shift lead knows**.',
      'Select **Send request**.',
    ],
    work: async (hand) => {
      await hand.type('Mail', 'kim@larkmoor.example')
      await hand.click('My shift lead knows')
      await hand.click('Send request')
    },
  },
  {
    name: 'leave-by-keyboard',
    at: 'form.html',
    want: ['Ask for leave in Staff Desk', DESK, 'Type `Kim` in **Your name**.', 'Type `4` in **Days**.', 'Press `Enter` in **Days**.'],
    work: async (hand) => {
      await (await hand.at('Your name')).element.focus()
      await hand.keys('Kim')
      await hand.key('Tab')
      await (await hand.at('Days *')).element.focus()
      await hand.keys('4')
      await hand.key('Enter')
    },
  },
  {
    name: 'leave-slider-and-day',
    aside: true,
    at: 'form.html',
    want: [
      'Send request in Staff Desk',
      DESK,
      'Set **First day** to `2026-03-20`.',
      'Set **How full is the week** to `7`.',
      'Select **Send request**.',
    ],
    work: async (hand) => {
      await (await hand.at('css:#from')).element.focus()
      await hand.keys('03202026')
      await (await hand.at('How full is the week')).element.focus()
      await hand.key('ArrowRight', 2)
      await hand.click('Send request')
    },
  },
  {
    name: 'leave-rules-read-first',
    at: 'form.html',
    want: ['Send request in Staff Desk', DESK, 'Type `Kim` in **Your name**.', 'Select **Send request**.'],
    work: async (hand) => {
      await hand.click('link=Rules on leave')
      await hand.rest(1_300)
      await hand.back()
      await hand.rest(700)
      await hand.type('Your name', 'Kim')
      await hand.click('Send request')
    },
  },
  {
    name: 'nameless-switch',
    at: 'nameless.html',
    want: ['Work in Glass watch', 'Open **Glass watch**.', 'Select the marked area next to **Vents of house 2**.'],
    work: async (hand) => hand.click('css:.line:nth-of-type(2) .sw'),
  },
  {
    name: 'nameless-icon-and-field',
    aside: true,
    at: 'nameless.html',
    want: ['Glass watch', 'Open **Glass watch**.', 'Select the icon at the top right.', 'Type `21` in the field next to **Target °C**.'],
    work: async (hand) => {
      await hand.click('css:#bell')
      await hand.type('css:.t1', '21')
    },
  },
  {
    name: 'nameless-odd-name',
    at: 'nameless.html',
    want: [
      'Work in Glass watch',
      'Open **Glass watch**.',
      'Select the marked area next to **Shade cloth**.',
      'Select the marked area at the top left.',
    ],
    work: async (hand) => {
      await hand.click('css:.line:nth-of-type(3) .sw')
      await hand.click('css:#btn_save_01')
    },
  },
  {
    name: 'canvas-planted',
    at: 'drawing.html',
    want: [
      'Plant in Field Map',
      'Open **Field Map**.',
      'Select **Plant**.',
      'Select the marked place in the middle in the drawing **Beds**.',
      'Select the marked place on the right in the drawing **Beds**.',
    ],
    work: async (hand) => {
      await hand.click('button=Plant')
      const { x, y } = await hand.at('css:#c')
      await hand.press(x - 100, y - 60)
      await hand.rest()
      await hand.press(x + 120, y + 50)
      await hand.rest()
    },
  },
  {
    name: 'rtl-order',
    at: 'rtl.html',
    want: [
      'שמירת ההזמנה in יומן החממה',
      'Open **יומן החממה**.',
      'Type `דנה` in **שם הלקוח**.',
      'Type `6` in **כמות**.',
      'Tick **משלוח בקירור**.',
      'Choose **נענע** in **עשב**.',
      'Select **שמירת ההזמנה**.',
    ],
    work: async (hand) => {
      await hand.type('שם הלקוח', 'דנה')
      await hand.type('כמות', '6')
      await hand.click('משלוח בקירור')
      await (await hand.at('עשב')).element.focus()
      await hand.key('ArrowDown')
      await hand.click('שמירת ההזמנה')
    },
  },
  {
    name: 'table-row-edited',
    at: 'table.html',
    want: ['Edit in Count Sheet', 'Open **Count Sheet**.', 'Select **Edit** in the row **Tray 3**.'],
    work: async (hand) => {
      await hand.rest(900)
      await hand.click('css:tbody tr:nth-of-type(3) button')
    },
  },
  {
    name: 'table-far-row-edited',
    aside: true,
    at: 'table.html',
    want: ['Edit in Count Sheet', 'Open **Count Sheet**.', 'Scroll down. Select **Edit** in the row **Tray 700**.'],
    work: async (hand) => {
      await hand.rest(900)
      await hand.click('css:tbody tr:nth-of-type(700) button')
    },
  },
]
