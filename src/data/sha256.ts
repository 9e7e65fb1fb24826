import { createHash } from 'node:crypto';

/** SHA-256 of a text, in lower-case hex. */
export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');
