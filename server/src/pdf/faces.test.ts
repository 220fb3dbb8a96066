import { USUAL_WRITING } from '@saltflat/core/units';
import { expect } from 'chai';
import { splitByFace } from './faces.ts';
import { breakLines, openSheet, widthOf } from './page.ts';
import type { Doc } from './page.ts';

const NAMES = [
  'The Mooring Café, Žofie Nováková — Łódź',
  'Типография «Северный ветер»',
  '潮汐印刷店 株式会社うみかぜ 바다 인쇄소',
  'مطبعة النور العربية',
  'Ελληνικά τυπογραφεία, Việt Nam',
];

/** Whether the font that is set has a letter; the library's types leave its font out. */
const has = (doc: Doc, code: number): boolean =>
  (
    doc as unknown as { _font: { font: { hasGlyphForCodePoint: (code: number) => boolean } } }
  )._font.font.hasGlyphForCodePoint(code);

describe('letters on paper', () => {
  const { doc } = openSheet({
    title: 'x',
    madeAt: '2031-02-03T00:00:00.000Z',
    writing: { ...USUAL_WRITING, zone: 'Etc/UTC' },
  });

  it('are there for names in every script the shop is likely to write, in both weights', () => {
    for (const name of NAMES)
      for (const weight of [400, 600] as const)
        for (const { text, file } of splitByFace(name)) {
          doc.font(file(weight));
          for (const letter of text)
            expect(has(doc, letter.codePointAt(0) ?? 0), `${letter} of ${name}`).to.equal(true);
        }
  });

  it('give a text back as it was, words from right to left as one', () => {
    for (const name of [...NAMES, 'مطبعة النور and Kite Club 潮汐', '𝕊😀'])
      expect(
        splitByFace(name)
          .map(({ text }) => text)
          .join(''),
      ).to.equal(name);
    expect(splitByFace('مطبعة النور and').map(({ text, isWhole }) => [text, isWhole])).to.deep.equal([
      ['مطبعة النور', true],
      [' ', false],
      ['and', false],
    ]);
  });

  it('stay within their column, a word longer than a line too', () => {
    const texts = ['x'.repeat(500), `short ${'ab'.repeat(80)} and ${'潮汐印刷店'.repeat(30)} end`];
    for (const text of texts) {
      const lines = breakLines(doc, text, 200, { size: 12 });
      for (const line of lines) expect(widthOf(doc, line, { size: 12 })).to.be.at.most(200);
      expect(lines.join('').replaceAll(' ', '')).to.equal(text.replaceAll(' ', ''));
    }
  });
});
