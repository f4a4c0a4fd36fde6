import { chosen } from '../../ui'
import type { Lack } from '@jackdaw/core/players'
import { Way } from '@jackdaw/core/ways'
import { useTexts } from '../../ui/words/texts'
import { wayName } from '../../players/wayName'

/** For which way the ruler tells what steps lack. */
export function WayCheck({ way, lacks, onWay }: { way: Way; lacks: ReadonlyMap<string, readonly Lack[]>; onWay: (way: Way) => void }) {
  const { t } = useTexts()
  return (
    <div className="mb-3 pr-3">
      <label className="flex items-center gap-2 text-sm">
        <span className="shrink-0">{t('Ready to')}</span>
        <select
          value={way}
          className="grow min-w-0 min-h-8 bg-sheet border border-edge px-1"
          onChange={chosen((value: Way) => onWay(value))}
        >
          {Way.options.map((each) => (
            <option key={each} value={each}>
              {wayName(each, t)}
            </option>
          ))}
        </select>
      </label>
      <p role="status" className={`text-sm mt-1 ${lacks.size > 0 ? 'text-ochre font-semibold' : 'text-soft'}`}>
        {way === 'read' ? '' : lacks.size === 0 ? t('Nothing is missing.') : t('{{count}} steps lack something', { count: lacks.size })}
      </p>
    </div>
  )
}
