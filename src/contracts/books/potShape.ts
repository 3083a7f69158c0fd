import { z } from 'zod';
import type { PotShape } from '../../core/books/container.ts';
import { figure } from '../fields.ts';
import { WORDS } from '../../words/en/books/potShape.ts';

/** Inside measures of a pot or cell; null = not measured. */
export const potShape = z
  .strictObject({
    section: z.enum(['round', 'square']),
    top_mm: figure(WORDS.widthAtTheTop, 5, 1000),
    base_mm: figure(WORDS.widthAtTheBase, 5, 1000),
    height_mm: figure('height', 5, 1000),
  })
  .nullable() satisfies z.ZodType<PotShape | null>;
