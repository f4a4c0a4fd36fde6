import { each, same, whole, type FoundPage } from '../page'

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday']
const SHIFTS = ['Early', 'Late']
/** A rota: a cell for each day and shift. */
export const week: FoundPage = {
  name: 'rota of a week',
  changed: 'days across instead of down, a shift more, a day more',
  html: (state) => {
    const after = state === 'after'
    const cell = (day: string, shift: string, known: boolean) =>
      `<button aria-label="${day}, ${shift}" ${known ? same(`${day} ${shift}`) : ''}>${known ? 'Free' : '–'}</button>`
    const table = after
      ? `<tr><td></td>${each([...DAYS, 'Saturday'], (day) => `<th>${day}</th>`)}</tr>${each(['Early', 'Middle', 'Late'], (shift) => `<tr><th>${shift}</th>${each([...DAYS, 'Saturday'], (day) => `<td>${cell(day, shift, DAYS.includes(day) && SHIFTS.includes(shift))}</td>`)}</tr>`)}`
      : `<tr><td></td>${each(SHIFTS, (shift) => `<th>${shift}</th>`)}</tr>${each(DAYS, (day) => `<tr><th>${day}</th>${each(SHIFTS, (shift) => `<td>${cell(day, shift, true)}</td>`)}</tr>`)}`
    return whole(
      'Rota',
      `<h1>Rota</h1><button ${same('before')}>Week before</button> <button ${same('after')}>Week after</button><table><tbody>${table}</tbody></table><button ${same('publish')}>Publish the rota</button>`,
    )
  },
}
