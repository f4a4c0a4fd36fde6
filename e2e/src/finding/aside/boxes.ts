import { each, same, whole, type FoundPage } from '../page'

/** Everything is a plain box that reacts to presses, with classes made by a program. */
export const boxes: FoundPage = {
  name: 'plain boxes',
  changed: 'all classes made anew, wrappers around, two boxes renamed, one gone, one added',
  html: (state) => {
    const after = state === 'after'
    const classOf = (n: number) => (after ? `sc-q${n}zt8` : `sc-a${n}x1k`)
    const box = (key: string, words: string, n: number) =>
      after
        ? `<div class="${classOf(n)}"><div tabindex="0" ${same(key)}><span>${words}</span></div></div>`
        : `<div class="${classOf(n)}" tabindex="0" ${same(key)}>${words}</div>`
    const BOXES = [
      ['weigh', 'Weigh', 'Weigh'],
      ['print', 'Print a label', 'Print label'],
      ['crate', 'Next crate', 'Next crate'],
      ['pause', 'Pause', 'Take a break'],
      ['stock', 'Stock', 'Stock'],
      ['faults', 'Faults', 'Faults'],
      ['shift', 'Hand over the shift', 'Hand over the shift'],
      ['leave', 'Leave', 'Leave'],
    ] as const
    const shown = after ? BOXES.filter(([key]) => key !== 'faults') : BOXES
    return whole(
      'Station 4',
      `<div>Station 4</div>${each(shown, ([key, was, is], n) => box(key, after ? is : was, n))}${after ? '<div tabindex="0">Help</div>' : ''}
       <div><input placeholder="Crate number" ${same('number')}><input placeholder="Kilograms" ${same('kilograms')}></div><div role="button" tabindex="0" ${same('ok')}>OK</div>`,
      { style: 'div[tabindex]{padding:10px;border:1px solid #999;margin:4px;display:inline-block}' },
    )
  },
}
