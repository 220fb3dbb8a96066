import { t } from '../../words/t.ts';
import type { Beginnings } from '@saltflat/contract';

/** Something to set up before the first order, where that is done, and how many there are. */
export interface Beginning {
  to: string;
  title: string;
  says: string;
  /** `null` where it can be left as it is. */
  count: number | null;
}

/** What a shop sets up first, in the order it is needed. */
export const beginningMarks = ({ blanks, materials, machines }: Beginnings): Beginning[] => [
  {
    to: '/shop/blanks',
    title: t('Blanks'),
    says: t('what is printed on: fabric, weight, colours, sizes, prices; one by one, or all from a table'),
    count: blanks,
  },
  {
    to: '/shop/materials',
    title: t('Materials'),
    says: t('ink, pretreatment, film, powder, cover sheets, with what their makers’ sheets say'),
    count: materials,
  },
  {
    to: '/shop/machines',
    title: t('Machines'),
    says: t('printers, sprayer, presses, oven: what they reach, and how long they take to warm up'),
    count: machines,
  },
  {
    to: '/shop/methods',
    title: t('House methods'),
    says: t('hot or cold peel, how pretreatment is dried, spares: what is usual stands there already'),
    count: null,
  },
  {
    to: '/shop/prices',
    title: t('Prices'),
    says: t('wages, machine hours, margins, breaks: assumptions stand there until you write your own'),
    count: null,
  },
];

/** Whether a route can be planned at all: something to print on, with and by. */
export const canPlan = (marks: readonly Beginning[]): boolean => marks.every(({ count }) => count !== 0);
