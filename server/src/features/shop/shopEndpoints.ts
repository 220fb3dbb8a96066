import {
  DomainError,
  ExportQuery,
  HouseChange,
  ImportQuery,
  ImportReport,
  RatesChange,
  ShopChange,
  ShopChanged,
  ShopWriting,
  VersionOnly,
  WritingChange,
} from '@saltflat/contract';
import type { Catalogue, ShopList } from '@saltflat/contract';
import type { Response } from 'express';
import { textOf } from '../../http/body.ts';
import { sendCsv } from '../../http/csv.ts';
import { endpoint, file } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { ImportService } from './importService.ts';
import { recordEndpoints } from './recordEndpoints.ts';
import type { RecordList, ShopService } from './shopService.ts';
import { recordsOf, tableOf } from './shopTables.ts';

const LISTS = ['blanks', 'materials', 'machines'] as const satisfies readonly RecordList[];

const TABLE_BYTES = 1024 * 1024; // a shop's whole list has a tenth of it

interface Needs {
  shop: ShopService;
  imports: ImportService;
  readCatalogue: () => Promise<Catalogue>;
}

export const shopEndpoints = ({ shop, imports, readCatalogue }: Needs): Endpoint[] => [
  ...recordEndpoints(shop),
  ...LISTS.flatMap((list) => retiring(shop, list)),
  ...(['materials', 'machines'] as const).map((list) => puttingFirst(shop, list)),
  ...settingEndpoints(shop, readCatalogue),
  exporting(readCatalogue),
  importing(imports),
];

const settingEndpoints = (shop: ShopService, readCatalogue: Needs['readCatalogue']): Endpoint[] => [
  endpoint(
    {
      method: 'get',
      path: '/shop/writing',
      summary: 'How measures, money and days are written',
      answer: ShopWriting,
    },
    async () => (await readCatalogue()).writing,
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/writing',
      summary: 'Choose how measures, money and days are written',
      body: WritingChange,
      answer: ShopWriting,
    },
    ({ body }) => shop.setWriting(body),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/house',
      summary: 'Choose house methods',
      body: HouseChange,
      answer: ShopChanged,
    },
    ({ body }) => shop.setHouse(body),
  ),
  endpoint(
    {
      method: 'put',
      path: '/shop/rates',
      summary: 'Set prices and rates',
      body: RatesChange,
      answer: ShopChanged,
    },
    ({ body }) => shop.setRates(body),
  ),
  endpoint(
    {
      method: 'get',
      path: '/shop/changes/:id',
      summary: 'What a change of the set-up did to the routes not run yet, as far as they are planned',
      answer: ShopChange,
      isWorded: true,
    },
    ({ params }) => shop.changeReport(params.id ?? ''),
  ),
];

const puttingFirst = (shop: ShopService, list: 'materials' | 'machines'): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: `/shop/${list}/:id/first`,
      summary: `Make it the first of its kind among ${list}: the one routes take`,
      answer: ShopChanged,
    },
    ({ params }) => shop.putFirst(list, params.id ?? ''),
  );

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

const exporting = (readCatalogue: () => Promise<Catalogue>): Endpoint =>
  endpoint(
    {
      method: 'get',
      path: '/shop/export',
      summary: 'A list of the set-up as CSV or JSON',
      query: ExportQuery,
      answer: file('text/csv', 'application/json'),
    },
    async ({ query, res }) => sendList(res, query.list, query.format, await readCatalogue()),
  );

function sendList(res: Response, list: ShopList, format: 'csv' | 'json', catalogue: Catalogue): void {
  if (format === 'json') {
    const text = `${JSON.stringify(recordsOf(list, catalogue), null, 2)}\n`;
    res.attachment(`${list}.json`).type('application/json').send(text);
    return;
  }
  const { columns, rows } = tableOf(list, catalogue);
  sendCsv(res, `${list}.csv`, rows, columns);
}

const importing = (imports: ImportService): Endpoint =>
  endpoint(
    {
      method: 'post',
      path: '/shop/import',
      summary: 'Take a list in from a file; a dry run only says what would change',
      query: ImportQuery,
      upload: { media: ['text/csv', 'application/json'], bytes: TABLE_BYTES },
      answer: ImportReport,
    },
    ({ query, upload }) => {
      const text = textOf(upload);
      if (text.trim() === '')
        throw new DomainError('invalid-input', 'The file is empty. Choose the file again.');
      return imports.bringIn(query.list, query.format, text, query.dryRun ?? false);
    },
  );
