import type { Caution, NamedPoint, SignId, TagMeaning } from '@jackdaw/core/guides'

type Spot = readonly [x: number, y: number]
type Box = readonly [x: number, y: number, width: number, height: number]
/** Something drawn on a picture. Places are those of the drawing's sheet, 960 by 600; without a place it is attached to the element. */
export type Drawn =
  | { kind: 'frame'; area?: Box }
  | { kind: 'label'; words: string; at?: Spot; point?: NamedPoint; practise?: string }
  | { kind: 'tag'; number: number; at: Spot; meaning?: TagMeaning }
  | { kind: 'arrow'; from: Spot; to: Spot; bend?: number }
  | { kind: 'inset'; detail: Box; at: Spot; zoom: number }
export type Refinement = {
  /** A picture of the guide that this step shows, too; by the name of its file. */
  picture?: string
  alt?: string
  element?: Box
  shown?: Box
  drawn?: readonly Drawn[]
  cautions?: readonly Omit<Caution, 'id'>[]
  signs?: readonly SignId[]
}

const label = (words: string, at: Spot): Drawn => ({ kind: 'label', words, at })
/** A label on the element of a recorded step. */
const onElement = (words: string, point: NamedPoint = 'right', practise?: string): Refinement => ({
  drawn: [{ kind: 'label', words, point, ...(practise ? { practise } : {}) }],
})

