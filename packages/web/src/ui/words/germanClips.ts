/** What people read where sound and video is played and recorded, in German. */
export const germanClips: Record<string, string> = {
  Sound: 'Ton',
  Video: 'Video',
  'Over the whole screen': 'Über den ganzen Bildschirm',
  'It cannot be played here.': 'Es lässt sich hier nicht abspielen.',
  'Load the page again. If that does not help, the file is gone or of a kind that this browser does not know.':
    'Laden Sie die Seite neu. Hilft das nicht, ist die Datei nicht mehr da, oder dieser Browser kennt ihre Art nicht.',
  'Pause: {{title}}': 'Anhalten: {{title}}',
  'Play: {{title}}': 'Abspielen: {{title}}',
  'Place in: {{title}}': 'Stelle in: {{title}}',
  '{{at}} of {{length}}': '{{at}} von {{length}}',
  Speed: 'Geschwindigkeit',
  Captions: 'Untertitel',
  off: 'aus',
  'Your browser asks whether it may use microphone and camera.': 'Ihr Browser fragt, ob er Mikrofon und Kamera verwenden darf.',
  'Putting it into order …': 'Die Aufnahme wird fertig gemacht …',
  'Nothing can be recorded here.': 'Hier lässt sich nichts aufnehmen.',
  'Record video': 'Video aufnehmen',
  'Record video anew': 'Video neu aufnehmen',
  'Record sound': 'Ton aufnehmen',
  'Record sound anew': 'Ton neu aufnehmen',
  'That needs a safe address (https) and a browser of today. Send a file instead.':
    'Das braucht eine sichere Adresse (https) und einen heutigen Browser. Schicken Sie stattdessen eine Datei.',
  'The browser was not allowed to use microphone or camera. Allow it beside the address of this page, or send a file.':
    'Der Browser durfte Mikrofon oder Kamera nicht verwenden. Erlauben Sie es neben der Adresse dieser Seite, oder schicken Sie eine Datei.',
  'There is no microphone or camera. Connect one, or send a file.':
    'Es gibt kein Mikrofon oder keine Kamera. Schließen Sie eines an, oder schicken Sie eine Datei.',
  'Something else is using the microphone or the camera. Close it and try again, or send a file.':
    'Mikrofon oder Kamera wird von etwas anderem verwendet. Schließen Sie es und versuchen Sie es noch einmal, oder schicken Sie eine Datei.',
  'Stop and take it': 'Beenden und nehmen',
  'The other camera': 'Die andere Kamera',
  'Leave it': 'Verwerfen',
  'What the camera sees': 'Was die Kamera sieht',
  'How loud it is': 'Wie laut es ist',
  'Choose a file': 'Datei wählen',
  'Looking at it …': 'Wird angesehen …',
  'This file cannot be played here.': 'Diese Datei lässt sich hier nicht abspielen.',
  'Nothing was sent. Take MP4 or WebM for video, MP3, M4A or WAV for sound.':
    'Es wurde nichts geschickt. Nehmen Sie MP4 oder WebM für Video, MP3, M4A oder WAV für Ton.',
  'This file is too large.': 'Diese Datei ist zu groß.',
  '{{most}} MB are the most. Nothing was sent; choose a smaller one.':
    'Höchstens {{most}} MB gehen. Es wurde nichts geschickt; wählen Sie eine kleinere.',
  'This file is too long.': 'Diese Datei ist zu lang.',
  '{{length}} are the most. Nothing was sent; choose a shorter one.':
    'Höchstens {{length}} gehen. Es wurde nichts geschickt; wählen Sie eine kürzere.',
  'Not handed in: a recorded reply is still on its way.': 'Nicht abgegeben: eine Aufnahme ist noch unterwegs.',
  'Hand it in once it has come, or leave the reply.': 'Geben Sie ab, sobald sie angekommen ist, oder verwerfen Sie die Aufnahme.',
  'The reply': 'Die Antwort',
  'Your reply, recorded, at most {{length}}. A person looks at it.':
    'Ihre Antwort als Aufnahme, höchstens {{length}}. Ein Mensch sieht sie sich an.',
  'Your reply is on its way: {{share}}. You can go on meanwhile.':
    'Ihre Antwort ist unterwegs: {{share}}. Sie können inzwischen weitermachen.',
  'What you have recorded is kept in this browser.': 'Ihre Aufnahme ist in diesem Browser aufgehoben.',
  'Send it again': 'Noch einmal schicken',
  'The file is neither sound nor video that can be played here': 'Die Datei ist weder Ton noch Video, das sich hier abspielen lässt',
  'A reply has {{most}} MB at most. Record a shorter one.': 'Eine Antwort hat höchstens {{most}} MB. Nehmen Sie eine kürzere auf.',
  'A reply takes {{most}} seconds at most. Record a shorter one.':
    'Eine Antwort dauert höchstens {{most}} Sekunden. Nehmen Sie eine kürzere auf.',
  'It has ended; what is recorded now does not count any more.': 'Er ist zu Ende; was jetzt aufgenommen wird, zählt nicht mehr.',
  'This is no reply that can be played here. Record or send it once more; your earlier answer is kept.':
    'Das ist keine Antwort, die sich hier abspielen lässt. Nehmen Sie sie noch einmal auf; Ihre frühere Antwort bleibt.',
}
