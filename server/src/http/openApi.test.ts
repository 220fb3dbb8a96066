import { Validator } from '@seriousme/openapi-schema-validator';
import { expect } from 'chai';
import { startTestServer } from '../testing/testServer.ts';

interface Operation {
  parameters: { name: string; in: string; required: boolean }[];
  responses: Record<string, { content?: Record<string, { schema: object }> }>;
}

describe('the description of the API', function () {
  it('passes a published validator, and says of every answer what it is', async () => {
    const server = await startTestServer();
    const { body } = (await server.api.get('/api/v1/openapi.json').expect(200)) as {
      body: { paths: Record<string, Record<string, Operation>> };
    };
    await server.stop();
    const { valid, errors } = await new Validator().validate(body);
    expect(errors ?? []).to.deep.equal([]);
    expect(valid).to.equal(true);
    const operations = Object.entries(body.paths).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, operation]) => ({ name: `${method} ${path}`, operation })),
    );
    expect(operations.length).to.be.above(50);
    for (const { name, operation } of operations) {
      const good = Object.entries(operation.responses).find(([status]) => status.startsWith('2'))?.[1];
      expect(Object.keys(good?.content ?? {}), name).to.not.be.empty;
      expect(operation.responses, name).to.have.property('default');
      const inPath = [...name.matchAll(/\{(\w+)\}/g)].map(([, own]) => own);
      expect(
        operation.parameters.filter((own) => own.in === 'path').map((own) => own.name),
        name,
      ).to.deep.equal(inPath);
    }
    const plane = operations.find(({ name }) => name === 'get /lines/{id}/plane');
    const isRequired = plane?.operation.parameters.filter(({ required }) => required).map(({ name }) => name);
    expect(isRequired).to.deep.equal(['id', 'plane', 'format']);
  });
});
