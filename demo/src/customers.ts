/** Made-up customers on a page of the Order Book: number, name, mail address, telephone. */
export const CUSTOMERS: readonly (readonly [string, string, string, string])[] = [
  ['40118', 'Greenway Corner Shop', 'orders@greenway.example', '+44 1632 960127'],
  ['40218', 'The Copper Ladle', 'kitchen@copper-ladle.example', '+44 1632 960344'],
  ['40301', 'Hob & Thyme', 'hello@hobandthyme.example', '+44 1632 960518'],
  ['40377', 'Tern Island Ferry Galley', 'galley@tern-ferry.example', '+44 1632 960702'],
]

// The page is drawn 960 wide and stored one and a half times as large.
const SCALE = 1.5
const COLUMNS = [28, 138, 358, 658] as const

/** The words of that page and where they stand, as the recorder would have told them; in pixels of the stored picture. */
export const CUSTOMER_WORDS = CUSTOMERS.flatMap((row, line) =>
  row.map((text, column) => ({
    text,
    rect: {
      x: (COLUMNS[column]! + 10) * SCALE,
      y: (226 + 38 + line * 42 + 9) * SCALE,
      width: (text.length * 9 + 6) * SCALE,
      height: 26 * SCALE,
    },
  })),
)
