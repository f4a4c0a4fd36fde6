import { FigureRules } from '@jackdaw/contracts/ownUse'
import { LEAST_GROUP } from '@jackdaw/core/engagement'
import type { Db } from '../db'
import { readSetting, writeSetting } from '../settings'

const KEY = 'figures'

/** How figures are shown to those who may not see whom they count. */
export const figureRules = async (db: Db): Promise<FigureRules> =>
  FigureRules.safeParse(await readSetting(db, KEY)).data ?? { leastGroup: LEAST_GROUP }
/** Says so anew. */
export const saveFigureRules = (db: Db, rules: FigureRules): Promise<void> => writeSetting(db, KEY, rules)
