// The demo accounts that the start command prints; a test holds them against the demo's own list.
export const PASSWORD = 'glass-and-herbs'
export const ACCOUNTS = [
  ['Admin', 'Priya Raman', 'priya@larkmoor.example'],
  ['Lead', 'Marta Sorrel', 'marta@larkmoor.example'],
  ['Author', 'Tomasz Wilk', 'tomasz@larkmoor.example'],
  ['Staff', 'Inés Robledo', 'ines@larkmoor.example'],
  ['Manager', 'Gareth Pike', 'gareth@larkmoor.example'],
]
