/** What is counted over time, in the order in which it is shown. Each opens to its rows:
 * - `views`: times that a person began to use something, in any way of use;
 * - `people`: persons who did so;
 * - `newcomers`: those of them who had never done so before, with anything that is looked at;
 * - `finished`: times that something was finished, as the records count it;
 * - `guests`: visits by people who have a link and no account, of whom nothing is known;
 * - `written`: things published for the first time; `changed`: further editions of them;
 * - `reached`: those of the first-published that somebody other than their owner has used within four weeks. */
export const FIGURES = ['views', 'people', 'newcomers', 'finished', 'guests', 'written', 'changed', 'reached'] as const
/** A figure that is counted over time. */
export type Figure = (typeof FIGURES)[number]
/** How much of each there was. Whole numbers, none negative. */
export type Figures = Record<Figure, number>

/** Nothing at all. */
export const NO_FIGURES: Figures = {
  views: 0,
  people: 0,
  newcomers: 0,
  finished: 0,
  guests: 0,
  written: 0,
  changed: 0,
  reached: 0,
}
