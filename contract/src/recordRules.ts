import { BoughtPretreatment, MACHINE_DOCUMENTS, MATERIAL_DOCUMENTS } from './catalogue.ts';
import type { BlankInput, MachineInput, MaterialInput } from './catalogue.ts';
import type { FieldProblem } from './problems.ts';

/** What the shape of a blank does not say: the fibres make a whole, and nothing is there twice. */
export function faultsOfBlank({ fibres, colours, sizes, pretreated }: BlankInput): FieldProblem[] {
  const whole = Object.values(fibres).reduce((sum, share) => sum + share, 0);
  const parts: FieldProblem[] =
    Math.abs(whole - 1) > 0.001
      ? [
          {
            path: '/fibres',
            message: `The fibres make ${Math.round(1000 * whole) / 10} % together; they must make 100 %.`,
          },
        ]
      : [];
  return [
    ...parts,
    ...(pretreated === null ? [] : crossedSpans(BoughtPretreatment, pretreated, '/pretreated')),
    ...twice(colours.map(({ name }) => name)).map((name) => ({
      path: '/colours',
      message: `The colour “${name}” is there twice.`,
    })),
    ...twice(sizes.map(({ size }) => size)).map((size) => ({
      path: '/sizes',
      message: `The size “${size}” is there twice.`,
    })),
  ];
}

/** What the shape of a material does not say, its own kind’s document taken as read. */
export const faultsOfMaterial = ({ kind, properties }: MaterialInput): FieldProblem[] =>
  crossedSpans(MATERIAL_DOCUMENTS[kind], properties, '/properties');

/** The same of a machine. */
export const faultsOfMachine = ({ kind, properties }: MachineInput): FieldProblem[] => [
  ...crossedSpans(MACHINE_DOCUMENTS[kind], properties, '/properties'),
  ...(kind === 'sprayer' ? faultsOfSetting(properties) : []),
];

/** A dial runs from less to more, in steps that fit into it. */
function faultsOfSetting({ setting }: MachineInput['properties']): FieldProblem[] {
  const { least, most, step } = (setting ?? {}) as { least?: unknown; most?: unknown; step?: unknown };
  if (typeof least !== 'number' || typeof most !== 'number') return [];
  if (least >= most)
    return [
      {
        path: '/properties/setting/most',
        message: `“Most” must be above “Least”, ${least}, but ${most} was given.`,
      },
    ];
  return typeof step === 'number' && step > most - least
    ? [
        {
          path: '/properties/setting/step',
          message: `A step of ${step} leads out of the range from ${least} to ${most}: it must be smaller.`,
        },
      ]
    : [];
}

function twice(names: readonly string[]): string[] {
  const seen = new Set<string>();
  return [...new Set(names.filter((name) => seen.has(name) || !seen.add(name)))];
}

/** Spans whose lower end is above their upper. */
function crossedSpans(schema: object, record: Record<string, unknown>, at: string): FieldProblem[] {
  const titles = (schema as { properties?: Record<string, { title?: string }> }).properties ?? {};
  return Object.entries(record).flatMap(([key, value]) => {
    const { min, max } = (value ?? {}) as { min?: unknown; max?: unknown };
    return typeof min === 'number' && typeof max === 'number' && min > max
      ? [
          {
            path: `${at}/${key}/min`,
            message: `“${titles[key]?.title ?? key}” begins at ${min}, above where it ends, ${max}.`,
          },
        ]
      : [];
  });
}
