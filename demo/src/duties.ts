/** What whoever has a role at Larkmoor answers for, and the guides (by the name of their file) that tell how. */
export const DUTIES: Record<string, readonly { title: string; about?: string; guides?: readonly string[] }[]> = {
  'packhouse operator': [
    { title: 'Packs crates to the order card and labels them', guides: ['pack-herb-crates'] },
    { title: 'Washes hands before every start and after every break', guides: ['hand-hygiene'] },
    { title: 'Weighs the first crate of each order', guides: ['pack-herb-crates'] },
    { title: 'Puts damaged trays aside and says so', about: 'The red pallet by the door.' },
  ],
  'propagation hand': [
    { title: 'Sets up the tray seeder and runs it', guides: ['tray-seeder'] },
    { title: 'Writes the sowing into the tray book' },
    { title: 'Keeps the seed store dry and closed' },
  ],
  grower: [
    { title: 'Walks the houses at the start of the day' },
    { title: 'Cleans down the nutrient tank between crops', guides: ['nutrient-tank'] },
    { title: 'Washes hands before harvest', guides: ['hand-hygiene'] },
    { title: 'Counts stock at the end of the month', guides: ['count-stock'] },
  ],
  'forklift driver': [
    { title: 'Checks the truck before the first lift', about: 'Forks, horn, tyres, battery.' },
    { title: 'Loads by the slot that the order office has booked', guides: ['book-a-delivery-slot'] },
  ],
  'dispatch driver': [{ title: 'Has every delivery signed for' }, { title: 'Reports near misses on the road', guides: ['near-miss'] }],
  'order clerk': [
    { title: 'Enters standing orders', guides: ['enter-a-standing-order'] },
    { title: 'Books delivery slots', guides: ['book-a-delivery-slot'] },
    { title: 'Counts stock at the end of the month', guides: ['count-stock'] },
  ],
  'maintenance fitter': [{ title: 'Changes pump filters', guides: ['pump-filter'] }, { title: 'Locks out a machine before opening it' }],
  'shift lead': [
    { title: 'Makes the first round', guides: ['opening-checks'] },
    { title: 'Knows who works alone at night', guides: ['lone-working'] },
    { title: 'Takes near-miss reports on', guides: ['near-miss'] },
    { title: 'Shows newcomers their place of work' },
  ],
}
