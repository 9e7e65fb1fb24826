import { z } from 'zod';

/**
 * A key under which something is looked up in a plain object. Names that every object has from birth (`constructor`,
 * `toString`) are none: they would be found where nobody put them.
 */
export const keySchema = z
  .string()
  .regex(
    /^[A-Za-z][\w-]{0,59}$/,
    'a key begins with a letter and has up to 60 letters, digits, dashes or low lines',
  )
  .refine((key) => !(key in {}), 'this key means something else to every object; choose another');
