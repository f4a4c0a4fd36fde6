import { each, same, whole, type FoundPage } from '../page'

const WORDS = {
  pl: {
    title: 'Waga 2',
    tare: 'Tara',
    zero: 'Zeruj',
    net: 'Netto',
    gross: 'Brutto',
    unit: 'Jednostka',
    limit: 'Granica',
    alarm: 'Alarm',
    keep: 'Zapamiętaj',
    print: 'Drukuj',
    test: 'Sprawdź',
    off: 'Wyłącz',
  },
  en: {
    title: 'Scale 2',
    tare: 'Tare',
    zero: 'Zero',
    net: 'Net',
    gross: 'Gross',
    unit: 'Unit',
    limit: 'Limit',
    alarm: 'Alarm',
    keep: 'Keep',
    print: 'Print',
    test: 'Check',
    off: 'Switch off',
  },
}
/** A panel with stable ids, in another language. */
export const scales: FoundPage = {
  name: 'panel of a scale',
  changed: 'English instead of Polish, buttons in other groups, one id changed, one control gone',
  html: (state) => {
    const after = state === 'after'
    const t = WORDS[after ? 'en' : 'pl']
    const button = (key: keyof typeof t) => `<button id="${after && key === 'test' ? 'selfcheck' : key}" ${same(key)}>${t[key]}</button> `
    const field = (key: keyof typeof t) => `<label for="f-${key}">${t[key]}</label> <input id="f-${key}" ${same(key)}> `
    const buttons: (keyof typeof t)[] = after ? ['print', 'keep', 'zero', 'tare', 'test'] : ['tare', 'zero', 'keep', 'print', 'test', 'off']
    return whole(
      t.title,
      `<h1>${t.title}</h1>${after ? field('limit') : ''}<p>${each(buttons, button)}</p><p><button id="net" role="tab" ${same('net')}>${t.net}</button><button id="gross" role="tab" ${same('gross')}>${t.gross}</button></p>
       ${after ? '' : field('limit')}<label for="f-unit">${t.unit}</label> <select id="f-unit" ${same('unit')}><option>g</option><option>kg</option></select> <label><input type="checkbox" id="alarm" ${same('alarm')}> ${t.alarm}</label>`,
      { lang: after ? 'en' : 'pl' },
    )
  },
}
