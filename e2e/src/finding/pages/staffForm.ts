import { same, whole, type FoundPage } from '../page'

const WORDS = {
  en: {
    ...{
      title: 'New colleague',
      first: 'First name',
      last: 'Surname',
      born: 'Born on',
      mail: 'Mail',
      phone: 'Telephone',
      site: 'Site',
      start: 'Starts on',
    },
    ...{
      full: 'Full time',
      part: 'Part time',
      shoes: 'Shoe size',
      licence: 'Has a forklift licence',
      note: 'Note',
      save: 'Save',
      cancel: 'Cancel',
      more: 'Add another',
    },
  },
  de: {
    ...{
      title: 'Neue Kollegin',
      first: 'Vorname',
      last: 'Nachname',
      born: 'Geboren am',
      mail: 'E-Mail',
      phone: 'Telefon',
      site: 'Standort',
      start: 'Beginnt am',
    },
    ...{
      full: 'Vollzeit',
      part: 'Teilzeit',
      shoes: 'Schuhgröße',
      licence: 'Hat einen Staplerschein',
      note: 'Notiz',
      save: 'Speichern',
      cancel: 'Abbrechen',
      more: 'Noch jemand',
    },
  },
}
/** A form whose fields have names, in another language and order. */
export const staffForm: FoundPage = {
  name: 'staff form',
  changed: 'another language, fields in another order, one more between them',
  html: (state) => {
    const t = WORDS[state === 'before' ? 'en' : 'de']
    const field = (name: keyof typeof t, type = 'text') =>
      `<p><label>${t[name]} <input name="${name}" type="${type}" ${same(name)}></label></p>`
    const first = field('first') + field('last')
    const contact = field('mail', 'email') + field('phone', 'tel')
    return whole(
      t.title,
      `<h1>${t.title}</h1><form>
        ${state === 'before' ? first + contact : contact + `<p><label>Zweiter Vorname <input name="middle"></label></p>` + first}
        ${field('born', 'date')}
        <p><label>${t.site} <select name="site" ${same('site')}><option>Brookside</option><option>Hill Row</option></select></label></p>
        ${field('start', 'date')}
        <fieldset><label><input type="radio" name="hours" value="full" ${same('full')}> ${t.full}</label> <label><input type="radio" name="hours" value="part" ${same('part')}> ${t.part}</label></fieldset>
        ${field('shoes', 'number')}
        <p><label><input type="checkbox" name="licence" ${same('licence')}> ${t.licence}</label></p>
        <p><label>${t.note} <textarea name="note" ${same('note')}></textarea></label></p>
        <button type="submit" name="save" ${same('save')}>${t.save}</button> <button type="button" name="cancel" ${same('cancel')}>${t.cancel}</button>
        <button type="button" name="more" ${same('more')}>${t.more}</button></form>`,
      { lang: state === 'before' ? 'en' : 'de' },
    )
  },
}
