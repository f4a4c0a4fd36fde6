import { each, same, whole, type FoundPage } from '../page'

const TABS = [
  ['general', 'General', 'General'],
  ['people', 'People', 'People and teams'],
  ['mail', 'Mail', 'Mail'],
  ['billing', 'Billing', 'Billing'],
] as const
/** Tabs, switches and fields whose ids are made by a program. */
export const settingsTabs: FoundPage = {
  name: 'settings in tabs',
  changed: 'ids made anew, one tab renamed, one put between, switches in another order',
  html: (state) => {
    const after = state === 'after'
    const id = (n: number) => `:r${(after ? 40 : 7) + n}:`
    const tabs = TABS.map(
      ([key, was, is]) => `<button role="tab" id="${id(key.length)}" ${same(`tab ${key}`)}>${after ? is : was}</button>`,
    )
    if (after) tabs.splice(1, 0, '<button role="tab">Security</button>')
    const toggle = (key: string, words: string, n: number) =>
      `<p><button role="switch" aria-checked="false" aria-labelledby="${id(20 + n)}" ${same(key)}></button> <span id="${id(20 + n)}">${words}</span></p>`
    const toggles = [
      ['digest', 'Send a digest on Mondays'],
      ['remind', 'Remind of what is due'],
      ['names', 'Show names on certificates'],
      ['guests', 'Let guests in by a link'],
    ] as const
    return whole(
      'Settings',
      `<h1>Settings</h1><div role="tablist">${tabs.join('')}</div><section role="tabpanel"><h2>General</h2>
        <p><label for="${id(1)}">Company name</label> <input id="${id(1)}" ${same('company')}></p>
        <p><label for="${id(2)}">Time zone</label> <select id="${id(2)}" ${same('zone')}><option>London</option><option>Warsaw</option></select></p>
        ${each(after ? [...toggles].reverse() : toggles, ([key, words], n) => toggle(key, words, n))}
        <p><label for="${id(3)}">${after ? 'Days of trial' : 'Trial days'}</label> <input type="number" id="${id(3)}" name="trial" ${same('trial')}></p></section>
       <footer><button ${same('save')}>Save changes</button> <button ${same('reset')}>Reset</button></footer>`,
    )
  },
}
