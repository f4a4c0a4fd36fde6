/** The package brings its types, but does not say so where they are looked for. */
declare module 'tinykeys' {
  export function tinykeys(
    target: Window | HTMLElement,
    bindings: Record<string, (event: KeyboardEvent) => void>,
    options?: { event?: 'keydown' | 'keyup'; capture?: boolean; timeout?: number },
  ): () => void
}
