import type { Section } from '@jackdaw/core/guides'
import { CircleDashed, Plus } from 'lucide-react'
import { memo } from 'react'
import { useTexts } from '../../ui/words/texts'
import { IconButton } from '../../ui'
import { ConflictPanel } from '../saving/ConflictPanel'
import { ItemMenu } from './ItemMenu'
import type { Common } from './StepSheet'
import { NotReadyStrip } from '../../guides/NotReadyStrip'
import { Tick } from '../outline/Tick'

/** A section heading on the author's sheet. */
export const SectionSheet = memo(function SectionSheet({
  section,
  actions,
  selected,
  focus,
  conflicts,
  ticked,
}: Common & { section: Section }) {
  const { t } = useTexts()
  return (
    <li id={`item-${section.id}`} className="pt-7 pb-2 scroll-mt-32" onFocusCapture={() => actions.select(section.id)}>
      <div className="flex items-center gap-2">
        <span className="h-0.5 w-9 bg-ink shrink-0" aria-hidden />
        <Tick
          ticked={ticked}
          name={t('Choose section {{name}}', { name: section.title })}
          onTick={(range) => actions.tick(section.id, range)}
        />
        <input
          value={section.title}
          autoFocus={focus !== null}
          maxLength={300}
          aria-label={t('Section heading')}
          placeholder={t('Section heading')}
          className="grow min-w-0 font-serif text-xl bg-transparent border-b border-transparent hover:border-hair focus:border-edge"
          onChange={(event) => actions.setSectionTitle(section.id, event.target.value)}
        />
        {section.optional && <span className="text-sm text-soft whitespace-nowrap">{t('may be left out')}</span>}
        {/* Their room is kept: nothing moves when the heading is pressed. */}
        <div className={`flex ${selected ? '' : 'opacity-0 focus-within:opacity-100 hover:opacity-100'}`}>
          <IconButton
            name={t('Optional: {{name}}', { name: section.title || t('Section heading') })}
            aria-pressed={section.optional === true}
            onClick={() => actions.setOptional(section.id, section.optional !== true)}
          >
            <CircleDashed size={16} aria-hidden />
          </IconButton>
          <IconButton name={t('Step after this heading')} onClick={() => actions.addStep(section.id)}>
            <Plus size={16} aria-hidden />
          </IconButton>
          <ItemMenu
            name={section.title || t('Section heading')}
            itemId={section.id}
            notReady={section.notReady === true}
            actions={actions}
          />
        </div>
      </div>
      {section.notReady && (
        <NotReadyStrip
          why={section.notReadyWhy ?? ''}
          name={section.title || t('Section heading')}
          onWhy={(why) => actions.setNotReady(section.id, true, why)}
          onReady={() => actions.setNotReady(section.id, false)}
        />
      )}
      {conflicts.map((conflict) => (
        <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
      ))}
    </li>
  )
})
