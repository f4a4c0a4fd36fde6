import { each, same, whole, type FoundPage } from '../page'

/** Days of a month as buttons, and what is planned on them. */
export const monthGrid: FoundPage = {
  name: 'month',
  changed: 'the month after: the same numbers are other days; the legend moved',
  html: (state) => {
    const after = state === 'after'
    const month = after ? 'April' : 'March'
    const day = (n: number) => `<td><button aria-label="${n} ${month}" ${after ? '' : same(`day ${n}`)}>${n}</button></td>`
    const weeks = Array.from(
      { length: 4 },
      (_, w) =>
        `<tr>${each([1, 2, 3, 4, 5, 6, 7], (d) => (after ? `<td><button aria-label="${w * 7 + d} ${month}">${w * 7 + d}</button></td>` : w === 1 ? day(w * 7 + d) : `<td><button aria-label="${w * 7 + d} ${month}">${w * 7 + d}</button></td>`))}</tr>`,
    )
    const legend = `<p><label><input type="checkbox" ${same('sowings')}> Sowings</label> <label><input type="checkbox" ${same('harvests')}> Harvests</label> <label><input type="checkbox" ${same('visits')}> Visits</label></p>`
    return whole(
      'Calendar',
      `<h1>${month} 2026</h1>${after ? legend : ''}<button aria-label="Month before" ${same('previous')}>‹</button> <button ${same('today')}>Today</button> <button aria-label="Month after" ${same('next')}>›</button>
       <select aria-label="View" ${same('view')}><option>Month</option><option>Week</option></select><table><tbody>${weeks.join('')}</tbody></table>${after ? '' : legend}<button ${same('plan')}>Plan something</button>`,
    )
  },
}
