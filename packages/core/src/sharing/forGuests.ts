import type { GuideDocument } from '../guides'

/** A guide as guests see it: without the quizzes among its steps, which are taken by people who have an account. */
export const forGuests = (document: GuideDocument): GuideDocument => ({
  ...document,
  items: document.items.filter((item) => item.kind !== 'quiz'),
})
