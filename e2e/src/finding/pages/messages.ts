import { each, same, whole, type FoundPage } from '../page'

type Message = [key: string, from: string, words: string]
const MESSAGES: Message[] = [
  ['gate', 'Bruno Salt', 'Who has the key to gate 2?'],
  ['pump', 'Edda Larch', 'The pump in house 5 is loud again.'],
  ['bus', 'Owen Tarn', 'The bus is late, start without us.'],
]
/** Messages with the same things to do at each. */
export const messages: FoundPage = {
  name: 'messages',
  changed: 'new messages above the others, one from the same person, one taken back, things to do behind a menu renamed',
  html: (state) => {
    const after = state === 'after'
    const message = ([key, from, words]: Message) =>
      `<li aria-label="${from}"><b ${same(`${key} from`)}>${from}</b><p>${words}</p><button ${same(`${key} reply`)}>Reply</button> <button ${same(`${key} mark`)}>${after ? 'Flag' : 'Mark'}</button></li>`
    const other = (from: string, words: string) =>
      `<li aria-label="${from}"><b>${from}</b><p>${words}</p><button>Reply</button> <button>Flag</button></li>`
    const list = after
      ? other('Edda Larch', 'It is quiet now.') + other('Mina Vole', 'Lunch at one?') + each(MESSAGES.slice(0, 2), message)
      : each(MESSAGES, message)
    return whole(
      'Messages',
      `<h1>Messages</h1><nav><a href="#all" ${same('all')}>All</a> <a href="#mine" ${same('mine')}>Mine</a></nav><ul>${list}</ul>
       <form><textarea placeholder="Write to everybody" ${same('words')}></textarea><button ${same('send')}>Send</button> <button type="button" aria-label="Add a picture" ${same('picture')}>+</button></form>`,
    )
  },
}
