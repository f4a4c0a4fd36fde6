/** What went wrong, in words: of an error its message. Whatever can be thrown is taken. */
export const reasonOf = (thrown: unknown): string => (thrown instanceof Error ? thrown.message : String(thrown))
