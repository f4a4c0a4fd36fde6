import type { Caution, NamedPoint, SignId, TagMeaning } from '@jackdaw/core/guides'

type Spot = readonly [x: number, y: number]
type Box = readonly [x: number, y: number, width: number, height: number]
/** Something drawn on a picture. Places are those of the drawing's sheet, 960 by 600; without a place it is attached to the element. */
export type Drawn =
  | { kind: 'frame'; area?: Box }
  | { kind: 'label'; words: string; at?: Spot; point?: NamedPoint; practise?: string; stands?: Spot }
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

/** A label on a spot. `stands`: where its middle is put; without it, it places itself. */
const label = (words: string, at: Spot, stands?: Spot): Drawn => ({ kind: 'label', words, at, ...(stands ? { stands } : {}) })
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
        drawn: [
          label('Hair tied back', [430, 134], [430, 60]),
          label('No rings', [640, 272], [600, 325]),
          label('No lanyards', [840, 302], [862, 345]),
          label('No loose sleeves', [660, 413], [555, 400]),
        ],
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
        drawn: [
          { kind: 'frame', area: [722, 306, 96, 108] },
          label('Your own lock', [818, 330], [872, 262]),
          label('Down: off', [280, 440], [335, 484]),
          label('Plug inside the box', [620, 326], [560, 490]),
        ],
        cautions: [
          {
            level: 'warning',
            words: 'The vacuum pump starts by itself when the power comes back. Only your own lock keeps it off.',
            acknowledge: false,
          },
        ],
        signs: ['M021', 'W018'],
      },
      4: {
        drawn: [
          label('Blue end', [292, 204], [326, 150]),
          label('White end', [582, 204], [616, 150]),
          label('Green end', [872, 204], [884, 150]),
        ],
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
      7: {
        drawn: [
          { kind: 'frame', area: [658, 148, 144, 144] },
          { kind: 'tag', number: 1, at: [780, 460] },
          { kind: 'tag', number: 2, at: [638, 146] },
          label('As in the table of step 4', [308, 120], [222, 84]),
        ],
        cautions: [{ level: 'note', words: 'The dial needs ten seconds to settle. Read it then, not before.', acknowledge: false }],
      },
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
      9: {
        drawn: [
          { kind: 'frame', area: [390, 166, 44, 42] },
          { kind: 'frame', area: [620, 342, 44, 42] },
          label('No seed: counts', [390, 187], [98, 187]),
          label('No seed: counts', [664, 363], [864, 363]),
          label('Two seeds', [574, 275], [850, 275]),
        ],
      },
      10: {
        drawn: [
          { kind: 'tag', number: 1, at: [270, 208] },
          { kind: 'tag', number: 2, at: [270, 270] },
          { kind: 'tag', number: 3, at: [270, 332] },
          { kind: 'tag', number: 4, at: [270, 394] },
          label('As on the bag of seed', [700, 262], [836, 226]),
          label('As on the dial', [700, 386], [820, 386]),
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
      12: {
        drawn: [
          { kind: 'tag', number: 1, at: [160, 120] },
          { kind: 'tag', number: 2, at: [196, 500] },
          { kind: 'tag', number: 3, at: [616, 430] },
          label('Open the slide', [426, 329], [530, 290]),
          label('Fold twice, then the clip', [745, 250], [745, 186]),
        ],
      },
      13: {
        drawn: [
          { kind: 'frame', area: [612, 120, 278, 120] },
          label('Goggles first', [750, 240]),
          label('On the stand, never on the machine', [435, 206], [435, 116]),
          { kind: 'arrow', from: [180, 180], to: [300, 180] },
        ],
        cautions: [{ level: 'caution', words: 'Compressed air throws seed and dust into the eyes.', acknowledge: false }],
        signs: ['M004', 'M016'],
      },
      14: {
        drawn: [
          { kind: 'frame', area: [378, 204, 218, 114] },
          label('Hook by the number', [466, 190], [340, 160]),
          label('Your name, when it is clean and dry', [600, 520], [766, 536]),
        ],
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
          label('Gauge before the filter', [400, 214], [300, 160]),
          label('Gauge after the filter', [620, 214], [720, 160]),
          label('Pump', [190, 258], [190, 212]),
          label('Filter housing', [500, 500]),
          label('Red button lets the pressure out', [500, 254], [505, 110]),
          { kind: 'arrow', from: [120, 440], to: [290, 440] },
          label('Direction of flow', [220, 440], [200, 492]),
        ],
      },
      2: { drawn: [{ kind: 'frame', area: [294, 64, 422, 182] }, label('No water here', [505, 64], [505, 30])] },
      3: {
        drawn: [
          { kind: 'frame', area: [252, 346, 96, 138] },
          label('Your lock, at 0', [252, 420]),
          label('The second place to start it', [755, 390], [755, 500]),
        ],
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
      6: {
        drawn: [
          label('From the well', [225, 96], [225, 48]),
          label('From the tank', [475, 96], [475, 48]),
          { kind: 'frame', area: [762, 218, 112, 44] },
          label('What it was', [874, 258], [874, 490]),
        ],
      },
      7: {
        drawn: [
          { kind: 'frame', area: [438, 146, 56, 68] },
          label('Cracked: replace it', [440, 200], [340, 250]),
          label('A thin film all around', [300, 488], [300, 410]),
        ],
        signs: ['M009'],
      },
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
        drawn: [
          { kind: 'frame', area: [76, 46, 288, 288] },
          { kind: 'frame', area: [426, 46, 288, 288] },
          { kind: 'tag', number: 1, at: [96, 66] },
          { kind: 'tag', number: 2, at: [446, 66] },
          { kind: 'tag', number: 3, at: [790, 110] },
          label('The difference', [855, 364], [855, 430]),
        ],
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
