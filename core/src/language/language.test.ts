import { expect } from 'chai';
import fc from 'fast-check';
import { isLanguage, leftInEnglish, phrase, phraseIn } from './index.ts';

describe('a phrase', () => {
  it('has its parts filled in, and keeps one that is not given', () => {
    expect(phrase('{count} of {of} pieces', 'en', { count: 3, of: 12 })).to.equal('3 of 12 pieces');
    expect(phrase('{count} of {of} pieces', 'en', { count: 3 })).to.equal('3 of {of} pieces');
    expect(phrase('worth {price}', 'en', { price: '$& {price}' })).to.equal('worth $& {price}');
  });

  it('is half as long again in the made-up language, its parts and abbreviations as they were', () => {
    const said = phrase('Print the film of {order}, DTF', 'made-up', { order: 'K-201 Oona' });
    expect(said).to.match(/^P\S+ th\S+ f\S+ \S+ K-201 Oona, DTF$/u);
    expect(leftInEnglish(said)).to.deep.equal(['Oona']);
    expect(leftInEnglish(said, new Set(['Oona']))).to.deep.equal([]);
    const long = 'Take the weight before, spray, and take it again while it is wet';
    expect(phraseIn(long, 'made-up').length / long.length).to.be.within(1.35, 1.7);
  });

  it('leaves no word of English in it, whatever it says', () => {
    const word = fc.stringMatching(/^[A-Z]?[a-z]{1,12}$/);
    fc.assert(
      fc.property(fc.array(word, { minLength: 1 }), (words) => {
        expect(leftInEnglish(phraseIn(words.join(' '), 'made-up'))).to.deep.equal([]);
      }),
    );
    expect(['en', 'made-up', 'de', null].map(isLanguage)).to.deep.equal([true, true, false, false]);
  });
});
