import { seededRandom } from '@jackdaw/core/shared'

const SKINS = ['#F3D3BC', '#E8B995', '#D49A6F', '#B97B50', '#8D5A3A', '#65402B']
const HAIRS = ['#2B2320', '#51382A', '#7A4A2B', '#B5793D', '#D9B76A', '#A7A9AB', '#8A3B22']
const CLOTHES = ['#2F6F5E', '#35566F', '#8A4B3A', '#6B5B87', '#4A5C2F', '#7A6A45']
const GROUNDS = ['#DCE8E4', '#E6E2D6', '#DDE3EC', '#EBDDD8', '#E3E8D5']

/** Ways to wear one's hair: what lies behind the head, and what before it. */
const STYLES: readonly ((hair: string) => [behind: string, before: string])[] = [
  (hair) => ['', `<path d="M44 72 q-2 -40 36 -40 q38 0 36 40 q-8 -22 -24 -24 q-30 2 -48 24z" fill="${hair}"/>`],
  (hair) => [
    `<path d="M40 118 q-10 -86 40 -86 q50 0 40 86 z" fill="${hair}"/>`,
    `<path d="M46 76 q2 -36 34 -38 q32 2 34 38 q-20 -6 -34 -24 q-14 18 -34 24z" fill="${hair}"/>`,
  ],
  (hair) => [
    `<circle cx="80" cy="28" r="15" fill="${hair}"/>`,
    `<path d="M46 74 q0 -38 34 -38 q34 0 34 38 q-10 -20 -34 -20 q-24 0 -34 20z" fill="${hair}"/>`,
  ],
  (hair) => [
    `<path d="M36 100 q-8 -70 44 -70 q52 0 44 70 q-4 10 -14 6 l0 -30 l-60 0 l0 30 q-10 4 -14 -6z" fill="${hair}"/>`,
    `<path d="M46 70 q6 -30 34 -30 q28 0 34 30 q-30 2 -44 -12 q-8 10 -24 12z" fill="${hair}"/>`,
  ],
  (hair) => [
    '',
    `<path d="M46 62 q4 -14 12 -18 M102 44 q8 6 12 18" stroke="${hair}" stroke-width="7" fill="none" stroke-linecap="round"/>`,
  ],
  (hair) => [
    [...Array(9).keys()]
      .map((n) => `<circle cx="${44 + n * 9}" cy="${50 - Math.sin((n / 8) * Math.PI) * 20}" r="13" fill="${hair}"/>`)
      .join(''),
    `<path d="M46 68 q6 -24 34 -24 q28 0 34 24 q-34 -10 -68 0z" fill="${hair}"/>`,
  ],
]

/** How many faces there are. */
export const FACES = 30

/** A made-up face, the same for ever for one number; like nobody in particular. */
export function face(number: number): string {
  const random = seededRandom(700 + number)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  const [skin, hair, cloth, ground] = [pick(SKINS), pick(HAIRS), pick(CLOTHES), pick(GROUNDS)]
  const [behind, before] = STYLES[number % STYLES.length]!(hair)
  const glasses =
    random() < 0.3
      ? '<g fill="none" stroke="#2B2B2B" stroke-width="2.4"><circle cx="67" cy="80" r="10"/><circle cx="93" cy="80" r="10"/><path d="M77 80h6"/></g>'
      : ''
  const beard =
    random() < 0.22 && number % STYLES.length !== 1
      ? `<path d="M48 86 q2 38 32 38 q30 0 32 -38 q-6 14 -18 12 q-14 -6 -28 0 q-12 2 -18 -12z" fill="${hair}"/>`
      : ''
  const smile = 2 + random() * 7
  return `<svg xmlns="http://www.w3.org/2000/svg" width="160" height="160" viewBox="0 0 160 160"><rect width="160" height="160" fill="${ground}"/>${behind}
    <path d="M14 160 q4 -40 48 -44 l36 0 q44 4 48 44z" fill="${cloth}"/><path d="M64 100 h32 v18 q-16 14 -32 0z" fill="${skin}"/><path d="M62 114 l18 18 l18 -18 l8 6 l-26 26 l-26 -26z" fill="#FFFFFF" opacity="0.75"/>
    <ellipse cx="80" cy="80" rx="34" ry="41" fill="${skin}"/><ellipse cx="46" cy="83" rx="5" ry="8" fill="${skin}"/><ellipse cx="114" cy="83" rx="5" ry="8" fill="${skin}"/>${beard}${before}
    <circle cx="67" cy="80" r="3.4" fill="#232323"/><circle cx="93" cy="80" r="3.4" fill="#232323"/><path d="M61 71 q6 -4 12 0 M87 71 q6 -4 12 0" stroke="${hair}" stroke-width="2.6" fill="none" stroke-linecap="round"/>
    <path d="M80 82 q-5 11 1 12" stroke="#00000038" stroke-width="2.4" fill="none" stroke-linecap="round"/><path d="M69 104 q11 ${smile} 22 0" stroke="#7B2F2A" stroke-width="2.8" fill="none" stroke-linecap="round"/>${glasses}</svg>`
}
