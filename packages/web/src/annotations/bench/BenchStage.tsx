import { nth } from '@jackdaw/core/shared'
import { areaBetween, handlesOf, type Point } from '@jackdaw/core/annotations'
import type { Annotation, Rect } from '@jackdaw/core/guides'
import { Circle, Group, Image, Layer, Line, Rect as Box, Stage } from 'react-konva'
import { ShapesKonva } from './ShapesKonva'
import type { StageProps } from './stageProps'
import type { Tool } from './tools'
import { useHand } from './useHand'

const HANDLE_PX = 6
const EDGE_KINDS = new Set<Annotation['kind']>(['frame', 'rectangle', 'ellipse', 'arrow'])

type Hand = ReturnType<typeof useHand>
type LayerProps = StageProps & { hand: Hand; scale: number }

/** The picture as the author works on it: everything can be taken hold of. What is done here by hand is done by keys in the panel. */
export function BenchStage(props: StageProps) {
  const { ground, images, widthPx, tool } = props
  const { shown } = ground
  const scale = widthPx / shown.width
  const hand = useHand(props, scale)
  const { stage, drawing, begin, place } = hand
  const layer = { ...props, hand, scale }
  return (
    <Stage
      ref={stage}
      width={widthPx}
      height={Math.round(shown.height * scale)}
      scaleX={scale}
      scaleY={scale}
      offsetX={shown.x}
      offsetY={shown.y}
      style={{ cursor: tool ? 'crosshair' : 'default', touchAction: 'none' }}
      onPointerDown={(event) => {
        if (tool) begin({ is: 'draw', tool, from: place() })
        else if (event.target === stage.current) props.onSelect(null)
      }}
      onPointerMove={hand.onMove}
      onPointerUp={hand.onUp}
      onPointerLeave={() => hand.isBusy() && hand.onUp()}
    >
      <Layer>
        <PicturesKonva {...layer} />
      </Layer>
      <Layer listening={false}>
        <ShapesKonva shapes={drawing.covers} images={images} hitPx={1} />
      </Layer>
      <Layer>
        <DrawnKonva {...layer} />
      </Layer>
      <Layer>
        <HandlesKonva {...layer} />
      </Layer>
    </Stage>
  )
}

/** The pictures, on their sheet where there is one; there each can be taken hold of. */
function PicturesKonva({ images, sheet, tool, onSelect, hand: { laid, begin, place } }: LayerProps) {
  const pieces = laid ?? sheet
  return (
    <>
      {sheet && <Box x={0} y={0} width={sheet.widthPx} height={sheet.heightPx} fill="#ffffff" listening={false} />}
      {images.map(({ id, image, rect }, n) => {
        const at = pieces?.pictures[n]?.rect ?? rect
        return (
          <Image
            key={`${id}-${n}`}
            image={image}
            {...at}
            listening={Boolean(sheet) && !tool}
            onPointerDown={() => {
              onSelect(`laid:${n}`)
              begin({ is: 'laid', index: n, from: place(), rect: at, resize: false })
            }}
          />
        )
      })}
    </>
  )
}

/** The annotations. */
function DrawnKonva({ images, tool, onWords, scale, hand: { stage, drawing, take } }: LayerProps) {
  const point = (cursor: 'move' | 'default') => stage.current && !tool && (stage.current.container().style.cursor = cursor)
  return drawing.drawn.map((each) => (
    <Group
      key={each.id}
      listening={!tool}
      onPointerDown={() => take(each.id)}
      onPointerDblClick={onWords}
      onPointerEnter={() => point('move')}
      onPointerLeave={() => point('default')}
    >
      {!EDGE_KINDS.has(each.kind) && <Box {...(each.slip ?? each.box)} fill="rgba(0,0,0,0)" />}
      <ShapesKonva shapes={each.shapes} images={images} hitPx={14 / scale} />
    </Group>
  ))
}

/** What shows what is selected, by which it is pulled, and the lines to which it keeps. */
function HandlesKonva({ ground, sheet, tool, selected, scale, hand }: LayerProps) {
  const { laid, band, lines, chosen, boxOf, begin, place } = hand
  const pieces = laid ?? sheet
  const index = selected?.startsWith('laid:') ? Number(selected.slice(5)) : -1
  const box = chosen && boxOf(chosen.id)
  return (
    <>
      {box && (
        <Box
          {...grownBox(box.slip ?? box.box, 3 / scale)}
          stroke="#095660"
          strokeWidth={1.5 / scale}
          dash={[5 / scale, 4 / scale]}
          listening={false}
        />
      )}
      {chosen &&
        !tool &&
        handlesOf(chosen, ground).map((handle) => (
          <Knob
            key={handle.name}
            at={handle.at}
            scale={scale}
            onTake={() => begin({ is: 'handle', annotation: chosen, handle: handle.name })}
          />
        ))}
      {pieces?.pictures[index] && (
        <LaidHandles
          rect={nth(pieces.pictures, index).rect}
          scale={scale}
          onResize={() => begin({ is: 'laid', index, from: place(), rect: nth(pieces.pictures, index).rect, resize: true })}
        />
      )}
      {band && <Band {...band} scale={scale} />}
      {lines.map((line, n) => (
        <Line
          key={n}
          points={guideLine(line, ground.shown)}
          stroke="#095660"
          strokeWidth={1 / scale}
          dash={line.of === 'picture' ? [8 / scale, 6 / scale] : []}
          listening={false}
        />
      ))}
    </>
  )
}

/** From edge to edge of what is shown. */
const guideLine = ({ axis, at }: Pick<Hand['lines'][number], 'axis' | 'at'>, shown: Rect): number[] =>
  axis === 'x' ? [at, shown.y, at, shown.y + shown.height] : [shown.x, at, shown.x + shown.width, at]

/** What a shape is pulled by. */
function Knob({ at, scale, onTake }: { at: Point; scale: number; onTake: () => void }) {
  return (
    <Circle
      {...at}
      radius={HANDLE_PX / scale}
      fill="#ffffff"
      stroke="#095660"
      strokeWidth={2 / scale}
      hitStrokeWidth={16 / scale}
      onPointerDown={(event) => {
        event.cancelBubble = true
        onTake()
      }}
    />
  )
}

const grownBox = (rect: Rect, by: number): Rect => ({
  x: rect.x - by,
  y: rect.y - by,
  width: rect.width + 2 * by,
  height: rect.height + 2 * by,
})

function LaidHandles({ rect, scale, onResize }: { rect: Rect; scale: number; onResize: () => void }) {
  return (
    <>
      <Box {...rect} stroke="#095660" strokeWidth={1.5 / scale} dash={[5 / scale, 4 / scale]} listening={false} />
      <Knob at={{ x: rect.x + rect.width, y: rect.y + rect.height }} scale={scale} onTake={onResize} />
    </>
  )
}

/** What is being drawn, before it is let go. */
function Band({ tool, from, to, scale }: { tool: Tool; from: Point; to: Point; scale: number }) {
  const pen = { stroke: '#095660', strokeWidth: 2 / scale, dash: [6 / scale, 4 / scale], listening: false }
  if (tool === 'arrow') return <Line points={[from.x, from.y, to.x, to.y]} {...pen} />
  if (tool === 'label' || tool === 'tag' || tool === 'text') return <Circle x={to.x} y={to.y} radius={HANDLE_PX / scale} {...pen} />
  return <Box {...areaBetween(from, to)} {...pen} />
}
