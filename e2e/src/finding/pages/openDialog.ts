import { same, whole, type FoundPage } from '../page'

/** A dialog over a page that has buttons of the same names. */
export const openDialog: FoundPage = {
  name: 'dialog over a page',
  changed: 'the dialog is first in the page, its buttons in another order, a second dialog is there but closed',
  html: (state) => {
    const after = state === 'after'
    const page = `<main><h1>Crates</h1><button ${same('page add')}>Add</button> <button ${same('page remove')}>Remove</button> <button ${same('page save')}>Save</button>
      <p><label>Name <input name="name" ${same('page name')}></label></p><p><label>Colour <input name="colour" ${same('page colour')}></label></p></main>`
    const buttons = [
      `<button ${same('dialog save')}>Save</button>`,
      `<button ${same('dialog cancel')}>Cancel</button>`,
      `<button ${same('dialog remove')}>Remove</button>`,
    ]
    const dialog = `<dialog open aria-label="Deposit"><h2>Deposit</h2><p><label>Name <input name="name" ${same('dialog name')}></label></p><p><label>Sum <input name="sum" ${same('dialog sum')}></label></p>
      <p><label>Paid on <input name="paid" type="date" ${same('dialog paid')}></label></p>${after ? buttons.reverse().join(' ') : buttons.join(' ')}</dialog>`
    const closed = after
      ? '<dialog aria-label="Return"><h2>Return</h2><label>Name <input name="name"></label><button>Save</button></dialog>'
      : ''
    return whole('Crates', after ? dialog + closed + page : page + dialog)
  },
}
