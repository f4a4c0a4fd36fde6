import type { LineOfWorkId } from './lineOfWorkId'

/** A role that is common in a line of work, with what whoever holds it has to do. */
export type SuggestedRole = { name: string; duties: readonly { title: string; about: string }[] }
/** A line of work, with what most companies in it have somebody for. */
export type LineOfWork = { id: LineOfWorkId; name: string; roles: readonly SuggestedRole[] }

const role = (name: string, ...duties: [title: string, about: string][]): SuggestedRole => ({
  name,
  duties: duties.map(([title, about]) => ({ title, about })),
})

/** Roles and duties to begin from, by line of work: at least eight duties each. */
export const LINES_OF_WORK: readonly LineOfWork[] = [
  {
    id: 'growing',
    name: 'Growing and glasshouses',
    roles: [
      role(
        'Crop lead',
        ['Walk the crop', 'Every morning before the vents open: leaves, roots, sticky cards, and what is new since yesterday.'],
        ['Set climate and water', 'Adjusts the day’s targets, and says in the book why they differ from the plan.'],
        ['Decide on treatment', 'Chooses what is done against a pest, and how long nobody may enter afterwards.'],
      ),
      role(
        'Feed hand',
        ['Mix the feed', 'Weighs, dissolves and checks strength and acidity before a tank is released.'],
        ['Rinse lines and filters', 'Once a week, and whenever the pressure falls.'],
      ),
      role(
        'Harvest hand',
        ['Cut and grade', 'Harvests to the sample of the day, with clean blades.'],
        ['Keep lots apart', 'One lot, one label: nothing goes into a crate without its row and day.'],
        ['Bring the harvest into the cold', 'Within the hour, with the time noted.'],
      ),
    ],
  },
  {
    id: 'food',
    name: 'Food production',
    roles: [
      role(
        'Line lead',
        ['Release the line', 'Checks cleaning, blades and labels before the first product runs.'],
        ['Change over between products', 'Clears, cleans and has somebody else look for what may cause an allergy.'],
        ['Stop for foreign bodies', 'Stops, sets aside back to the last good check, and calls quality.'],
      ),
      role(
        'Quality hand',
        ['Test the metal detector', 'At the start, every two hours and at the end, with all test pieces.'],
        ['Take and keep samples', 'One of each lot, kept until its date is past.'],
        ['Measure core temperatures', 'At the coldest place of the batch, with a probe that was checked today.'],
      ),
      role(
        'Hygiene hand',
        ['Wash down after the shift', 'From the top to the bottom, by the plan on the wall, and signed.'],
        ['Look after the hand wash places', 'Soap, paper and hot water are there before anybody comes.'],
      ),
    ],
  },
  {
    id: 'warehouse',
    name: 'Warehouse and transport',
    roles: [
      role(
        'Goods-in hand',
        ['Receive a delivery', 'Counts and looks for damage before anything is signed.'],
        ['Put goods away', 'To the place that the label names; heavy things low.'],
      ),
      role(
        'Picker',
        ['Pick an order', 'By the list, with the check of place and number at every line.'],
        ['Pack for the road', 'So that it stands a fall from the height of a table.'],
      ),
      role(
        'Truck driver in the hall',
        ['Check the lift truck', 'Brakes, forks, chains and horn before the first lift of a shift.'],
        ['Charge batteries', 'With the cover open, and no flame near.'],
      ),
      role(
        'Dock lead',
        ['Load and secure a lorry', 'Spreads the weight, lashes it, and has the driver look at it.'],
        ['Keep ways and doors free', 'Walks the hall at the change of shifts.'],
      ),
    ],
  },
  {
    id: 'workshop',
    name: 'Workshop and manufacturing',
    roles: [
      role(
        'Machine setter',
        ['Set a machine up', 'By the sheet of the part; the first one is measured before the second is made.'],
        ['Change a tool', 'With the machine locked off and the key in the pocket.'],
        ['Write down settings', 'Whatever differs from the sheet, with the reason.'],
      ),
      role(
        'Machine hand',
        ['Run a batch', 'Measures as often as the sheet says, and stops at the first that is out.'],
        ['Look after a machine every day', 'Oil, chips and coolant; what sounds odd is told.'],
      ),
      role(
        'Maintenance hand',
        ['Lock off and tag', 'Before a guard comes off, each with a lock of their own.'],
        ['Do the planned service', 'By the calendar, and signed in the book of the machine.'],
      ),
      role('First responder', ['Help at an accident', 'Secures the place, helps, calls, and stays until relieved.']),
    ],
  },
  {
    id: 'kitchen',
    name: 'Restaurant, kitchen and hotel',
    roles: [
      role(
        'Kitchen lead',
        ['Take in fresh goods', 'Temperature, smell and date at the door; what fails goes back.'],
        ['Keep the list of allergens', 'For every dish, at every change of the card.'],
        ['Cool and warm up', 'Through the dangerous range in the time allowed, with both times noted.'],
      ),
      role(
        'Service hand',
        ['Open the dining room', 'Tables, light, till and card of the day before the door opens.'],
        ['Answer about allergies', 'Never from memory: asks the kitchen, every time.'],
        ['Take a complaint', 'Listens, makes good, and tells the lead the same evening.'],
      ),
      role(
        'Room hand',
        ['Make a room ready', 'By the list; what is broken is told before the guest finds it.'],
        ['Hand in what was left', 'With room, day and who found it.'],
      ),
    ],
  },
  {
    id: 'shop',
    name: 'Shop',
    roles: [
      role(
        'Shop lead',
        ['Open the shop', 'Alarm, light, till and a walk through the aisles.'],
        ['Close the shop', 'Counts, locks and looks into every corner before the alarm is set.'],
        ['Plan the week', 'Who is where, with a break for everybody.'],
      ),
      role(
        'Till hand',
        ['Take payments', 'Cash and cards, and what to do when one of them fails.'],
        ['Take goods back', 'By the rules on the wall, and friendly where they say no.'],
        ['Ask for an age', 'Whenever somebody might be too young, without exception.'],
      ),
      role(
        'Floor hand',
        ['Fill shelves', 'The older in front; what is past its day comes out.'],
        ['Change prices', 'On the shelf and in the till on the same evening.'],
      ),
    ],
  },
  {
    id: 'care',
    name: 'Care',
    roles: [
      role(
        'Carer',
        ['Wash and dress', 'With the door closed, and as much by their own hand as they can.'],
        ['Lift and move', 'With the aid that the plan names, never alone where it says two.'],
        ['Write the report of the shift', 'What was seen and done, not what is thought of it.'],
      ),
      role(
        'Nurse in charge',
        ['Give medicines', 'Right person, medicine, amount, way and time; signed after, not before.'],
        ['Hand the shift over', 'At the bedside where it can be, with what has changed.'],
        ['Answer an emergency', 'Who calls, who stays, what is brought.'],
      ),
      role(
        'House keeper',
        ['Wash linen apart', 'What is soiled goes closed from the room to the machine.'],
        ['Keep drinks in reach', 'And notes for those who must be asked how much they drank.'],
      ),
    ],
  },
  {
    id: 'building',
    name: 'Building trade',
    roles: [
      role(
        'Site lead',
        ['Brief the site in the morning', 'What is done today, what is dangerous about it, who is new.'],
        ['Let visitors in', 'Nobody goes further than the gate without a helmet and somebody beside them.'],
        ['Keep the site diary', 'Weather, people, deliveries, and what held the work up.'],
      ),
      role(
        'Builder',
        ['Use a ladder', 'Looked over, at the right angle, and only for what is short and light.'],
        ['Handle dust', 'Water or suction at the source, and a mask that fits.'],
        ['Look for lines before digging', 'Plans first, then the detector, then by hand.'],
      ),
      role(
        'Scaffold checker',
        ['Release a scaffold', 'After it was built or changed, and after a storm; the tag says by whom.'],
        ['Check harnesses', 'Seams, buckles and date, before each use.'],
      ),
    ],
  },
  {
    id: 'office',
    name: 'Office and services',
    roles: [
      role(
        'Front desk',
        ['Receive a visitor', 'Who they come to, the badge, and how they get out when it burns.'],
        ['Answer the telephone', 'With the name, and a message that can be acted upon.'],
      ),
      role(
        'Case handler',
        ['Open a case', 'With all that the next one needs to go on with it.'],
        ['Answer a customer', 'Within the day, even where it is only to say when more will come.'],
        ['Hand a case over', 'So that nobody has to ask twice.'],
      ),
      role(
        'Bookkeeper',
        ['Pay a bill', 'Ordered, delivered, approved by two; then paid.'],
        ['Close the month', 'By the list, in its order.'],
      ),
      role('Keeper of data', ['Answer who asks about their data', 'Knows where it lies, by when the answer is due, and who signs it.']),
    ],
  },
  {
    id: 'cleaning',
    name: 'Cleaning and upkeep',
    roles: [
      role(
        'Object lead',
        ['Walk through with the customer', 'Once a month, with what was agreed in hand.'],
        ['Bring somebody new along', 'Shows the building, the keys and the way out before the first bucket.'],
        ['Look after the keys', 'Who has which, and what happens when one is lost.'],
      ),
      role(
        'Cleaner',
        ['Mix a cleaner', 'By the mark on the bottle, cold, never two together.'],
        ['Clean a wash room', 'From the clean to the dirty, a cloth of its own colour for each.'],
        ['Work with the machine on floors', 'Signs out, cable behind, dry before anybody walks.'],
      ),
      role(
        'Caretaker',
        ['Read meters and gauges', 'On the first of the month; what leaps is told at once.'],
        ['Clear snow and leaves', 'The ways to doors and to the muster point first.'],
      ),
    ],
  },
]
