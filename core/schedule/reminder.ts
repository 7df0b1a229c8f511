/** What a client should know before a check-in. Common practice, no source. */
export const PREPARATION = [
  'Same time of day as last time, in the morning if you can.',
  'Before training, and not after a sauna or a hot bath.',
  'Nothing large to eat or drink for two hours; to the toilet before.',
  'Skin dry and without lotion; shorts, and a sports top.',
]

/** A reminder to copy: when, and how to come prepared. */
export function reminderText(firstName: string, day: string): string {
  return [
    `Hello ${firstName}, your next check-in is on ${day}.`,
    '',
    ...PREPARATION.map((p) => `- ${p}`),
  ].join('\n')
}
