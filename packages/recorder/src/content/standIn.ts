/** Whether an element takes room on the screen and lets itself be seen. */
export function isSeen(element: Element): boolean {
  if (!element.checkVisibility({ opacityProperty: true, visibilityProperty: true })) return false
  const { width, height } = element.getBoundingClientRect()
  const { clip, clipPath } = getComputedStyle(element)
  return width > 4 && height > 4 && !/rect\((?:0|1)px/.test(clip) && !/inset\((?:50|100)%/.test(clipPath)
}

/** What people see of an element and press for it: of a field that is made invisible its label, or the box around it that it fills. */
export function standInOf(element: Element): Element {
  if (!(element instanceof HTMLInputElement) || isSeen(element)) return element
  const label = [...(element.labels ?? [])].find(isSeen)
  if (label) return label
  const { width, height } = element.getBoundingClientRect()
  const around = element.parentElement
  if (!around || width < 4 || height < 4) return element
  const box = around.getBoundingClientRect()
  return isSeen(around) && Math.abs(box.width - width) < 12 && Math.abs(box.height - height) < 12 ? around : element
}
