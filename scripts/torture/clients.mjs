import { randomUUID } from 'node:crypto';
import { createRequire } from 'node:module';
import { pause } from './target.mjs';

const sharp = createRequire(new URL('../../server/package.json', import.meta.url))('sharp');
const ATTEMPTS = 60;
/** So many orders each client goes on with. */
const KEPT = 6;

/** One person at work: takes orders in, changes them, puts lines on the floor, does steps, sends pictures; again until it is answered. */
export async function startClient(base, number) {
  const ledger = { orders: [], edits: [], runs: [], events: [], pictures: [], sent: 0 };
  const device = { clientId: randomUUID(), clientSeq: 0 };
  let isStopping = false;
  const call = caller(base, ledger);
  const { styles } = (await call('GET', '/catalogue')).body;
  const style = styles.find(({ name }) => name === 'Harbour tee');
  const open = [];

  const picture = async () => {
    const hue = Math.floor(Math.random() * 0xffffff);
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="120" height="90"><circle cx="60" cy="45" r="40" fill="#${hue.toString(16).padStart(6, '0')}"/></svg>`;
    const bytes = await sharp(Buffer.from(svg)).png().toBuffer();
    const answer = await call('POST', `/artworks?name=torture-${number}.png`, bytes);
    if (answer.ok) ledger.pictures.push(answer.body.id);
    return answer.ok ? answer.body.id : null;
  };
  const orderOf = (tag, note, artworkId) => ({
    customer: tag,
    dueAt: '2034-05-06T10:00:00.000Z',
    note,
    lines: [
      {
        styleId: style.id,
        colourId: style.colours[0].id,
        prints: [{ artworkId, placement: 'full-front', dropMm: 75, widthMm: 150, process: 'dtf' }],
        sizes: [{ size: 'M', quantity: 2 }],
      },
    ],
  });
  const takeIn = async () => {
    const artworkId = await picture();
    const tag = `Torture ${number} ${randomUUID()}`;
    const asked = { tag, id: null };
    ledger.orders.push(asked);
    const answer = await call('POST', '/orders', orderOf(tag, '', artworkId));
    if (!answer.ok) return;
    asked.id = answer.body.id;
    open.push({ id: answer.body.id, tag, artworkId });
    if (open.length > KEPT) open.shift();
  };
  const edit = async ({ id, tag, artworkId }) => {
    const { body: order, ok } = await call('GET', `/orders/${id}`);
    if (!ok) return;
    const note = `edited ${randomUUID()}`;
    const change = { ...orderOf(tag, note, artworkId), version: order.version };
    change.lines[0].id = order.lines[0].id;
    const answer = await call('PUT', `/orders/${id}`, change);
    // only this client edits this order: what it was told last is what stands there
    ledger.edits.push({ id, note, isDone: answer.ok, isKnown: answer.isKnown });
  };
  const start = async ({ id }) => {
    const { body: order, ok } = await call('GET', `/orders/${id}`);
    const line = ok && order.lines.find(({ state }) => state === 'ready');
    if (!line) return;
    const answer = await call('POST', '/runs', { lineIds: [line.id], by: `Client ${number}` });
    if (answer.ok) ledger.runs.push({ id: answer.body.id, steps: stepsOf(answer.body), done: 0 });
  };
  const step = async (run) => {
    const name = run.steps[run.done++];
    if (!name) return;
    const at = new Date().toISOString();
    const isLast = name.includes('inspect');
    const said = isLast
      ? [['piece-inspected', { inspection: { verdict: 'good', faults: [] } }]]
      : [
          ['step-started', {}],
          ['step-completed', {}],
        ];
    const events = said.map(([kind, payload]) => ({
      id: randomUUID(),
      ...device,
      clientSeq: ++device.clientSeq,
      kind,
      step: name,
      at,
      deviceAt: at,
      by: `Client ${number}`,
      payload,
    }));
    const answer = await call('POST', `/runs/${run.id}/events`, { events });
    if (answer.ok) ledger.events.push(...events.map(({ id }) => ({ id, runId: run.id })));
    if (answer.ok && Math.random() < 0.3) await call('POST', `/runs/${run.id}/events`, { events }); // sent twice, counts once
  };
  const pick = (from) => from[Math.floor(Math.random() * from.length)];
  const work = async () => {
    while (!isStopping) {
      const order = pick(open);
      const chance = Math.random();
      if (!order || chance < 0.3) await takeIn();
      else if (chance < 0.55) await edit(order);
      else if (chance < 0.75) await start(order);
      else if (ledger.runs.length > 0) await step(pick(ledger.runs.slice(-KEPT)));
      await pause(20);
    }
  };
  const done = work();
  return {
    acknowledged: () => ledger.sent,
    stop: async () => {
      isStopping = true;
      await done;
      return ledger;
    },
  };
}

/** Every step of a run in order: each lane before what takes its parts in, sheet by sheet and load by load. */
const stepsOf = ({ lines: [{ key, route, pieces }] }) =>
  route.operations.flatMap(({ id, lane, unit, size }) => {
    const most = unit === 'piece' ? 1 : (size ?? pieces);
    return Array.from({ length: Math.ceil(pieces / most) }, (_, i) => {
      const [first, last] = [i * most + 1, Math.min(pieces, (i + 1) * most)];
      return `${id}/${key}.${lane}.${first === last ? first : `${first}-${last}`}`;
    });
  });

/** Asks until there is an answer that says what came of it; writes under a key, so that asking again is harmless. */
const caller = (base, ledger) => async (method, path, body) => {
  const isFile = Buffer.isBuffer(body);
  const headers = body === undefined ? {} : { 'content-type': isFile ? 'image/png' : 'application/json' };
  if (method !== 'GET' && !isFile) headers['idempotency-key'] = randomUUID();
  for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
    try {
      const answer = await fetch(`${base}${path}`, {
        method,
        headers,
        body: body === undefined ? undefined : isFile ? body : JSON.stringify(body),
        signal: AbortSignal.timeout(10_000),
      });
      const text = await answer.text();
      if (answer.status < 500) {
        ledger.sent++;
        return { ok: answer.ok, isKnown: true, body: JSON.parse(text) };
      }
      if (answer.status === 500) (ledger.faults ??= []).push(`${method} ${path}: ${text.slice(0, 300)}`);
    } catch {
      // broken off: asked again
    }
    await pause(200);
  }
  return { ok: false, isKnown: false, body: null };
};
