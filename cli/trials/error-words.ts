/** What an answer says went wrong, the first place with it where a document is wrong; its first words where it is no JSON. */
export function errorWords(text: string): string {
  try {
    const { error } = JSON.parse(text) as { error: { message: string; problems?: { message: string }[] } };
    return [error.message, error.problems?.[0]?.message].filter(Boolean).join(' ');
  } catch {
    return text.slice(0, 120);
  }
}
