export { isShelfSize } from './judge.ts';
export { PRINTS_WITH, SOURCE_ROLES } from './roles.ts';
export type { SourceChoice, SourceRole } from './roles.ts';
