import { CUSTOMERS } from '../customers'
import { button, orderBook, table, text } from './pen'

/** Pages of the Order Book, by the name of their file. */
// prettier-ignore
export const SCREENS: Record<string, string> = {
  'order-book-stock': orderBook(
    'Stock',
    text(28, 120, 'Stock', { size: 30, bold: true }) + button(28, 150, 170, 'Count sheets', true) + button(212, 150, 150, 'Enter count') + button(376, 150, 150, 'Movements') +
      table(28, 226, [['Article', 130], ['Name', 330], ['Place', 200], ['Last count', 244]], [['7004', 'Crate liner M', 'A-03-2', '28 February'], ['7011', 'Label roll 60 mm', 'A-04-1', '28 February'], ['7120', 'Peat-free substrate', 'C-01-1', '28 February'], ['7131', 'Tray, 144 cells', 'C-02-4', '28 February'], ['7302', 'Silicone grease', 'F-01-3', '31 January']]),
  ),
  'order-book-customers': orderBook(
    'Customers',
    text(28, 120, 'Customers', { size: 30, bold: true }) + button(28, 150, 170, 'New customer', true) +
      table(28, 226, [['Number', 110], ['Name', 220], ['Mail address', 300], ['Telephone', 254]], CUSTOMERS),
  ),
}
