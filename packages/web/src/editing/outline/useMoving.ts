import { KeyboardSensor, PointerSensor, useSensor, useSensors, type DndContextProps } from '@dnd-kit/core'
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable'
import { useTexts } from '../../ui/words/texts'

// The same objects at every key: with new ones every tick would be drawn anew.
const POINTER = { activationConstraint: { distance: 5 } }
const KEYBOARD = { coordinateGetter: sortableKeyboardCoordinates }

/** How ticks of a ruler are moved, by hand or by keys, and what is said of it. @param nameOf what is moved, by its id */
export function useMoving(nameOf: (id: unknown) => string): Pick<DndContextProps, 'sensors' | 'accessibility'> {
  const { t } = useTexts()
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYBOARD))
  return {
    sensors,
    accessibility: {
      screenReaderInstructions: {
        draggable: t('Press space to pick it up, the arrow keys to move it, space to put it down, Escape to leave it where it was.'),
      },
      announcements: {
        onDragStart: ({ active }) => t('Picked up: {{name}}', { name: nameOf(active.id) }),
        onDragOver: ({ over }) => (over ? t('Now at the place of: {{name}}', { name: nameOf(over.id) }) : undefined),
        onDragEnd: ({ active, over }) => (over ? t('Put down: {{name}}', { name: nameOf(active.id) }) : t('Left where it was')),
        onDragCancel: () => t('Left where it was'),
      },
    },
  }
}
