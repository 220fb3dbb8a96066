import { DomainError } from '@saltflat/contract';
import { expect } from 'chai';
import { ConnectionRefusedError, DatabaseError } from 'sequelize';
import { createDatabase } from '../testing/testServer.ts';
import { connect } from './connection.ts';
import { databaseProblem } from './databaseProblem.ts';
import { createMigrator } from './migrator.ts';

describe('the database', function () {
  this.timeout(20_000);
  it('migrates up, all the way down, and up again', async () => {
    const { sequelize, db } = connect(await createDatabase());
    const migrator = createMigrator(sequelize);
    const tables = async () =>
      (
        await db.rows<{ name: string }>(
          `select tablename as name from pg_tables where schemaname = 'public' order by 1`,
        )
      ).map(({ name }) => name);
    await migrator.up();
    const shape = await tables();
    expect(shape).to.include.members(['customer_order', 'run_event', 'route_version']);
    await migrator.down({ to: 0 });
    expect(await tables()).to.deep.equal(['migration']);
    await migrator.up();
    expect(await tables()).to.deep.equal(shape);
    await sequelize.close();
  });

  it('refuses in the database itself what must never be', async () => {
    const { sequelize, db } = connect(await createDatabase());
    await createMigrator(sequelize).up();
    const refused = async (sql: string): Promise<string> =>
      db.rows(sql).then(
        () => 'taken',
        (error: unknown) => (error as Error).message,
      );
    const style = (cotton: number) =>
      `insert into garment_style values (gen_random_uuid(), 'x', 'tee', ${cotton}, 0, 0, 0, 'knit', 180, null) returning id`;
    expect(await refused(style(0.4))).to.contain('fibres_are_whole');
    await db.rows(`insert into customer (id, name) values (gen_random_uuid(), 'Tern Rowing') returning id`);
    expect(
      await refused(`insert into customer (id, name) values (gen_random_uuid(), 'TERN rowing') returning id`),
    ).to.match(/customer_name|Validation/);
    expect(
      await refused(
        `insert into customer_order (id, customer_id, due_at, state) select gen_random_uuid(), id, now(), 'cancelled' from customer returning id`,
      ),
    ).to.contain('cancelled_has_a_time');
    await sequelize.close();
  });

  it('says in words that it is away or full', () => {
    const refusal = (code: string) =>
      databaseProblem(new DatabaseError(Object.assign(new Error('x'), { code, sql: '' })));
    expect(refusal('53100')?.code).to.equal('disk-full');
    expect(refusal('57P01')?.code).to.equal('database-away');
    expect(refusal('22003')?.code).to.equal('invalid-input');
    expect(refusal('23505')).to.equal(null);
    const away = databaseProblem(new ConnectionRefusedError(new Error('x')));
    expect(away)
      .to.be.instanceOf(DomainError)
      .with.property('message')
      .that.contains('try again in a moment');
  });
});
