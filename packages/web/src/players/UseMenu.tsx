import type { Way } from '@jackdaw/core/ways'
import { BookOpen, CirclePlay, GraduationCap, Hand } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { buttonClass } from '../ui'

/** The ways in which a guide can be used. It uses the browser's own pop-up, so that the reader has to load none. */
export function UseMenu({ guideId, ways, place }: { guideId: string; ways: readonly Way[]; place: 'column' | 'top' }) {
  const { t } = useTexts()
  const id = `use-${place}`
  const all = {
    read: { to: `/guides/${guideId}`, name: t('Read'), about: t('step by step'), Icon: BookOpen },
    watch: { to: `/guides/${guideId}/watch`, name: t('Watch'), about: t('it plays by itself'), Icon: CirclePlay },
    practise: { to: `/guides/${guideId}/practise`, name: t('Practise'), about: t('do it on the pictures, with help'), Icon: Hand },
    solo: { to: `/guides/${guideId}/solo`, name: t('Solo'), about: t('show that you can do it'), Icon: GraduationCap },
  }
  return (
    <>
      <button type="button" popoverTarget={id} className={buttonClass('plain', 'min-h-11')} style={{ anchorName: `--${id}` }}>
        <CirclePlay size={18} aria-hidden />
        {t('Use this guide')}
      </button>
      <nav
        id={id}
        popover="auto"
        aria-label={t('Use this guide')}
        className="use-menu bg-sheet border border-ink p-1 w-72"
        style={{ positionAnchor: `--${id}` }}
      >
        {ways.map((way) => {
          const { to, name, about, Icon } = all[way]
          return (
            <Link
              key={way}
              to={to}
              className="flex items-center gap-3 min-h-14 px-3 hover:bg-wash no-underline text-ink"
              onClick={() => document.getElementById(id)?.hidePopover()}
            >
              <Icon size={22} className="text-petrol shrink-0" aria-hidden />
              <span>
                <span className="font-semibold">{name}</span> <span className="block text-sm text-soft">{about}</span>
              </span>
            </Link>
          )
        })}
      </nav>
    </>
  )
}
