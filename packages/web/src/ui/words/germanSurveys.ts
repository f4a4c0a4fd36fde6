/** German: what people are asked at a step. */
export const germanSurveys: Record<string, string> = {
  '{{n}} of 5 stars': '{{n}} von 5 Sternen',
  'Your answer': 'Ihre Antwort',
  'Anything to add': 'Noch etwas dazu',
  'Who answers is not stored.': 'Wer antwortet, wird nicht gespeichert.',
  'Your name stands beside your answer.': 'Ihr Name steht neben Ihrer Antwort.',
  'You may also leave it.': 'Sie können es auch lassen.',
  'Send the answer': 'Antwort senden',
  'Thank you, your answer is there.': 'Danke, Ihre Antwort ist da.',
  'Before you go': 'Bevor Sie gehen',
}