/** What the authors of the demo have drawn and written around the text of their guides: by file, then by number of the step. */
export const REFINEMENTS: Readonly<Record<string, { signs?: readonly SignId[]; steps: Readonly<Record<number, Refinement>> }>> = {
  'tray-seeder': {
    signs: ['M002', 'M004', 'W025'],
    steps: {
      1: {
        cautions: [
          { level: 'danger', words: 'The drum draws in hair, sleeves and lanyards faster than you can let go.', acknowledge: true },
        ],
        signs: ['P015'],
      },
      2: {
        element: [132, 306, 44, 60],
        drawn: [
          { kind: 'frame' },
          { kind: 'label', words: 'Stop button, at hip height', point: 'top', practise: 'Where do you stop it?' },
          label('Drum', [372, 232]),
          label('Hopper', [622, 170]),
          label('Brush', [530, 240]),
          label('Conveyor', [500, 394]),
          label('Tray of 144 cells', [650, 362]),
        ],
      },
      3: {
        cautions: [
          {
            level: 'warning',
            words: 'The vacuum pump starts by itself when the power comes back. Only your own lock keeps it off.',
            acknowledge: false,
          },
        ],
        signs: ['M021', 'W018'],
      },
      5: {
        element: [700, 240, 34, 110],
        drawn: [
          { kind: 'frame' },
          { kind: 'label', words: 'Locking ring: push until it clicks', point: 'right' },
          label('Blue end: 0.5 mm holes', [672, 384]),
          label('Hand wheel: one full turn', [150, 369]),
          { kind: 'arrow', from: [70, 240], to: [232, 240], bend: 75 },
          { kind: 'tag', number: 1, at: [560, 160] },
          { kind: 'tag', number: 2, at: [150, 160] },
          { kind: 'arrow', from: [580, 160], to: [690, 214] },
        ],
        cautions: [{ level: 'caution', words: 'Keep fingers off the edge of the drum while it turns.', acknowledge: false }],
        signs: ['W024', 'M009'],
      },
      6: {
        picture: 'seeder-overview',
        alt: 'The hopper above the drum, seen from the side',
        shown: [390, 90, 400, 250],
        drawn: [
          { kind: 'frame', area: [520, 130, 130, 100] },
          label('Lower line: fill to here', [630, 182]),
          label('Brush, bends when too much lies on it', [530, 240]),
          { kind: 'arrow', from: [585, 102], to: [585, 150] },
          { kind: 'tag', number: 1, at: [546, 150], meaning: 'key-point' },
        ],
      },
      7: { cautions: [{ level: 'note', words: 'The dial needs ten seconds to settle. Read it then, not before.', acknowledge: false }] },
      8: {
        picture: 'seeder-overview',
        alt: 'Trays on the conveyor on their way under the drum',
        shown: [110, 210, 750, 330],
        drawn: [
          { kind: 'tag', number: 1, at: [770, 330] },
          { kind: 'tag', number: 2, at: [650, 330] },
          label('Watch these two', [700, 362]),
          { kind: 'arrow', from: [820, 440], to: [300, 440] },
          label('Trays travel this way', [560, 440]),
          { kind: 'frame', area: [140, 316, 32, 36] },
          label('Stop', [154, 352]),
        ],
      },
      11: {
        picture: 'seeder-drum',
        alt: 'The drum with its rows of holes',
        drawn: [
          { kind: 'inset', detail: [284, 214, 90, 70], at: [470, 510], zoom: 2 },
          { kind: 'frame', area: [264, 194, 392, 202] },
          label('Brush the holes from inside, along the rows', [560, 222]),
          { kind: 'arrow', from: [300, 300], to: [620, 300] },
        ],
        cautions: [
          { level: 'warning', words: 'Stop first. The drum turns on for four seconds after the button is pressed.', acknowledge: true },
        ],
      },
      13: {
        cautions: [{ level: 'caution', words: 'Compressed air throws seed and dust into the eyes.', acknowledge: false }],
        signs: ['M004', 'M016'],
      },
    },
  },
  'pump-filter': {
    signs: ['M002', 'M009', 'M008'],
    steps: {
      1: {
        element: [374, 214, 272, 52],
        drawn: [
          { kind: 'frame', area: [372, 212, 56, 56] },
          { kind: 'frame', area: [592, 212, 56, 56] },
          label('Gauge before the filter', [400, 214]),
          label('Gauge after the filter', [620, 214]),
          label('Pump', [190, 402]),
          label('Filter housing', [500, 500]),
          label('Red button lets the pressure out', [506, 257]),
          { kind: 'arrow', from: [120, 440], to: [290, 440] },
          label('Direction of flow', [220, 440]),
        ],
      },
      3: {
        cautions: [
          {
            level: 'danger',
            words: 'The pump is started from two places. Without your lock somebody can start it while your hands are in it.',
            acknowledge: true,
          },
        ],
        signs: ['M021', 'W012'],
      },
      4: {
        picture: 'pump-filter',
        alt: 'The two valves beside the filter, and the red button on its lid',
        shown: [270, 190, 490, 320],
        drawn: [
          { kind: 'tag', number: 1, at: [350, 372] },
          { kind: 'tag', number: 2, at: [680, 372] },
          { kind: 'tag', number: 3, at: [548, 246] },
          label('Valve before', [342, 330]),
          label('Valve after', [690, 330]),
          { kind: 'frame', area: [488, 252, 24, 24] },
          { kind: 'arrow', from: [322, 300], to: [378, 300], bend: 60 },
          { kind: 'arrow', from: [652, 300], to: [708, 300], bend: 60 },
        ],
        cautions: [
          {
            level: 'warning',
            words: 'There are up to 6 bar in the housing. Never loosen it before the button lets out no more water.',
            acknowledge: true,
          },
        ],
      },
      5: {
        picture: 'pump-filter',
        alt: 'The filter housing, which is unscrewed to the left',
        shown: [390, 220, 250, 320],
        element: [452, 304, 96, 196],
        drawn: [
          { kind: 'frame' },
          { kind: 'arrow', from: [560, 470], to: [440, 470], bend: -45 },
          { kind: 'label', words: 'Full of water: keep it upright', point: 'right' },
        ],
        cautions: [{ level: 'caution', words: 'It weighs 7 kg when full. Hold it from below.', acknowledge: false }],
      },
      7: { signs: ['M009'] },
      8: {
        picture: 'pump-filter',
        alt: 'The housing with the direction of flow',
        shown: [290, 200, 440, 330],
        drawn: [
          { kind: 'frame', area: [440, 268, 120, 236] },
          { kind: 'arrow', from: [420, 396], to: [582, 396] },
          label('Arrow on the filter points this way', [545, 396]),
          { kind: 'tag', number: 1, at: [500, 470], meaning: 'key-point' },
          label('Hand-tight, no wrench', [452, 440]),
        ],
      },
      9: {
        picture: 'pump-filter',
        alt: 'The order in which valves and button are opened again',
        shown: [270, 190, 490, 320],
        drawn: [
          { kind: 'tag', number: 1, at: [350, 372] },
          { kind: 'tag', number: 2, at: [548, 246] },
          { kind: 'tag', number: 3, at: [680, 372] },
          { kind: 'arrow', from: [378, 300], to: [322, 300], bend: -60 },
          { kind: 'arrow', from: [708, 300], to: [652, 300], bend: -60 },
          label('Slowly: a quarter turn, then wait', [342, 330]),
        ],
      },
      10: {
        drawn: [],
        cautions: [{ level: 'note', words: 'Write the values of both gauges: the next filter is ordered by them.', acknowledge: false }],
      },
    },
  },
  'enter-a-standing-order': {
    steps: {
      2: onElement('Orders that repeat every week begin here', 'bottom'),
      3: onElement('Type the number or a part of the name', 'right', 'Which customer is it for?'),
      4: onElement('Days on which it is delivered', 'bottom'),
      5: onElement('Each day is packed the evening before', 'bottom'),
      6: onElement('Only herbs that are in season are listed'),
      7: onElement('S holds 12 pots, M 18, L 24'),
      8: onElement('Crates for each delivery'),
      9: onElement('Opens the calendar', 'bottom'),
      10: onElement('The first day that is delivered', 'top'),
      11: onElement('Nothing is kept before this', 'bottom', 'And now?'),
    },
  },
  'book-a-delivery-slot': {
    steps: {
      2: onElement('One row for every half hour', 'bottom'),
      3: onElement('A free slot; dock 2 has the tail lift', 'bottom'),
      4: onElement('As on the side of the lorry', 'right', 'Who comes?'),
      5: onElement('Eight at the most'),
      6: onElement('Below 8 °C from door to door', 'right'),
      7: onElement('When the customer has no ramp', 'right'),
      8: onElement('Holds the slot for you', 'bottom'),
    },
  },
}
