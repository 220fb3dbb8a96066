/** What came back for a write: an answer, or nothing that says whether it was done. */
interface Outcome {
  error?: unknown;
}

const WAITS_MS = [400, 1200, 3000];

/** Keys of writes that nobody knows the outcome of, by what they ask. */
const unanswered = new Map<string, string>();

/**
 * Sends a write under a key by which the server knows it again: one that was done and whose answer was lost on the way is not
 * done twice, whether it is sent again here or by the person who presses once more.
 *
 * @param asked all that the write asks, as text
 * @param send sends it under a key
 * @param isOpen whether the outcome is not known: no answer, or the server is busy or away
 */
export async function sendKeyed<T extends Outcome>(
  asked: string,
  send: (key: string) => Promise<T>,
  isOpen: (outcome: T) => boolean,
  waitsMs: readonly number[] = WAITS_MS,
): Promise<T> {
  const key = unanswered.get(asked) ?? newKey();
  unanswered.set(asked, key);
  let outcome = await send(key);
  for (const waitMs of waitsMs) {
    if (!isOpen(outcome)) break;
    await new Promise((resolve) => setTimeout(resolve, waitMs));
    outcome = await send(key);
  }
  if (!isOpen(outcome)) unanswered.delete(asked);
  return outcome;
}

/** `randomUUID` is there in safe contexts alone, which a page under a name of the shop's own need not be. */
function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (own) => own.toString(16).padStart(2, '0')).join('');
}
