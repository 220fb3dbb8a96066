import type { Pixels } from '@saltflat/core/artwork';

/**
 * Fetches an artwork's pixels straight into the thread that asks; they never pass through the page.
 *
 * @param maxPx longest side; all of them where none is given
 */
export async function fetchPixels(artworkId: string, maxPx: number | null): Promise<Pixels> {
  const size = maxPx === null ? '' : `?maxPx=${maxPx}`;
  const answer = await fetch(`/api/v1/artworks/${artworkId}/pixels${size}`);
  if (!answer.ok) throw new Error('The pixels of this artwork cannot be fetched. Try again in a moment.');
  const data = new Uint8Array(await answer.arrayBuffer());
  return {
    width: Number(answer.headers.get('X-Width')),
    height: Number(answer.headers.get('X-Height')),
    data,
  };
}
