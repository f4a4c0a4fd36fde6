import { folded } from '../shared'

/** Letters, figures and little else, a figure among them, so that it is nobody's name. */
export const NUMBER_FORM = /^[\p{L}\p{Nd} ./_-]*\p{Nd}[\p{L}\p{Nd} ./_-]*$/u
/** Most characters of such a number. */
export const LONGEST_NUMBER = 40

/** Whether something that was typed is a number under which the use of a link is found later. */
export const isUseNumber = (typed: string): boolean => typed.trim().length <= LONGEST_NUMBER && NUMBER_FORM.test(typed.trim())

/** A number as it is looked for: however it was written, with or without spaces and hyphens. */
export const numberKey = (number: string): string => folded(number).replace(/[\s./_-]+/g, '')
