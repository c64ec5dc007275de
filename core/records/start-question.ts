/** What people come with, in their words. */
export const QUESTIONS = {
  clears: 'Does this wheel clear this caliper?',
  balanced: 'Which axle locks first, and how heavy is the pedal?',
  lasts: 'Will the brakes last a session?',
  worth: 'Which upgrade is worth its price?',
  helped: 'Did the upgrade help?',
  order: 'What do I buy, and how do I fit it?',
} as const
export type QuestionId = keyof typeof QUESTIONS
export const QUESTION_IDS = Object.keys(QUESTIONS) as QuestionId[]
/** What each of them is about, in a word or two. */
export const QUESTION_NAMES: Readonly<Record<QuestionId, string>> = {
  clears: 'Fit',
  balanced: 'Balance and pedal',
  lasts: 'Heat',
  worth: 'Value',
  helped: 'Test results',
  order: 'Parts list and work order',
}
