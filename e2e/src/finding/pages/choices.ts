import { each, same, whole, type FoundPage } from '../page'

const GROUPS = {
  fruit: ['Whole', 'Cut', 'Other'],
  pack: ['Crate', 'Box', 'Other'],
  ride: ['Van', 'Lorry', 'Other'],
} as const
type Group = keyof typeof GROUPS
/** Groups of choices, in each of which one is called the same. */
export const choices: FoundPage = {
  name: 'groups of choices',
  changed: 'groups in another order, values and ids made anew, one more choice in each, one group renamed',
  html: (state) => {
    const after = state === 'after'
    const legend = { fruit: 'Fruit', pack: after ? 'Packing' : 'Packaging', ride: 'Transport' }
    const group = (key: Group) =>
      `<fieldset><legend>${legend[key]}</legend>${after ? '<label><input type="radio" value="0"> Not known</label>' : ''}${each(
        GROUPS[key],
        (name, n) =>
          `<label><input type="radio" name="${after ? `g${key.length}` : key}" value="${after ? n + 7 : n}" ${same(`${key} ${name}`)}> ${name}</label> `,
      )}</fieldset>`
    const keys: Group[] = after ? ['ride', 'fruit', 'pack'] : ['fruit', 'pack', 'ride']
    return whole(
      'Filters',
      `<h1>Filters</h1>${each(keys, group)}<label><input type="checkbox" ${same('all')}> Only what is there</label> <button ${same('apply')}>Apply</button> <button ${same('clear')}>Clear all</button>`,
    )
  },
}
