import type { Artwork } from '@saltflat/contract';
import type { Sent } from '../../api/useAttempt.ts';

/**
 * Sends several art files one after the other: pictures are large, and how far it is can be told.
 *
 * @param onSent told how many are in, before each
 * @returns the artworks in the order of the files, or why the first that was refused was
 */
export async function sendArt(
  files: readonly File[],
  upload: (file: File) => Promise<Sent<Artwork>>,
  onSent: (count: number) => void,
): Promise<Sent<Artwork[]>> {
  const art: Artwork[] = [];
  for (const [i, file] of files.entries()) {
    onSent(i);
    const { data, error } = await upload(file);
    if (!data) return { error };
    art.push(data);
  }
  return { data: art };
}
