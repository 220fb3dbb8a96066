import {
  BlankChange,
  BlankInput,
  DomainError,
  ExportQuery,
  HouseChange,
  ImportQuery,
  ImportReport,
  MachineChange,
  MachineInput,
  MaterialChange,
  MaterialInput,
  RatesChange,
  ShopChanged,
  VersionOnly,
} from '@saltflat/contract';
import type { Catalogue } from '@saltflat/contract';
import { sendCsv } from '../../http/csv.ts';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import { asJson } from './importService.ts';
import type { ImportService } from './importService.ts';
import { tableOf } from './shopTables.ts';
import type { RecordList, ShopService } from './shopService.ts';

const LISTS = ['blanks', 'materials', 'machines'] as const satisfies readonly RecordList[];

export const shopEndpoints = (
  shop: ShopService,
  imports: ImportService,
  readCatalogue: () => Promise<Catalogue>,
): Endpoint[] => [
  ...recordEndpoints(shop),
  ...LISTS.flatMap((list) => retiring(shop, list)),
  ...(['materials', 'machines'] as const).map((list) =>
    endpoint(
      {
        method: 'post',
        path: `/shop/${list}/:id/first`,
        summary: `Make it the first of its kind among ${list}: the one routes take`,
        answer: ShopChanged,
      },
      ({ params }) => shop.putFirst(list, params.id ?? ''),
    ),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/house',
      summary: 'Choose house methods',
      body: HouseChange,
      answer: ShopChanged,
    },
    ({ body }) => shop.setHouse(body as HouseChange),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/rates',
      summary: 'Set prices and rates',
      body: RatesChange,
      answer: ShopChanged,
    },
    ({ body }) => shop.setRates(body as RatesChange),
  ),
  endpoint(
    {
      method: 'get',
      path: '/shop/export',
      summary: 'A list of the set-up as CSV or JSON',
      query: ExportQuery,
    },
    async ({ query, res }) => {
      const catalogue = await readCatalogue();
      const { list, format } = query;
      if (format === 'json') {
        res.attachment(`${list}.json`).type('application/json').send(asJson(list, catalogue));
        return;
      }
      const { columns, rows } = tableOf(list, catalogue);
      sendCsv(res, `${list}.csv`, rows, columns);
    },
  ),
  endpoint(
    {
      method: 'post',
      path: '/shop/import',
      summary: 'Take a list in from a file sent as plain text; a dry run only says what would change',
      query: ImportQuery,
      answer: ImportReport,
    },
    ({ query, req }) => {
      const text: unknown = req.body;
      if (typeof text !== 'string' || text.trim() === '')
        throw new DomainError('invalid-input', 'The file is empty: send its text as text/plain.');
      return imports.bringIn(query.list, query.format, text, query.dryRun ?? false);
    },
  ),
];

/** Adding and changing, one pair a list. */
const recordEndpoints = (shop: ShopService): Endpoint[] => [
  endpoint(
    {
      method: 'post',
      path: '/shop/blanks',
      summary: 'Add a blank',
      body: BlankInput,
      answer: ShopChanged,
      status: 201,
    },
    ({ body }) => shop.addBlank(body),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/blanks/:id',
      summary: 'Change a blank',
      body: BlankChange,
      answer: ShopChanged,
    },
    ({ params, body }) => shop.changeBlank(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/shop/materials',
      summary: 'Add a material',
      body: MaterialInput,
      answer: ShopChanged,
      status: 201,
    },
    ({ body }) => shop.addMaterial(body as MaterialInput),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/materials/:id',
      summary: 'Change a material',
      body: MaterialChange,
      answer: ShopChanged,
    },
    ({ params, body }) => shop.changeMaterial(params.id ?? '', body),
  ),
  endpoint(
    {
      method: 'post',
      path: '/shop/machines',
      summary: 'Add a machine',
      body: MachineInput,
      answer: ShopChanged,
      status: 201,
    },
    ({ body }) => shop.addMachine(body as MachineInput),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/machines/:id',
      summary: 'Change a machine',
      body: MachineChange,
      answer: ShopChanged,
    },
    ({ params, body }) => shop.changeMachine(params.id ?? '', body),
  ),
];

const retiring = (shop: ShopService, list: RecordList): Endpoint[] =>
  (['retire', 'restore'] as const).map((verb) =>
    endpoint(
      {
        method: 'post',
        path: `/shop/${list}/:id/${verb}`,
        summary:
          verb === 'retire' ? `Put one of the ${list} out of use` : `Put one of the ${list} back into use`,
        body: VersionOnly,
        answer: ShopChanged,
      },
      ({ params, body }) => shop.setRetired(list, params.id ?? '', body.version, verb === 'retire'),
    ),
  );
