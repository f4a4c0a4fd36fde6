import 'react'

declare module 'react' {
  /** Custom properties may stand in styles as any others do. */
  interface CSSProperties {
    [property: `--${string}`]: string | number | undefined
  }
}
