import { LINE_HEIGHT, type Shape } from '@jackdaw/core/annotations'
import { Fragment, type ReactNode } from 'react'

const FACES = { sans: 'var(--font-sans)', serif: 'var(--font-serif)' }

/** One shape as SVG. @param detail draws a part of the picture into an area */
function shapeSvg(shape: Shape, detail: (shape: Extract<Shape, { is: 'detail' }>) => ReactNode): ReactNode {
  switch (shape.is) {
    case 'path':
      return (
        <path
          d={shape.d}
          fill={shape.fill ?? 'none'}
          stroke={shape.stroke}
          strokeWidth={shape.widthPx}
          strokeLinecap={shape.cap ?? 'butt'}
          strokeLinejoin={shape.cap === 'square' ? 'miter' : 'round'}
        />
      )
    case 'words':
      return (
        <text
          fontFamily={FACES[shape.face]}
          fontSize={shape.typePx}
          fontWeight={600}
          fill={shape.fill}
          textAnchor={shape.align}
          style={{ fontKerning: 'none', whiteSpace: 'pre' }}
        >
          {shape.lines.map((line, n) => (
            <tspan key={n} x={shape.x} y={shape.y + n * shape.typePx * LINE_HEIGHT}>
              {line}
            </tspan>
          ))}
        </text>
      )
    case 'detail':
      return detail(shape)
  }
}

/** Shapes as SVG, those below first. */
export function ShapesSvg({
  shapes,
  detail,
}: {
  shapes: readonly Shape[]
  detail: (shape: Extract<Shape, { is: 'detail' }>) => ReactNode
}) {
  return shapes.map((shape, n) => <Fragment key={n}>{shapeSvg(shape, detail)}</Fragment>)
}
