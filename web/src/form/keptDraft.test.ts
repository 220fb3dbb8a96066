import { expect } from 'chai';
import { keepDraft, readDraft } from './keptDraft.ts';

const storage = (): Pick<Storage, 'getItem' | 'setItem'> => {
  const kept = new Map<string, string>();
  return { getItem: (key) => kept.get(key) ?? null, setItem: (key, text) => void kept.set(key, text) };
};

describe('a draft that is kept', () => {
  it('comes back with the version it was made from, whatever the record is at by then', () => {
    const own = storage();
    keepDraft(own, 'shop.film', { version: 3, values: { name: 'Tarn film' } });
    expect(readDraft(own, 'shop.film')).to.deep.equal({ version: 3, values: { name: 'Tarn film' } });
  });

  it('is none where nothing is kept, where it cannot be read, and where it does not say its version', () => {
    const own = storage();
    expect(readDraft(own, 'nothing')).to.equal(null);
    for (const text of ['{"name":', '{"name":"from before"}', '{"version":"3","values":{}}', 'null', '[]']) {
      own.setItem('odd', text);
      expect(readDraft(own, 'odd'), text).to.equal(null);
    }
  });
});
