import { expect } from 'chai';
import { show } from '../testing/render.tsx';
import { Button } from '../ui/index.ts';
import { useKept } from './useKept.ts';

function Gun({ name }: { name: string }) {
  const [{ dial, cone }, put, forget] = useKept(name, () => ({ dial: 3, cone: 80 }));
  return (
    <>
      <output>{`${dial} ${cone}`}</output>
      <Button onClick={() => put({ dial: dial + 1 })}>more</Button>
      <Button onClick={forget}>forget</Button>
    </>
  );
}

describe('what is set on a part of a page', () => {
  it('outlives a reload under its own name, and is forgotten when it is done', async () => {
    const first = show(<Gun name="a" />);
    await first.user.click(first.getByText('more'));
    first.unmount();
    const again = show(<Gun name="a" />);
    expect(again.getByRole('status').textContent).to.equal('4 80');
    expect(
      show(<Gun name="b" />)
        .getAllByRole('status')
        .at(-1)?.textContent,
    ).to.equal('3 80');
    await again.user.click(again.getAllByText('forget')[0]!);
    again.unmount();
    expect(
      show(<Gun name="a" />)
        .getAllByRole('status')
        .at(-1)?.textContent,
    ).to.equal('3 80');
  });

  it('begins as the page says where what was kept does not know it yet, or is no draft', () => {
    sessionStorage.setItem('saltflat.kept.c', JSON.stringify({ version: 1, values: { dial: 7 } }));
    sessionStorage.setItem('saltflat.kept.d', 'not ours');
    expect(show(<Gun name="c" />).getByRole('status').textContent).to.equal('7 80');
    expect(
      show(<Gun name="d" />)
        .getAllByRole('status')
        .at(-1)?.textContent,
    ).to.equal('3 80');
  });
});
