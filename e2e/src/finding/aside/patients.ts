import { each, same, whole, type FoundPage } from '../page'

type Plant = [key: string, name: string, house: string]
const PLANTS: Plant[] = [
  ['b12', 'Basil 12', 'House 1'],
  ['b13', 'Basil 13', 'House 1'],
  ['r2', 'Rosemary 2', 'House 4'],
  ['r3', 'Rosemary 3', 'House 4'],
]
/** Plants under watch: groups with headings, rows with almost the same names. */
export const patients: FoundPage = {
  name: 'plants under watch',
  changed: 'a plant in another group, numbers next to known ones, a group folded away, buttons renamed',
  html: (state) => {
    const after = state === 'after'
    const row = ([key, name]: Plant) =>
      `<div role="row" aria-label="${name}"><span role="cell" ${same(`${key} name`)}>${name}</span> <button ${same(`${key} treat`)}>Treat</button> <button ${same(`${key} well`)}>${after ? 'Well again' : 'Is well'}</button></div>`
    const other = (name: string) =>
      `<div role="row" aria-label="${name}"><span role="cell">${name}</span> <button>Treat</button> <button>Well again</button></div>`
    const group = (name: string, rows: string) => `<section aria-label="${name}"><h2>${name}</h2>${rows}</section>`
    const [b12, b13, r2, r3] = PLANTS as [Plant, Plant, Plant, Plant]
    return whole(
      'Under watch',
      `<h1>Under watch</h1><button ${same('add')}>Put under watch</button> <input type="search" aria-label="Find" ${same('find')}>${
        after
          ? group('House 4', row(r2) + other('Rosemary 4') + row(b13)) + group('House 1', other('Basil 11') + row(b12))
          : group('House 1', row(b12) + row(b13)) + group('House 4', row(r2) + row(r3))
      }${each(after ? [] : ['x'], () => '<p>All looked at today.</p>')}`,
    )
  },
}
