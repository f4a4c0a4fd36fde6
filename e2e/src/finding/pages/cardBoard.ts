import { each, same, whole, type FoundPage } from '../page'

const CARDS = {
  lamp: 'Yard lamp is out',
  door: 'Door of house 3 sticks',
  fan: 'Fan 2 rattles',
  scale: 'Scale at ramp drifts',
  sink: 'Sink is blocked',
} as const
type Card = keyof typeof CARDS
/** Cards in columns, each with the same things to do. */
export const cardBoard: FoundPage = {
  name: 'board of cards',
  changed: 'cards in other columns and another order, a card gone, new ones with similar titles',
  html: (state) => {
    const after = state === 'after'
    const card = (key: Card) =>
      `<article aria-label="${CARDS[key]}"><h3 ${same(`${key} title`)}>${CARDS[key]}</h3><button ${same(`${key} take`)}>Take it</button> <button ${same(`${key} done`)}>Done</button></article>`
    const other = (title: string) =>
      `<article aria-label="${title}"><h3>${title}</h3><button>Take it</button> <button>Done</button></article>`
    const column = (name: string, cards: string) => `<section aria-label="${name}"><h2>${name}</h2>${cards}</section>`
    return whole(
      'Repairs',
      `<h1>Repairs</h1><button ${same('report')}>Report a fault</button>${
        after
          ? column('New', other('Yard lamp at gate 2 is out') + card('scale')) +
            column('Under way', card('lamp') + card('fan') + other('Fan 4 rattles')) +
            column('Done', card('door'))
          : column('New', each(['lamp', 'door', 'fan'] as const, card)) +
            column('Under way', each(['scale', 'sink'] as const, card)) +
            column('Done', '')
      }`,
      { style: 'section{display:inline-block;vertical-align:top;width:30%}' },
    )
  },
}
