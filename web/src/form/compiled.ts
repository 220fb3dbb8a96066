import type { Check } from './check.ts';

type Sheet = Promise<{ default: Readonly<Record<string, Check>> }>;

/** The sheets of compiled checks, each fetched by the first form that needs it. */
const SHEETS = {
  order: (): Sheet => import('./checks/order.js'),
  blank: (): Sheet => import('./checks/blank.js'),
  materials: (): Sheet => import('./checks/materials.js'),
  machines: (): Sheet => import('./checks/machines.js'),
  settings: (): Sheet => import('./checks/settings.js'),
  press: (): Sheet => import('./checks/press.js'),
  spray: (): Sheet => import('./checks/spray.js'),
  shelf: (): Sheet => import('./checks/shelf.js'),
  words: (): Sheet => import('./checks/words.js'),
};

/** The check of something that is filled in, as contract/src/forms.ts names it. @throws RangeError where there is none */
export const compiled = (sheet: keyof typeof SHEETS, name: string) => async (): Promise<Check> => {
  const check = (await SHEETS[sheet]()).default[name];
  if (!check) throw new RangeError(`no check is compiled for ${sheet}, ${name}`);
  return check;
};
