/** What the drafts of the Order Book's scenarios have in common. */
export const OPEN = 'Open **Order Book**.'
export const NEW = 'Open **New order**.'
export const DAY = ['Select **Delivery: choose a day**.', 'Select **Thu 12 March**.']
