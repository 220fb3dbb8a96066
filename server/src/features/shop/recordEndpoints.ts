import {
  BlankChange,
  BlankInput,
  MachineChange,
  MachineInput,
  MaterialChange,
  MaterialInput,
  ShopChanged,
} from '@saltflat/contract';
import { endpoint } from '../../http/endpoint.ts';
import type { Endpoint } from '../../http/endpoint.ts';
import type { ShopService } from './shopService.ts';

const adding = (list: string, one: string) =>
  ({
    method: 'post',
    path: `/shop/${list}`,
    summary: `Add a ${one}`,
    answer: ShopChanged,
    status: 201,
  }) as const;
const changing = (list: string, one: string) =>
  ({ method: 'put', path: `/shop/${list}/:id`, summary: `Change a ${one}`, answer: ShopChanged }) as const;

/** Adding and changing, one pair a list. */
export const recordEndpoints = (shop: ShopService): Endpoint[] => [
  endpoint({ ...adding('blanks', 'blank'), body: BlankInput }, ({ body }) => shop.addBlank(body)),
  endpoint({ ...changing('blanks', 'blank'), body: BlankChange }, ({ params, body }) =>
    shop.changeBlank(params.id ?? '', body),
  ),
  endpoint({ ...adding('materials', 'material'), body: MaterialInput }, ({ body }) => shop.addMaterial(body)),
  endpoint({ ...changing('materials', 'material'), body: MaterialChange }, ({ params, body }) =>
    shop.changeMaterial(params.id ?? '', body),
  ),
  endpoint({ ...adding('machines', 'machine'), body: MachineInput }, ({ body }) => shop.addMachine(body)),
  endpoint({ ...changing('machines', 'machine'), body: MachineChange }, ({ params, body }) =>
    shop.changeMachine(params.id ?? '', body),
  ),
];
