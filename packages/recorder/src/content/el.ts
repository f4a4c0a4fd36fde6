type Child = Node | string | false

/** Makes an element with its properties. */
export function el<K extends keyof HTMLElementTagNameMap>(
  name: K,
  props: Record<string, unknown> = {},
  ...children: Child[]
): HTMLElementTagNameMap[K] {
  const made = Object.assign(document.createElement(name), props)
  made.append(...children.filter((child): child is Node | string => child !== false))
  return made
}
