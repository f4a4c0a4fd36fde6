/** One step of the tables' history: SQL statements forward and back, each direction in one transaction. */
export type Migration = { name: string; up: string; down: string }
