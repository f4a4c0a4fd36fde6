import { each, same, whole, type FoundPage } from '../page'

const LINES = [
  ['light', 'The light at the benches'],
  ['noise', 'The noise in the packhouse'],
  ['breaks', 'The breaks'],
] as const
const PLACES = ['Good', 'Middling', 'Bad']
/** Questions down, answers across. */
export const matrix: FoundPage = {
  name: 'questions in a table',
  changed: 'questions in another order, one reworded, one more, answers the other way round',
  html: (state) => {
    const after = state === 'after'
    const words = (key: string, was: string) => (after && key === 'breaks' ? 'The breaks, when and how long' : was)
    const line = ([key, name]: readonly [string, string]) =>
      `<tr><th scope="row">${words(key, name)}</th>${each(after ? [...PLACES].reverse() : PLACES, (place) => `<td><input type="radio" name="${key}" aria-label="${place}" ${same(`${key} ${place}`)}></td>`)}</tr>`
    const other = `<tr><th scope="row">The light in the packhouse</th>${each(PLACES, (place) => `<td><input type="radio" name="light2" aria-label="${place}"></td>`)}</tr>`
    const lines = after ? [LINES[1], LINES[2], LINES[0]] : [...LINES]
    return whole(
      'How is it?',
      `<h1>How is it?</h1><table><tbody>${each(lines, line)}${after ? other : ''}</tbody></table><textarea aria-label="Anything else" ${same('else')}></textarea><button ${same('send')}>Send</button> <button ${same('later')}>Later</button>`,
    )
  },
}
