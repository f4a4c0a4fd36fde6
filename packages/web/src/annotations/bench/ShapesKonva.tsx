import { LINE_HEIGHT, type Shape } from '@jackdaw/core/annotations'
import { Group, Image, Path, Text } from 'react-konva'
import type { LaidImage } from './useImages'

const FACES = { sans: 'Source Sans 3 Variable', serif: 'Literata Variable' }

/** The same shapes as on a page, drawn on the author's canvas. */
export function ShapesKonva({ shapes, images, hitPx }: { shapes: readonly Shape[]; images: readonly LaidImage[]; hitPx: number }) {
  return shapes.map((shape, n) => {
    switch (shape.is) {
      case 'path':
        return (
          <Path
            key={n}
            data={shape.d}
            {...(shape.fill ? { fill: shape.fill } : {})}
            {...(shape.stroke ? { stroke: shape.stroke, strokeWidth: shape.widthPx ?? 1 } : { strokeEnabled: false })}
            lineCap={shape.cap ?? 'butt'}
            lineJoin={shape.cap === 'square' ? 'miter' : 'round'}
            hitStrokeWidth={Math.max(hitPx, shape.widthPx ?? 1)}
            perfectDrawEnabled={false}
          />
        )
      case 'words':
        return shape.lines.map((line, at) => (
          <Text
            key={`${n}-${at}`}
            text={line}
            // Konva sets words from the top of the line; ours stand on the base line.
            y={shape.y + at * shape.typePx * LINE_HEIGHT - shape.typePx * 0.86}
            x={shape.align === 'middle' ? shape.x - 2_000 : shape.x}
            width={4_000}
            align={shape.align === 'middle' ? 'center' : 'left'}
            fontFamily={FACES[shape.face]}
            fontStyle="600"
            fontSize={shape.typePx}
            fill={shape.fill}
            listening={false}
          />
        ))
      case 'detail': {
        const { from, to } = shape
        const scale = { x: to.width / from.width, y: to.height / from.height }
        return (
          <Group key={n} clipX={to.x} clipY={to.y} clipWidth={to.width} clipHeight={to.height}>
            {images.map(({ image, rect }, at) => (
              <Image
                key={at}
                image={image}
                x={to.x + (rect.x - from.x) * scale.x}
                y={to.y + (rect.y - from.y) * scale.y}
                width={rect.width * scale.x}
                height={rect.height * scale.y}
              />
            ))}
          </Group>
        )
      }
    }
  })
}
