import { each, same, whole, type FoundPage } from '../page'

const FILES = [
  ['plan', 'Plan of house 3.pdf'],
  ['list', 'Price list June.xlsx'],
  ['photo', 'Ramp at night.jpg'],
] as const
/** Files with a menu each, in a list that knows test ids. */
export const files: FoundPage = {
  name: 'files',
  changed: 'sorted anew, a file of nearly the same name, one deleted, test ids kept but for one',
  html: (state) => {
    const after = state === 'after'
    const file = ([key, name]: readonly [string, string]) =>
      `<li data-row><span ${same(`${key} name`)} data-testid="${after && key === 'plan' ? 'document' : 'file'}-${key}">${name}</span> <button aria-label="Download" ${same(`${key} down`)}>↓</button> <button ${same(`${key} rename`)}>Rename</button> <button ${same(`${key} share`)}>Share</button></li>`
    const other =
      '<li data-row><span>Price list July.xlsx</span> <button aria-label="Download">↓</button> <button>Rename</button> <button>Share</button></li>'
    return whole(
      'Files',
      `<h1>Files</h1><label>Choose a file <input type="file" ${same('choose')}></label> <button data-testid="upload" ${same('upload')}>${after ? 'Put it here' : 'Upload'}</button><ul>${after ? other + each([FILES[1], FILES[0]], file) : each(FILES, file)}</ul>
       <select aria-label="Sorted by" ${same('sorted')}><option>Name</option><option>Day</option></select>`,
    )
  },
}
