import { z } from 'zod';
import { line } from '../text/line';
import { dialectFieldSchema } from './dialectJson';
import { SHAPED_AXES, titleDocumentSchema, type TitlePage } from './titleJson';

/** A title as books kept it before its pages were described: fields of every axis, and those of the steering. */
const earlierSchema = z.strictObject({
  name: line(40).min(1),
  rotation: z.enum(['direct', 'stretch']),
  fields: z.array(dialectFieldSchema).min(1).max(12),
  steering: z.array(dialectFieldSchema).max(4),
});

function migrated(input: unknown): unknown {
  const read = earlierSchema.safeParse(input);
  if (!read.success) return input;
  const { name, rotation, fields, steering } = read.data;
  const path = `${name} › Controls`;
  const known = { unit: '', evidence: 'described' as const };
  const page: TitlePage = {
    path,
    layer: 'title',
    axes: [...SHAPED_AXES],
    fields: [
      ...steering.map((field) => ({ ...field, ...known, axes: ['steering' as const] })),
      ...fields.map((field) => ({ ...field, ...known, axes: [...SHAPED_AXES] })),
    ],
  };
  return { name, rotation, forceHz: null, pages: [page] };
}

/** A title that a driver described, as a book keeps it; what an earlier version kept is read as well. */
export const ownTitleSchema = z.preprocess(migrated, titleDocumentSchema);
