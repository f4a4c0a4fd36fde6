import type { CallerName, HostileWorld, Things } from './world'

/** One request as it is sent. `wrong`: what is wrong or odd about it; empty when it is as it should be. */
export type Input = {
  params: Record<string, string>
  query: Record<string, string>
  body: unknown
  bytes?: Uint8Array
  headers: Record<string, string>
  wrong: string
}
/** Makes a request from the contract one that can be taken: values that depend on what is there at the moment. */
export type Special = (world: HostileWorld, things: Things, input: Input, caller: CallerName, random: () => number) => void | Promise<void>
/** As {@link Special}, where only the body is set. */
export const body =
  (set: (body: Record<string, unknown>, things: Things, world: HostileWorld) => void): Special =>
  (world, things, input) =>
    set(input.body as Record<string, unknown>, things, world)
