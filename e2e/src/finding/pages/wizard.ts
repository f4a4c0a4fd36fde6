import { same, whole, type FoundPage } from '../page'

/** Steps one after another, of which one is open. */
export const wizard: FoundPage = {
  name: 'steps of a booking',
  changed: 'a step more, buttons in another order, one field renamed and one without its label',
  html: (state) => {
    const after = state === 'after'
    const step = (key: string, n: number, name: string) => `<li><button type="button" ${same(`step ${key}`)}>${n}. ${name}</button></li>`
    return whole(
      'Book a delivery slot',
      `<ol>${step('where', 1, 'Where to')}${after ? '<li><button type="button">2. Pallets</button></li>' : ''}${step('when', after ? 3 : 2, 'When')}${step('check', after ? 4 : 3, 'Check')}</ol>
       <form id="booking"><h1>Where to</h1>
        <p><label for="dock">${after ? 'Loading dock' : 'Dock'}</label> <select id="dock" name="dock" ${same('dock')}><option>North</option><option>South</option></select></p>
        <p><label for="haulier">Haulier</label> <input id="haulier" name="haulier" ${same('haulier')}></p>
        <p>${after ? '' : '<label for="plate">Number plate</label>'} <input id="plate" name="plate" placeholder="AB12 CDE" ${same('plate')}></p>
        <p><label for="driver">Driver</label> <input id="driver" name="driver" ${same('driver')}></p>
        <p><label><input type="checkbox" name="lift" ${same('lift')}> Tail lift</label> <label><input type="checkbox" name="chilled" ${same('chilled')}> Chilled</label></p>
        <p>${after ? `<button type="submit" ${same('next')}>Continue</button> <button type="button" ${same('back')}>Back</button>` : `<button type="button" ${same('back')}>Back</button> <button type="submit" ${same('next')}>Next</button>`}
         <button type="button" ${same('drop')}>Drop the booking</button> <a href="/help/slots" ${same('help')}>How slots work</a></p></form>`,
    )
  },
}
