import { spawn } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DEFAULT_BACKUPS } from '@saltflat/contract';
import type { Backups } from '@saltflat/contract';
import { expect } from 'chai';
import pg from 'pg';
import { kill } from './testing/program.ts';
import { until } from './testing/testServer.ts';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => resolve(port));
    });
  });

/** One of the project's commands, until it ends. */
async function runScript(
  name: string,
  args: readonly string[],
  env: Record<string, string>,
): Promise<{ code: number | null; text: string }> {
  let text = '';
  const child = spawn(process.execPath, [`scripts/${name}.mjs`, ...args], {
    cwd: ROOT,
    env: { ...process.env, ...env },
  });
  for (const out of [child.stdout, child.stderr]) out.on('data', (part: Buffer) => (text += part.toString()));
  const code = await new Promise<number | null>((resolve) => child.on('exit', resolve));
  return { code, text };
}

/** Every process there is: number, parent, and what it was started with. */
function processes(): { pid: number; parent: number; words: string }[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .flatMap((name) => {
      try {
        const stat = readFileSync(`/proc/${name}/stat`, 'latin1');
        const [state, parent] = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
        const words = readFileSync(`/proc/${name}/cmdline`, 'utf8').replaceAll('\0', ' ');
        return state === 'Z' ? [] : [{ pid: Number(name), parent: Number(parent), words }];
      } catch {
        return []; // it has ended meanwhile
      }
    });
}

/** Whether there was such a process still. */
function signal(pid: number, name: NodeJS.Signals): boolean {
  try {
    return process.kill(pid, name);
  } catch {
    return false;
  }
}

