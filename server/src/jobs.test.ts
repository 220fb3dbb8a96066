import type { Job, Order } from '@saltflat/contract';
import { expect } from 'chai';
import sharp from 'sharp';
import { lineInput, orderInput, planned, startTestServer, until, upload } from './testing/testServer.ts';
import type { TestServer } from './testing/testServer.ts';

describe('jobs', function () {
  let server: TestServer;
  before(async () => {
    server = await startTestServer();
  });
  after(() => server.stop());

  const jobOf = async (lineId: string): Promise<Job | null> =>
    ((await server.api.get(`/api/v1/lines/${lineId}/job`).expect(200)).body as { job: Job | null }).job;
  const takeIn = async (artworkId: string, widthMm: number): Promise<Order> => {
    const lines = [lineInput(server, { artworkId, widthMm })];
    return (
      await server.api
        .post('/api/v1/orders')
        .send(orderInput(server, null, { lines }))
        .expect(201)
    ).body as Order;
  };

  it('say how far a line’s art is measured to whoever comes, and how it ended', async () => {
    const noise = { type: 'gaussian' as const, mean: 128, sigma: 60 };
    const png = await sharp({
      create: { width: 1100, height: 1100, channels: 4, background: '#00000000', noise },
    })
      .png()
      .toBuffer();
    const { id } = (await upload(server, png, 'noise.png')).body as { id: string };
    const order = await takeIn(id, 200);
    const lineId = order.lines[0]!.id;
    const running = await until(async () => {
      const job = await jobOf(lineId);
      return job && job.share > 0.2 ? job : null;
    });
    expect(running.about).to.equal(lineId);
    await planned(server, order.id);
    const done = await jobOf(lineId);
    expect(done).to.include({ kind: 'measure-line', state: 'done', share: 1, why: null });
    expect(Date.parse(done!.endedAt!)).to.be.above(Date.parse(done!.begunAt));

    const again = await takeIn(id, 200);
    await planned(server, again.id);
    expect(await jobOf(again.lines[0]!.id), 'what is measured already takes no time').to.equal(null);
  });

  it('begin again where they were ended, and say why they failed', async () => {
    const { jobs } = server.services;
    const about = '7f1d9a54-0b1e-4c5e-9a52-3f6f0b7f3a77';
    const tell = (own: number): Promise<void> =>
      jobs
        .run('measure-line', about, async (onProgress) => {
          onProgress(own);
          if (own > 0.5) throw new Error('the disk is full');
          await Promise.resolve();
        })
        .catch(() => undefined);
    await tell(0.4);
    expect(await jobs.find('measure-line', about)).to.include({ state: 'done', share: 1 });
    await tell(0.7);
    const failed = await jobs.find('measure-line', about);
    expect(failed).to.include({ state: 'failed', why: 'the disk is full' });
    expect(failed!.share, 'as far as it came').to.be.closeTo(0.7, 1e-6);
    expect((await server.api.get(`/api/v1/lines/${about}/job`)).status).to.equal(404);
    await jobs.run('measure-line', about, () => Promise.resolve()); // what there was to measure is measured
    expect(await jobs.find('measure-line', about)).to.include({ state: 'done', share: 1, why: null });
  });
});
