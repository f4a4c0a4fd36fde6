import { same, whole, type FoundPage } from '../page'

/** A form in a frame, and one like it around it. */
export const innerFrame: FoundPage = {
  name: 'form in a frame',
  changed: 'a notice above the frame, fields of the inner form in another order, one outside renamed',
  html: (state) => {
    const after = state === 'after'
    const fields = [
      `<p><label>Street <input name="street" ${same('inner street')}></label></p>`,
      `<p><label>Town <input name="town" ${same('inner town')}></label></p>`,
      `<p><label>Code <input name="code" ${same('inner code')}></label></p>`,
    ]
    const inner = whole(
      'Address',
      `<form>${(after ? fields.reverse() : fields).join('')}<button ${same('inner save')}>Save</button> <button type="button" ${same('inner clear')}>Clear</button> <a href="/map" ${same('inner map')}>Map</a></form>`,
    )
    return whole(
      'Customer',
      `<h1>Customer</h1>${after ? '<p role="status">Saved an hour ago <button>Hide</button></p>' : ''}
       <p><label>${after ? 'Trading name' : 'Name'} <input name="name" ${same('name')}></label></p><p><label>Town <input name="town" ${same('town')}></label></p>
       <iframe title="Address" width="500" height="220" srcdoc="${inner.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"></iframe>
       <p><button ${same('save')}>Save</button> <button ${same('close')}>Close the account</button> <label><input type="checkbox" name="paper" ${same('paper')}> On paper</label>
       <select name="terms" aria-label="Terms" ${same('terms')}><option>14 days</option><option>30 days</option></select></p>`,
    )
  },
}
