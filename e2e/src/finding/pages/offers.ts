import { each, same, whole, type FoundPage } from '../page'

type Offer = [key: string, was: string, is: string]
const OFFERS: Offer[] = [
  ['small', 'Windowsill', 'Windowsill'],
  ['middle', 'Kitchen', 'Kitchen'],
  ['large', 'Restaurant', 'Restaurant and bar'],
]
/** Boxes that say nearly the same, each with a button of the same name. */
export const offers: FoundPage = {
  name: 'boxes on offer',
  changed: 'a box between the others, one renamed, the button renamed in all, classes made anew',
  html: (state) => {
    const after = state === 'after'
    const offer = ([key, was, is]: Offer, n: number) =>
      `<section class="${after ? `css-${n}9fk2a` : 'offer'}" aria-label="${after ? is : was}"><h2 ${same(`${key} name`)}>${after ? is : was}</h2><p>${4 + n} herbs a week</p>
       <button ${same(`${key} choose`)}>${after ? 'Choose this box' : 'Choose'}</button> <a href="/boxes/${key}" ${same(`${key} more`)}>What is in it</a></section>`
    const new_ =
      '<section aria-label="Bistro"><h2>Bistro</h2><p>5 herbs a week</p><button>Choose this box</button> <a href="/boxes/bistro">What is in it</a></section>'
    const all = OFFERS.map(offer)
    if (after) all.splice(2, 0, new_)
    return whole(
      'Boxes',
      `<h1>Boxes</h1><p><button aria-pressed="true" ${same('week')}>Every week</button> <button aria-pressed="false" ${same('fortnight')}>Every two weeks</button></p>${all.join('')}<p><a href="/terms" ${same('terms')}>Terms</a> <a href="/contact" ${same('contact')}>Ask us</a></p>${each(after ? ['New: Bistro'] : [], (words) => `<p>${words}</p>`)}`,
    )
  },
}
