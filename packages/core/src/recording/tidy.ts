import type { Act } from './act'
import type { RawAction } from './rawAction'
import { dropPages } from './rules/dropPages'
import { dropSlips } from './rules/dropSlips'
import { fromRaw } from './rules/fromRaw'
import { joinLists } from './rules/joinLists'
import { joinPresses } from './rules/joinPresses'
import { joinTyping } from './rules/joinTyping'
import { markApplications, mindScrolls } from './rules/mindScrolls'

/** Turns raw actions into what a reader will do, by rules that are applied one after the other. Order and double sending of the raw actions
 * make no difference. docs/recording-rules.md tells the rules in words. */
export function tidy(actions: readonly RawAction[]): Act[] {
  return markApplications(mindScrolls(dropSlips(joinLists(joinTyping(joinPresses(dropPages(fromRaw(actions))))))))
}
