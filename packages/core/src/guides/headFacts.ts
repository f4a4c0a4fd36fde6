/** Facts that the head of a guide can show, in the order in which it shows them. */
export const HEAD_FACTS = ['edition', 'date', 'owner', 'minutes', 'steps'] as const
