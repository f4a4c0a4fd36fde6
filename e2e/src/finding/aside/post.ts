import { each, same, whole, type FoundPage } from '../page'

type Mail = [key: string, from: string, about: string]
const MAILS: Mail[] = [
  ['quote', 'Marlow & Fig', 'Quote for June'],
  ['late', 'Quayside Deli', 'Late on Tuesday'],
  ['thanks', 'Harbour Rooms', 'Thank you'],
  ['claim', 'The Copper Pan', 'Wilted thyme'],
]
/** A list of mails with boxes to tick, and what can be done with them. */
export const post: FoundPage = {
  name: 'mails',
  changed: 'new mails first, one moved away, the bar of things to do below and in another order, folders renamed',
  html: (state) => {
    const after = state === 'after'
    const mail = ([key, from, about]: Mail) =>
      `<tr aria-label="${from}"><td><input type="checkbox" aria-label="Choose" ${same(`${key} tick`)}></td><td>${from}</td><td><a href="/mail/${key}" ${same(`${key} open`)}>${about}</a></td></tr>`
    const other = (from: string, about: string) =>
      `<tr aria-label="${from}"><td><input type="checkbox" aria-label="Choose"></td><td>${from}</td><td><a href="/mail/n">${about}</a></td></tr>`
    const tools = [
      ['archive', 'Archive'],
      ['delete', 'Delete'],
      ['move', 'Move to …'],
      ['unread', 'Mark as unread'],
    ] as const
    const bar = each(after ? [...tools].reverse() : tools, ([key, name]) => `<button ${same(key)}>${name}</button> `)
    const list = after
      ? other('Quayside Deli', 'Late on Friday') + other('Brass Lantern', 'Quote for July') + each([MAILS[0]!, MAILS[1]!, MAILS[3]!], mail)
      : each(MAILS, mail)
    return whole(
      'Mail',
      `<nav><a href="#in" ${same('inbox')}>${after ? 'Incoming' : 'Inbox'}</a> <a href="#out" ${same('sent')}>Sent</a></nav>${after ? '' : bar}<table><tbody>${list}</tbody></table>${after ? bar : ''}<button ${same('write')}>Write</button>`,
    )
  },
}
