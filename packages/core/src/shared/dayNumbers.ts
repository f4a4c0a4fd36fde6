/** Year, month (1 to 12) and day of a text `YYYY-MM-DD`. */
export const numbersOfDay = (text: string): [year: number, month: number, day: number] => [
  Number(text.slice(0, 4)),
  Number(text.slice(5, 7)),
  Number(text.slice(8, 10)),
]
