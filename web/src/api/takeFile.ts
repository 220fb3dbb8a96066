import { saveFile } from '../ui/index.ts';
import type { Sent } from './useAttempt.ts';

const NAME = /filename="?([^";]+)"?/;

/**
 * Fetches a file that takes a while to be made, and keeps it under the name it comes with. Refused, what the server says is
 * told where the file was asked for, rather than kept in its place.
 *
 * @param path within the API
 */
export async function takeFile(path: string): Promise<Sent<true>> {
  let answer: Response;
  try {
    answer = await fetch(`/api/v1${path}`);
  } catch {
    return { error: { status: 'FETCH_ERROR' } };
  }
  if (!answer.ok) return { error: { status: answer.status, data: await answer.text() } };
  const address = URL.createObjectURL(await answer.blob());
  saveFile(address, NAME.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? 'film');
  URL.revokeObjectURL(address);
  return { data: true };
}