describe('the program as it is started', function () {
  this.timeout(300_000);
  const home = mkdtempSync(join(tmpdir(), 'saltflat-whole-'));
  let port: number;
  let starter: ChildProcess;
  let said = '';

  function start(own: Record<string, string> = {}): ChildProcess {
    said = '';
    const child = spawn(process.execPath, ['scripts/start.mjs'], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, SALTFLAT_HOME: home, SALTFLAT_PORT: String(port), SALTFLAT_DEMO: '0', ...own },
    });
    for (const out of [child.stdout, child.stderr])
      out.on('data', (text: Buffer) => (said += text.toString()));
    return child;
  }
  const hears = (text: string): Promise<true> =>
    until(() => Promise.resolve(said.includes(text) ? true : null));
  const status = (path: string, withinMs = 2000): Promise<number | null> =>
    fetch(`http://127.0.0.1:${port}/api/v1${path}`, { signal: AbortSignal.timeout(withinMs) }).then(
      (answer) => answer.arrayBuffer().then(() => answer.status),
      () => null,
    );
  const isUp = (): Promise<true> =>
    until(async () => ((await status('/health/ready')) === 200 ? true : null));
  const serverPid = (): number =>
    processes().find(({ words }) => words.includes('dist/main.js') && words.includes('--enable-source-maps'))
      ?.pid ?? 0;
  const databasePid = (): number =>
    Number(readFileSync(join(home, 'data', 'postmaster.pid'), 'utf8').split('\n')[0]);
  const databasePort = (): number =>
    Number(readFileSync(join(home, 'data', 'postmaster.pid'), 'utf8').split('\n')[3]);
  const password = (of: string): string => readFileSync(join(home, of), 'utf8').trim();
  const asProgram = (database: string): pg.Client =>
    new pg.Client({
      host: '127.0.0.1',
      port: databasePort(),
      user: 'saltflat_app',
      password: password('program-password'),
      database,
    });

  before(async () => {
    port = await freePort();
    starter = start();
    await hears('Saltflat is ready');
  });
  after(async () => {
    await kill(starter, 'SIGTERM');
    rmSync(home, { recursive: true, force: true });
  });

  it('keeps its data, passwords and logs to its owner, and no password where others read', async () => {
    expect(statSync(home).mode & 0o777).to.equal(0o700);
    const log = (): string => readFileSync(join(home, 'server.log'), 'utf8');
    expect(await status('/orders?search=Zelda', 60_000)).to.equal(200);
    // a request is logged once its answer is out, and who asked may have it before
    await until(() =>
      Promise.resolve(existsSync(join(home, 'server.log')) && log().includes('/orders?search') ? true : null),
    );
    for (const name of readdirSync(home)) expect(statSync(join(home, name)).mode & 0o077, name).to.equal(0);
    const secrets = [password('password'), password('program-password')];
    const open = [said, ...processes().map(({ words }) => words), log()];
    for (const secret of secrets) expect(open.some((text) => text.includes(secret))).to.equal(false);
    expect(log()).to.not.contain('Zelda');
  });

  it('works in the database with a role that owns its tables and nothing besides', async () => {
    const client = asProgram('saltflat');
    await client.connect();
    const { rows } = await client.query<{ super: boolean; checksums: string }>(
      `select rolsuper as super, current_setting('data_checksums') as checksums from pg_roles where rolname = current_user`,
    );
    expect(rows).to.deep.equal([{ super: false, checksums: 'on' }]);
    for (const sql of [
      'create database other',
      'create role other',
      'create schema other',
      `copy (select 1) to program 'true'`,
      `select pg_read_file('/etc/passwd')`,
      'alter role saltflat_app superuser',
    ])
      expect(
        await client.query(sql).then(
          () => 'done',
          () => 'refused',
        ),
        sql,
      ).to.equal('refused');
    await client.end();
    const elsewhere = asProgram('postgres');
    expect(
      await elsewhere.connect().then(
        () => 'let in',
        () => 'refused',
      ),
    ).to.equal('refused');
  });

  it('answers 503 to all while the database stands still, and all of it once it goes on', async () => {
    // the parent first, so that none is born meanwhile; one of its children may have ended since it was listed
    const own = databasePid();
    const stopped = [own];
    process.kill(own, 'SIGSTOP');
    for (const { pid } of processes().filter(({ parent }) => parent === own))
      if (signal(pid, 'SIGSTOP')) stopped.push(pid);
    const paths = ['/orders', '/catalogue', '/runs', '/open-lines', '/ledger', '/health/ready'];
    // eight seconds are promised; a machine that is busy with other tests gets a little more
    const answers = await Promise.all(paths.map((path) => status(path, 12_000)));
    for (const pid of stopped) signal(pid, 'SIGCONT');
    expect(answers).to.deep.equal(paths.map(() => 503));
    await isUp();
    expect(await status('/orders')).to.equal(200);
  });

  it('starts a server anew that answers no more, and one that keeps dying after ever longer waits, saying why', async () => {
    const hung = serverPid();
    process.kill(hung, 'SIGSTOP');
    await hears('did not answer for 15 s');
    await hears('The server is running again.');
    expect(serverPid()).to.not.equal(hung);
    for (const wait of ['1 s', '2 s']) {
      await until(() => Promise.resolve(serverPid() === 0 ? null : true));
      process.kill(serverPid(), 'SIGKILL');
      await hears(`The server stopped (it ended with SIGKILL). Starting it again in ${wait} …`);
    }
    await isUp();
  });

  describe('backed up', () => {
    const orders = async (): Promise<string[]> => {
      const answer = await fetch(`http://127.0.0.1:${port}/api/v1/customers`);
      return ((await answer.json()) as { name: string }[]).map(({ name }) => name).sort();
    };
    const addCustomer = (name: string): Promise<void> =>
      inDatabase(`insert into customer (id, name) values (gen_random_uuid(), '${name}')`);
    async function inDatabase(sql: string): Promise<void> {
      const client = asProgram('saltflat');
      await client.connect();
      await client.query(sql);
      await client.end();
    }
    const command = (script: string, ...args: string[]): Promise<{ code: number | null; text: string }> =>
      runScript(script, args, { SALTFLAT_HOME: home });
    const file = (name: string): string => join(home, 'backups', name);
    before(() => mkdirSync(join(home, 'backups'), { recursive: true, mode: 0o700 }));

    it('is one file, whole and the owner’s alone, and comes back in a shop that is running', async () => {
      await addCustomer('Before the backup');
      const { text } = await command('backup', file('one.backup'));
      expect(text).to.match(/backed up in .*0 orders, 0 runs, .* read back and whole/);
      expect(statSync(file('one.backup')).mode & 0o777).to.equal(0o600);
      await addCustomer('After the backup');
      const pid = serverPid();
      expect((await command('restore', file('one.backup'))).text).to.contain('The shop is as it was in');
      await isUp();
      expect([await orders(), serverPid()]).to.deep.equal([['Before the backup'], pid]);

      // and what was there before can be put back, and the restored one again
      expect((await command('restore', '--former')).code).to.equal(0);
      await isUp();
      expect(await orders()).to.deep.equal(['After the backup', 'Before the backup']);
      await command('restore', '--former');
      await isUp();
      expect(await orders()).to.deep.equal(['Before the backup']);
      // until the next backup
      await command('backup', file('two.backup'));
      expect((await command('restore', '--former')).text).to.contain('There is no former shop');
    });

    it('is refused where it is not whole, not one of ours, or of a later version, before anything is touched', async () => {
      const whole = readFileSync(file('one.backup'));
      const damaged = Buffer.from(whole);
      const at = Math.floor(whole.length / 3);
      damaged.writeUInt8(damaged.readUInt8(at) ^ 0xff, at);
      const later = Buffer.from(whole.toString('latin1').replace('20260404T0900', '20990404T0900'), 'latin1');
      const text = whole.toString('latin1');
      const forged = Buffer.from(text.replace('"garment_style":', '"(select 1) yy":'), 'latin1'); // counted by whoever looks after databases
      expect(forged.equals(whole)).to.equal(false);
      const cases: [name: string, bytes: Buffer, why: string][] = [
        ['empty', Buffer.alloc(0), 'is not a backup of Saltflat'],
        ['half', whole.subarray(0, whole.length / 2), 'is cut short'],
        ['short', whole.subarray(0, whole.length - 1), 'is cut short'],
        ['damaged', damaged, 'is damaged'],
        ['forged', forged, 'is cut short or damaged'],
        ['later', later, 'was made by a later version of Saltflat (20990404T0900-clean-drawings)'],
        ['text', Buffer.from('drop database saltflat;'), 'is not a backup of Saltflat'],
        ['former kind', whole.subarray(whole.indexOf('PGDMP')), 'Restore it with the version that made it'],
      ];
      for (const [name, bytes, why] of cases) {
        writeFileSync(file(name), bytes);
        const { code, text: told } = await command('restore', file(name));
        expect([code, told], name).to.satisfy(
          ([own, said]: [number, string]) => own === 1 && said.includes(why),
        );
      }
      expect((await command('restore', file('none'))).text).to.contain('There is no file');
      expect(await orders()).to.deep.equal(['Before the backup']);
    });

    it('is written beside and put in place whole: one that fails leaves the former as it was', async () => {
      const before = readFileSync(file('one.backup'));
      await inDatabase(
        `create table barred (); alter table barred enable row level security; alter table barred force row level security`,
      );
      const { code, text } = await command('backup', file('one.backup'));
      await inDatabase('drop table barred');
      expect([code, text]).to.satisfy(
        ([own, said]: [number, string]) => own === 1 && said.includes('The backup failed'),
      );
      expect(readFileSync(file('one.backup')).equals(before)).to.equal(true);
      expect(
        readdirSync(join(home, 'backups')).filter((name) => name.startsWith('one.backup.')),
      ).to.deep.equal([]);
      expect((await command('backup', join(home, 'nowhere', 'x'))).text).to.contain('there is no folder');
    });

    it('is made by the server itself when it is due, and the shop says how many are kept', async () => {
      const call = async (method: string, body?: object): Promise<Backups> => {
        const answer = await fetch(`http://127.0.0.1:${port}/api/v1/backups`, {
          method,
          headers: body ? { 'content-type': 'application/json' } : {},
          ...(body ? { body: JSON.stringify(body) } : {}),
        });
        return (await answer.json()) as Backups;
      };
      const first = await until(async () => {
        const own = await call('GET');
        return own.kept.length > 0 ? own : null; // the one that was due when it started
      });
      expect(first).to.deep.include({ isLate: false, problem: null, settings: DEFAULT_BACKUPS });
      const record = { ...DEFAULT_BACKUPS, kept: 2 };
      expect((await call('PUT', { version: first.version, record })).settings).to.deep.equal(record);
      const made: string[] = [];
      for (let i = 0; i < 3; i++) {
        await new Promise((resolve) => setTimeout(resolve, 1100)); // each second has a name of its own
        made.unshift((await call('POST')).kept[0]!.name);
      }
      expect((await call('GET')).kept.map(({ name }) => name)).to.deep.equal(made.slice(0, 2));
      const parts = readdirSync(join(home, 'backups')).filter((name) => name.includes('.part-'));
      expect(parts, 'of backups that were broken off when the power was cut').to.deep.equal([]);
      expect((await command('restore', file(made[0]!))).text).to.contain('The shop is as it was in');
      await isUp();
    });
  });

  it('starts after a power cut, whatever number stands in the files that were left', async () => {
    const database = databasePid();
    await kill(starter, 'SIGKILL');
    for (const pid of [serverPid(), database].filter((own) => own > 0)) process.kill(pid, 'SIGKILL');
    await until(() =>
      Promise.resolve(processes().some(({ words }) => words.includes(join(home, 'data'))) ? null : true),
    );
    const file = join(home, 'data', 'postmaster.pid');
    const left = readFileSync(file, 'utf8').split('\n').slice(1);
    writeFileSync(file, [String(process.pid), ...left].join('\n')); // a number that is somebody else's now
    writeFileSync(join(home, 'lock'), `${process.pid} 1`);
    starter = start();
    await hears('Saltflat is ready');
    await isUp();
  });

  it('says what is wrong with a port, and with a folder that is not its own', async () => {
    const saying = async (own: Record<string, string>): Promise<string> => {
      let text = '';
      const child = spawn(process.execPath, ['scripts/start.mjs'], {
        cwd: ROOT,
        env: { ...process.env, ...own },
      });
      for (const out of [child.stdout, child.stderr])
        out.on('data', (part: Buffer) => (text += part.toString()));
      await new Promise((resolve) => child.on('exit', resolve));
      return text;
    };
    const elsewhere = { SALTFLAT_PORT: String(await freePort()) };
    expect(await saying({ SALTFLAT_PORT: 'abc' })).to.contain(
      'SALTFLAT_PORT is “abc”; it must be a whole number from 1 to 65535.',
    );
    expect(await saying({ ...elsewhere, SALTFLAT_HOME: ROOT })).to.contain(
      'Set SALTFLAT_HOME to an empty or a new folder.',
    );
    expect(await saying({ SALTFLAT_PORT: String(port) })).to.contain(`Port ${port} is in use`);
  });
});
