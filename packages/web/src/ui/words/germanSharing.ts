/** German: links, guests, and editions that hold no more. */
export const germanSharing: Record<string, string> = {
  Guests: 'Gäste',
  'Edition {{n}} holds now': 'Jetzt gilt Ausgabe {{n}}',
  'Read edition {{n}}': 'Ausgabe {{n}} lesen',
  'Copy the link': 'Link kopieren',
  'Copy the link to this step': 'Link zu diesem Schritt kopieren',
  'Your use of the guide is found by it. Your name is not asked for.':
    'Unter ihr wird Ihre Nutzung der Anleitung gefunden. Nach Ihrem Namen wird nicht gefragt.',
  'A number has figures in it; letters, spaces and hyphens may stand beside them.':
    'Eine Nummer enthält Ziffern; Buchstaben, Leerzeichen und Bindestriche dürfen dabeistehen.',
  'Read the guide': 'Anleitung lesen',
  'Guide – Jackdaw': 'Anleitung – Jackdaw',
  'There is no guide behind this link': 'Hinter diesem Link ist keine Anleitung',
  'Edition {{n}} has been withdrawn': 'Ausgabe {{n}} wurde zurückgezogen',
  'What you have read in it does not hold.': 'Was Sie darin gelesen haben, gilt nicht.',
  'You have edition {{n}} before you.': 'Sie haben Ausgabe {{n}} vor sich.',
  'This guide is not there for you any more': 'Diese Anleitung ist für Sie nicht mehr da',
  'It could not be copied. Copy it by hand: {{text}}': 'Es ließ sich nicht kopieren. Kopieren Sie es von Hand: {{text}}',
  'The link is copied. It is for people who sign in and may read the guide.':
    'Der Link ist kopiert. Er ist für Leute, die sich anmelden und die Anleitung lesen dürfen.',
  'The link to this step is copied. It is for people who sign in and may read the guide.':
    'Der Link zu diesem Schritt ist kopiert. Er ist für Leute, die sich anmelden und die Anleitung lesen dürfen.',
  'Session number': 'Nummer der Schulung',
  'Job number': 'Auftragsnummer',
  'Vehicle number': 'Fahrzeugnummer',
  'You are through. You can look things up here as long as the link holds.':
    'Sie sind durch. Solange der Link gilt, können Sie hier nachschlagen.',
  'Say that you are done when you have read and understood everything. It is counted; nobody is told who you are.':
    'Sagen Sie, dass Sie fertig sind, wenn Sie alles gelesen und verstanden haben. Es wird gezählt; niemand erfährt, wer Sie sind.',
  'Your print is of edition {{printed}}, which has been withdrawn. Edition {{edition}} holds.':
    'Ihr Ausdruck ist von Ausgabe {{printed}}, die zurückgezogen wurde. Es gilt Ausgabe {{edition}}.',
  'This link leads nowhere. Ask whoever gave it to you for the whole of it.':
    'Dieser Link führt nirgendwohin. Lassen Sie ihn sich noch einmal ganz geben.',
  'This link has been taken back. Ask whoever gave it to you for a new one.':
    'Dieser Link wurde zurückgenommen. Lassen Sie sich einen neuen geben.',
  'The days of this link are over. Ask whoever gave it to you for a new one.':
    'Die Tage dieses Links sind vorbei. Lassen Sie sich einen neuen geben.',
  'The guide behind this link is not in use any more. Ask whoever gave it to you what holds now.':
    'Die Anleitung hinter diesem Link wird nicht mehr benutzt. Fragen Sie, wer ihn Ihnen gab, was jetzt gilt.',
  'Guides are not shown to guests any more. Ask whoever gave you the link.':
    'Gästen werden keine Anleitungen mehr gezeigt. Fragen Sie, wer Ihnen den Link gab.',
  'This link is being opened too often just now. Wait a minute.': 'Dieser Link wird gerade zu oft geöffnet. Warten Sie eine Minute.',
  'This guide is not in use any more.': 'Diese Anleitung wird nicht mehr benutzt.',
  'There is no open folder here': 'Hier ist kein offener Ordner',
  'Find by title': 'Nach Titel suchen',
  'There is no guide here yet.': 'Hier ist noch keine Anleitung.',
  'No title has these words.': 'Kein Titel enthält diese Wörter.',
  'There is no folder here that is open to everybody.': 'Hier ist kein Ordner, der für alle offen ist.',
  'This guide is not open to everybody any more.': 'Diese Anleitung ist nicht mehr für alle offen.',
}
