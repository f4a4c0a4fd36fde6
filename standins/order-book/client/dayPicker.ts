import { dayWords, el } from './page'

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' })
const iso = (date: Date): string => date.toISOString().slice(0, 10)

/** A field for a day with a calendar of its own. The value is `YYYY-MM-DD`, empty until chosen.
 * @param earliest days before it cannot be chosen; Sundays never */
export function dayPicker(label: string, field: string, earliest: string): { element: HTMLElement; value: () => string } {
  let chosen = ''
  let month = new Date(`${earliest.slice(0, 7)}-01T00:00:00Z`)
  const button = el(
    'button',
    { type: 'button', 'data-field': field, 'aria-haspopup': 'dialog', on: { click: () => open() } },
    `${label}: choose a day`,
  )
  const choose = (day: string, dialog: HTMLDialogElement) => {
    chosen = day
    button.textContent = `${label}: ${dayWords(day)}`
    dialog.close()
  }
  const open = () => {
    const dialog = el('dialog', { 'aria-label': label })
    const draw = () => {
      const turn = (by: number) => {
        month = new Date(Date.UTC(month.getUTCFullYear(), month.getUTCMonth() + by, 1))
        draw()
      }
      const grid = el('div', { className: 'calendar' }, ...['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'].map((name) => el('span', {}, name)))
      const lead = (month.getUTCDay() + 6) % 7
      for (let i = 0; i < lead; i++) grid.append(el('span'))
      for (const day = new Date(month); day.getUTCMonth() === month.getUTCMonth(); day.setUTCDate(day.getUTCDate() + 1)) {
        const text = iso(day)
        grid.append(
          el(
            'button',
            {
              type: 'button',
              disabled: text < earliest || day.getUTCDay() === 0,
              'aria-label': dayWords(text),
              on: { click: () => choose(text, dialog) },
            },
            String(day.getUTCDate()),
          ),
        )
      }
      dialog.replaceChildren(
        el(
          'div',
          { className: 'spread' },
          el('button', { className: 'icon', 'aria-label': 'Month before', on: { click: () => turn(-1) } }, '‹'),
          el('strong', {}, MONTH.format(month)),
          el('button', { className: 'icon', 'aria-label': 'Month after', on: { click: () => turn(1) } }, '›'),
        ),
        grid,
      )
    }
    draw()
    dialog.addEventListener('close', () => {
      dialog.remove()
      button.focus()
    })
    document.body.append(dialog)
    dialog.showModal()
  }
  return { element: el('div', { style: 'margin:12px 0' }, button), value: () => chosen }
}
