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

/** The picture as the author works on it: everything can be taken hold of. What is done here by hand is done by keys in the panel. */
export function BenchStage(props: StageProps) {
  const { ground, images, sheet, widthPx, tool, selected } = props
  const { shown } = ground
  const scale = widthPx / shown.width
  const hand = useHand(props, scale)
  const { stage, drawing, laid, band, lines, chosen, boxOf, begin, place } = hand
  const pieces = laid ?? sheet
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
                props.onSelect(`laid:${n}`)
                begin({ is: 'laid', index: n, from: place(), rect: at, resize: false })
              }}
            />
          )
        })}
      </Layer>
      <Layer listening={false}>
        <ShapesKonva shapes={drawing.covers} images={images} hitPx={1} />
      </Layer>
      <Layer>
        {drawing.drawn.map((each) => (
          <Group
            key={each.id}
            listening={!tool}
            onPointerDown={() => hand.take(each.id)}
            onPointerDblClick={props.onWords}
            onPointerEnter={() => stage.current && !tool && (stage.current.container().style.cursor = 'move')}
            onPointerLeave={() => stage.current && !tool && (stage.current.container().style.cursor = 'default')}
          >
            {!EDGE_KINDS.has(each.kind) && <Box {...(each.slip ?? each.box)} fill="rgba(0,0,0,0)" />}
            <ShapesKonva shapes={each.shapes} images={images} hitPx={14 / scale} />
          </Group>
        ))}
      </Layer>
      <Layer>
        {chosen && boxOf(chosen.id) && (
          <Box
            {...grownBox(boxOf(chosen.id)!.slip ?? boxOf(chosen.id)!.box, 3 / scale)}
            stroke="#095660"
            strokeWidth={1.5 / scale}
            dash={[5 / scale, 4 / scale]}
            listening={false}
          />
        )}
        {chosen &&
          !tool &&
          handlesOf(chosen, ground).map((handle) => (
            <Circle
              key={handle.name}
              x={handle.at.x}
              y={handle.at.y}
              radius={HANDLE_PX / scale}
              fill="#ffffff"
              stroke="#095660"
              strokeWidth={2 / scale}
              hitStrokeWidth={16 / scale}
              onPointerDown={(event) => {
                event.cancelBubble = true
                begin({ is: 'handle', annotation: chosen, handle: handle.name })
              }}
            />
          ))}
        {pieces && selected?.startsWith('laid:') && pieces.pictures[Number(selected.slice(5))] && (
          <LaidHandles
            rect={nth(pieces.pictures, Number(selected.slice(5))).rect}
            scale={scale}
            onResize={() => {
              const index = Number(selected.slice(5))
              begin({ is: 'laid', index, from: place(), rect: nth(pieces.pictures, index).rect, resize: true })
            }}
          />
        )}
        {band && <Band {...band} scale={scale} />}
        {lines.map((line, n) => (
          <Line
            key={n}
            points={
              line.axis === 'x' ? [line.at, shown.y, line.at, shown.y + shown.height] : [shown.x, line.at, shown.x + shown.width, line.at]
            }
            stroke="#095660"
            strokeWidth={1 / scale}
            dash={line.of === 'picture' ? [8 / scale, 6 / scale] : []}
            listening={false}
          />
        ))}
      </Layer>
    </Stage>
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
      <Circle
        x={rect.x + rect.width}
        y={rect.y + rect.height}
        radius={HANDLE_PX / scale}
        fill="#ffffff"
        stroke="#095660"
        strokeWidth={2 / scale}
        hitStrokeWidth={16 / scale}
        onPointerDown={(event) => {
          event.cancelBubble = true
          onResize()
        }}
      />
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
