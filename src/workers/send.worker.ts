import { expose } from 'comlink';
import { postColumns } from './postColumns';

/** Off the main thread, where handing over a large body would hold up a frame. */
const api = { post: postColumns };

export type SendWorker = typeof api;

expose(api);
