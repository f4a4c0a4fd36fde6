import { same, whole, type FoundPage } from '../page'

/** The same links at the head and at the foot of a page. */
export const twice: FoundPage = {
  name: 'links at head and foot',
  changed: 'the foot has one more of those of the head, the head is in a menu, one link renamed in both',
  html: (state) => {
    const after = state === 'after'
    const links = (where: 'head' | 'foot') =>
      `<a href="/account" ${same(`${where} account`)}>${after ? 'My account' : 'Account'}</a> <a href="/orders" ${same(`${where} orders`)}>Orders</a> <a href="/help" ${same(`${where} help`)}>Help</a>${where === 'foot' && after ? ' <a href="/out">Sign out</a>' : ''}`
    return whole(
      'Account',
      `<header>${after ? `<details open><summary>Menu</summary><nav aria-label="Head">${links('head')} <a href="/out" ${same('out')}>Sign out</a></nav></details>` : `<nav aria-label="Head">${links('head')} <a href="/out" ${same('out')}>Sign out</a></nav>`}</header>
       <main><h1>Account</h1><p><label>Name to be shown <input name="shown" ${same('shown')}></label></p><p><label>Password <input type="password" name="password" ${same('password')}></label></p>
       <p><label>Password again <input type="password" name="again" ${same('again')}></label></p><button ${same('save')}>Save</button></main><footer><nav aria-label="Foot">${links('foot')}</nav></footer>`,
    )
  },
}
