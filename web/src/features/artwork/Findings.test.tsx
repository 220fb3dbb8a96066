import type { Finding, Fix } from '@saltflat/core/artwork';
import { expect } from 'chai';
import { show } from '../../testing/render.tsx';
import { Findings } from './Findings.tsx';

const BOX = {
  code: 'opaque-box',
  severity: 'stop',
  confidence: 'likely',
  params: { tone: 'black', hex: '#040404', boxShare: 0.8, likeGarment: false },
  places: [
    { x: 0, y: 0, width: 10, height: 10 },
    { x: 50, y: 0, width: 10, height: 10 },
  ],
  fixes: [{ kind: 'print-width', widthMm: 180 }],
} as unknown as Finding;

describe('what stands out in art', () => {
  it('is told with how much harm it does, and mended by one press where the line is open', async () => {
    const fixed: Fix[] = [];
    const { user, getByText, getAllByRole, rerender } = show(
      <Findings findings={[BOX]} pointed={null} onPoint={() => undefined} onFix={(fix) => fixed.push(fix)} />,
    );
    getByText('An opaque black box round the art');
    getByText('stops the print');
    getByText(/Likely, not sure/);
    await user.click(getAllByRole('button')[0]!);
    expect(fixed).to.deep.equal([{ kind: 'print-width', widthMm: 180 }]);
    const before = getAllByRole('button').length;
    rerender(<Findings findings={[BOX]} pointed={null} onPoint={() => undefined} onFix={null} />);
    expect(getAllByRole('button')).to.have.length(before - 1);
  });

  it('is nothing where nothing stands out', () => {
    const { getByText, queryByRole } = show(
      <Findings findings={[]} pointed={null} onPoint={() => undefined} onFix={null} />,
    );
    getByText(/this file can be printed as it is/);
    expect(queryByRole('list')).to.equal(null);
  });
});
