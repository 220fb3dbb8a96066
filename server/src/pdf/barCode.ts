import { toBuffer } from 'bwip-js/node';

/** A code as bars that the floor's scanners read, Code 128, PNG. */
export const barCode = (text: string): Promise<Buffer> =>
  toBuffer({ bcid: 'code128', text, scale: 3, height: 11, includetext: false });
