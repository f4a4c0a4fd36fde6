/** Things by their ids, to be found by any text that may be one. */
export const byId = <T extends { id: string }>(things: readonly T[]): Map<string, T> => new Map(things.map((thing) => [thing.id, thing]))
