import { DomainError } from '@saltflat/contract';
import { expect } from 'chai';
import { ConnectionRefusedError, DatabaseError, QueryTypes } from 'sequelize';
import type { Model, ModelStatic, Sequelize } from 'sequelize';
import { createDatabase } from '../testing/testServer.ts';
import { connect } from './connection.ts';
import { databaseProblem } from './databaseProblem.ts';
import { MIGRATIONS, createMigrator } from './migrator.ts';

describe('the database', function () {
  const tablesOf = async (sequelize: Sequelize): Promise<string[]> =>
    (
      await sequelize.query<{ name: string }>(
        `select tablename as name from pg_tables where schemaname = 'public' order by 1`,
        { type: QueryTypes.SELECT },
      )
    ).map(({ name }) => name);

  it('migrates up, all the way down, and up again', async () => {
    const { sequelize } = connect(await createDatabase());
    const migrator = createMigrator(sequelize);
    await migrator.up();
    const shape = await tablesOf(sequelize);
    expect(shape).to.include.members(['customer_order', 'run_event', 'route_version', 'quote']);
    await migrator.down({ to: 0 });
    expect(await tablesOf(sequelize)).to.deep.equal(['migration']);
    await migrator.up();
    expect(await tablesOf(sequelize)).to.deep.equal(shape);
    await sequelize.close();
  });

  it('has a model for every table, with the columns it has and no others', async () => {
    const { sequelize, models } = connect(await createDatabase());
    await createMigrator(sequelize).up();
    const tables = await tablesOf(sequelize);
    expect(
      Object.values(models)
        .map((model) => model.getTableName())
        .sort(),
    ).to.deep.equal(tables.filter((table) => table !== 'migration'));
    for (const model of Object.values(models) as ModelStatic<Model>[]) {
      const columns = await sequelize.getQueryInterface().describeTable(model.getTableName());
      const attributes = Object.values(model.getAttributes()).map(({ field, allowNull }) => [
        field,
        allowNull,
      ]);
      const wanted = Object.entries(columns).map(([name, { allowNull }]) => [name, allowNull]);
      const sorted = (own: unknown[][]): unknown[][] =>
        own.sort(([p], [q]) => (String(p) < String(q) ? -1 : 1));
      const isKey = new Set(Object.entries(columns).flatMap(([name, own]) => (own.primaryKey ? [name] : [])));
      const comparable = (own: unknown[][]): unknown[][] =>
        sorted(own.map(([name, isOptional]) => [name, isKey.has(String(name)) ? false : isOptional]));
      expect(comparable(attributes), model.name).to.deep.equal(comparable(wanted));
    }
    await sequelize.close();
  });

  it('reads on after a connection was cut while it was asked, and says that it was away', async () => {
    const database = connect(await createDatabase());
    const asked = database.read('select pg_sleep($1::double precision)', [20]).then(
      () => null,
      (error: unknown) => error,
    );
    let cut = 0;
    while (cut === 0)
      cut = (
        await database.read<{ cut: boolean }>(
          `select pg_terminate_backend(pid) as cut from pg_stat_activity
           where datname = current_database() and query like 'select pg_sleep%' and state = 'active'`,
          [],
        )
      ).length;
    expect(databaseProblem(await asked)?.code).to.equal('database-away');
    expect(await database.read('select 1 as one', [])).to.deep.equal([{ one: 1 }]);
    await database.sequelize.close();
  });

  it('reads what is bound this time, text with a NUL as the text without it, however many texts were prepared', async () => {
    const database = connect(await createDatabase());
    const echo = async (sql: string, value: unknown): Promise<unknown> =>
      (await database.read<{ own: unknown }>(sql, [value]))[0]?.own;
    for (let i = 0; i < 150; i++) {
      expect(await echo(`select $1::integer + ${i} as own`, 1)).to.equal(1 + i);
      expect(await echo(`select $1::integer + ${i} as own`, 2)).to.equal(2 + i);
    }
    expect(await echo('select $1::text as own', 'a\0b')).to.equal('ab');
    const refused = await database.read('select 1 / $1::integer', [0]).catch((error: unknown) => error);
    expect((refused as Error).message).to.contain('division by zero');
    expect(await echo('select $1::text as own', 'still here')).to.equal('still here');
    await database.sequelize.close();
  });

  it('keeps a migration and the row that says it was done together: one that breaks off leaves neither', async () => {
    const { sequelize } = connect(await createDatabase());
    const broken = {
      name: '20990101T0000-broken',
      up: `create table half_done (id uuid primary key); select 1 / 0;`,
      down: `drop table half_done`,
    };
    let refusal = '';
    await createMigrator(sequelize, [...MIGRATIONS, broken])
      .up()
      .catch((error: unknown) => (refusal = String(error)));
    expect(refusal).to.contain('division by zero');
    expect(await tablesOf(sequelize)).to.not.include('half_done');
    expect((await createMigrator(sequelize).executed()).map(({ name }) => name)).to.deep.equal(
      MIGRATIONS.map(({ name }) => name),
    );
    await sequelize.close();
  });

  it('refuses in the database itself what must never be', async () => {
    const { sequelize } = connect(await createDatabase());
    await createMigrator(sequelize).up();
    const refused = async (text: string): Promise<string> =>
      sequelize.query(text).then(
        () => 'taken',
        (error: unknown) => (error as Error).message,
      );
    const style = (cotton: number) =>
      `insert into garment_style (id, name, kind, cotton, polyester, elastane, other, construction, mass_g_m2)
       values (gen_random_uuid(), 'x', 'tee', ${cotton}, 0, 0, 0, 'knit', 180)`;
    expect(await refused(style(0.4))).to.contain('fibres_are_whole');
    await sequelize.query(`insert into customer (id, name) values (gen_random_uuid(), 'Tern Rowing')`);
    expect(
      await refused(`insert into customer (id, name) values (gen_random_uuid(), 'Tern Rowing')`),
    ).to.match(/customer_name|Validation/);
    const order = `insert into customer_order (id, number, code, customer_id, customer_key, due_at, state)
      select gen_random_uuid(), 1, 'K-1', id, 'tern', now(), `;
    expect(await refused(`${order} 'cancelled' from customer`)).to.contain('cancelled_has_a_time');
    await sequelize.query(`${order} 'ready' from customer`);
    await sequelize.query(style(1));
    await sequelize.query(
      `insert into garment_colour (id, style_id, position, name, hex, tone, dye) select gen_random_uuid(), id, 0, 'Navy', '#000080', 'dark', 'dyed' from garment_style`,
    );
    const readyLine = `insert into order_line (id, order_id, code, position, colour_id, prints_given, state)
      select gen_random_uuid(), o.id, 'K-1', 1, c.id, 1, 'ready' from customer_order o, garment_colour c`;
    expect(await refused(readyLine), 'a line that is ready without a route').to.contain('route_when_planned');
    await sequelize.query(readyLine.replace("'ready'", "'needs-art'"));
    const print = (name: string, dropMm: number): string =>
      `insert into line_print (line_id, id, position, placement, drop_mm, width_mm, process, grades)
       select id, '${name}', 1, 'full-front', ${dropMm}, 200, 'dtf', '[]' from order_line`;
    expect(await refused(print('first', 75)), 'a print’s name is a number').to.contain('line_print_id_check');
    expect(await refused(print('1', -3))).to.contain('drop_mm');
    const quote = `insert into quote (id, order_id, number, state, given_at, good_until, given_by, document)
      select gen_random_uuid(), id, 1, 'given', now(), now() + interval '1 day', 'Ada', '{"totalCents":1}' from customer_order`;
    await sequelize.query(quote);
    expect(await refused(`update quote set document = '{"totalCents":2}'`)).to.contain('does not change');
    expect(await refused(`delete from quote`)).to.contain('does not change');
    expect(
      await refused(`update quote set state = 'accepted', accepted_at = now(), accepted_by = 'Bo'`),
    ).to.equal('taken');
    await sequelize.close();
  });

  it('says in words that it is away or full', () => {
    const refusal = (code: string) =>
      databaseProblem(new DatabaseError(Object.assign(new Error('x'), { code, sql: '' })));
    expect(refusal('53100')?.code).to.equal('disk-full');
    expect(refusal('57P01')?.code).to.equal('database-away');
    expect(refusal('22003')?.code).to.equal('invalid-input');
    expect(refusal('23505')).to.equal(null);
    expect(refusal('57014')?.code).to.equal('too-slow');
    const lost = Object.assign(new Error('Client has encountered a connection error'), { sql: '' });
    expect(databaseProblem(new DatabaseError(lost))?.code).to.equal('database-away');
    const queue = new Error('Client has encountered a connection error and is not queryable');
    expect(databaseProblem(queue)?.code, 'through the queue’s library').to.equal('database-away');
    const away = databaseProblem(new ConnectionRefusedError(new Error('x')));
    expect(away)
      .to.be.instanceOf(DomainError)
      .with.property('message')
      .that.contains('try again in a moment');
  });
});
