import { passagesOf, type PrivatePassage } from './passages'

const MAIL = /[\p{L}\p{N}._%+'\u200b-]{1,64}@[\p{L}\p{N}\u200b-]+(?:\.[\p{L}\p{N}\u200b-]+)*/gu
/** As people write them so that no program finds them. */
const SPELT =
  /[\p{L}\p{N}._%+-]{1,64} ?(?:\[ ?at ?\]|\( ?at ?\)|\{ ?at ?\}| @ ) ?[\p{L}\p{N}-]+(?:(?: ?(?:\[ ?dot ?\]|\( ?dot ?\)) ?|\.)[\p{L}\p{N}-]+)*/giu

/** Finds mail addresses, also those that are spelt out. */
export const findMails = (level: string): PrivatePassage[] => [...passagesOf(MAIL, level, 'mail'), ...passagesOf(SPELT, level, 'mail')]
