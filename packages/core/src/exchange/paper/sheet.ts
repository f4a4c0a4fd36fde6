/** Sizes of paper, in points. */
export const PAPERS = { a4: { widthPt: 595.28, heightPt: 841.89 }, letter: { widthPt: 612, heightPt: 792 } } as const
/** A size of paper. */
export type PaperSize = keyof typeof PAPERS

/** Where the column of text stands on a sheet, in points: beside it, on the left, there is room for the ruler. */
export type Sheet = { widthPt: number; heightPt: number; left: number; top: number; columnPt: number; bodyPt: number }

/** A sheet with its column. */
export function sheetOf(size: PaperSize): Sheet {
  const { widthPt, heightPt } = PAPERS[size]
  const [left, right, top, bottom] = [88, 54, 56, 66]
  return { widthPt, heightPt, left, top, columnPt: widthPt - left - right, bodyPt: heightPt - top - bottom }
}
