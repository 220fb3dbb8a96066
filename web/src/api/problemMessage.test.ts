import { expect } from 'chai';
import { fieldProblems, problemMessage, problemOf } from './problemMessage.ts';

const refusal = {
  status: 409,
  data: {
    code: 'stale-version',
    detail: 'Someone changed K-1 meanwhile.',
    fields: [{ path: '/customer', message: 'Say who it is for.' }],
  },
};

describe('what a person reads when something fails', () => {
  it('is the server’s own sentence, sent as an object or as text', () => {
    expect(problemMessage(refusal)).to.equal('Someone changed K-1 meanwhile.');
    expect(problemMessage({ ...refusal, data: JSON.stringify(refusal.data) })).to.equal(
      'Someone changed K-1 meanwhile.',
    );
    expect(fieldProblems(refusal)).to.deep.equal(refusal.data.fields);
  });

  it('says that nothing is lost when the server does not answer', () => {
    for (const status of ['FETCH_ERROR', 'TIMEOUT_ERROR'])
      expect(problemMessage({ status })).to.contain('What you entered is still here');
  });

  it('never shows what is not meant for people', () => {
    for (const error of [
      undefined,
      {},
      new Error('stack'),
      { status: 500, data: '<html>oops</html>' },
      { status: 500, data: 'null' },
    ]) {
      expect(problemMessage(error)).to.equal(
        'Something went wrong. Try again; if it stays so, reload the page.',
      );
      expect(problemOf(error)).to.equal(null);
      expect(fieldProblems(error)).to.deep.equal([]);
    }
  });
});
