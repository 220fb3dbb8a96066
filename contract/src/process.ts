import { PROCESSES } from '@saltflat/core/route';
import { Type } from 'typebox';

/** How art gets onto a garment, as a line chooses it. */
export const Process = Type.Enum([...PROCESSES], { title: 'Process' });
