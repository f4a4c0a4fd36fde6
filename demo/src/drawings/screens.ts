import { box, button, field, orderBook, path, table, text, tick } from './pen'

/** Pages of the Order Book, by the name of their file. */
// prettier-ignore
export const SCREENS: Record<string, string> = {
  'order-book-customers': orderBook(
    'Customers',
    text(28, 120, 'Customers', { size: 30, bold: true }) + field(28, 166, 380, 'Find', '40127') + button(424, 165, 100, 'Find') + button(756, 165, 176, 'New customer', true) +
      table(28, 240, [['Number', 130], ['Name', 300], ['Town', 214], ['Rhythm', 260]], [['40127', 'Greenway Corner Shop', 'Alderbrook', 'Mon, Wed, Fri'], ['40131', 'Greenway Deli', 'Penholt', 'Tue'], ['40202', 'Greenway Market Hall', 'Alderbrook', 'daily'], ['40218', 'The Copper Ladle', 'Wick Sands', 'Thu, Sat'], ['40233', 'Hob & Thyme', 'Penholt', 'on call']]),
  ),
  'order-book-standing-order': orderBook(
    'Standing orders',
    text(28, 120, 'New standing order', { size: 30, bold: true }) + text(28, 152, '40127 Greenway Corner Shop, Alderbrook', { size: 17, fill: '#4A5560' }) +
      ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'].map((day, index) => tick(28 + index * 100, 184, day, [0, 2, 4].includes(index))).join('') +
      field(28, 262, 300, 'Herb', 'Basil, green') + field(348, 262, 130, 'Crate', 'M (18 pots)') + field(498, 262, 110, 'Crates', '3') + field(28, 342, 300, 'Herb', 'Coriander') + field(348, 342, 130, 'Crate', 'S (8 pots)') + field(498, 342, 110, 'Crates', '2') +
      button(28, 402, 130, 'Add a line') + field(28, 488, 220, 'First delivery', '9 March') + button(640, 488, 120, 'Check') + button(776, 488, 156, 'Save', true),
  ),
  'order-book-check': orderBook(
    'Standing orders',
    text(28, 120, 'Check: the next four weeks', { size: 30, bold: true }) +
      table(28, 160, [['Week', 120], ['Monday', 190], ['Wednesday', 190], ['Friday', 190], ['Crates', 214]], [['11', '9 March', '11 March', '13 March', '15'], ['12', '16 March', '18 March', '20 March', '15'], ['13', '23 March', '25 March', '27 March', '15'], ['14', '30 March', '1 April', 'moved to Thu', '15']]) +
      box(538, 329, 180, 34, { stroke: '#7A4E00', width: 2, dash: '6 4' }) + text(28, 440, 'Friday of week 14 is a bank holiday. The delivery goes out on Thursday.', { size: 18, fill: '#7A4E00' }) + button(560, 510, 130, 'Back') + button(706, 510, 226, 'Save standing order', true),
  ),
  'order-book-slots': orderBook(
    'Deliveries',
    text(28, 120, 'Deliveries, Tuesday 3 March', { size: 30, bold: true }) + ['Dock 1, curtain', 'Dock 2', 'Dock 3, no leveller'].map((dock, index) => text(150 + index * 270, 166, dock, { size: 17, bold: true })).join('') +
      ['06:00', '06:30', '07:00', '07:30', '08:00', '08:30', '09:00'].map((time, row) => text(40, 208 + row * 54, time, { size: 17, mono: true }) + [0, 1, 2].map((dock) => box(150 + dock * 270, 182 + row * 54, 250, 44, { fill: (dock === 0 && row === 1) || (dock === 1 && row === 3) ? '#C8CDBF' : '#FFFFFF', stroke: '#A4AC9C', width: 1.5, round: 2 })).join('')).join('') +
      text(166, 264, 'Brackwater Haulage, 6 pallets', { size: 16 }) + text(436, 372, 'Two Rivers, 8 pallets', { size: 16 }) + path('M 420 398 h 250 v 44 h -250 z', { stroke: '#2F4A3A', width: 3 }) + text(436, 426, 'free', { size: 16 }),
  ),
  'order-book-stock': orderBook(
    'Stock',
    text(28, 120, 'Stock', { size: 30, bold: true }) + button(28, 150, 170, 'Count sheets', true) + button(212, 150, 150, 'Enter count') + button(376, 150, 150, 'Movements') +
      table(28, 226, [['Article', 130], ['Name', 330], ['Place', 200], ['Last count', 244]], [['7004', 'Crate liner M', 'A-03-2', '28 February'], ['7011', 'Label roll 60 mm', 'A-04-1', '28 February'], ['7120', 'Peat-free substrate', 'C-01-1', '28 February'], ['7131', 'Tray, 144 cells', 'C-02-4', '28 February'], ['7302', 'Silicone grease', 'F-01-3', '31 January']]),
  ),
}
