/**
 * The rooms of src and what each may import beside itself; both checkers read it (eslint.config.mjs and
 * .dependency-cruiser.mjs), and docs/architecture.md draws it. Types count as much as values.
 */
const HEART = ['core', 'catalog', 'words'];
const APPLICATION = [...HEART, 'book/model', 'book/judge'];
const SCREENS = [...APPLICATION, 'book/write', 'devices', 'workers', 'live', 'parts', 'ui'];

export const ROOMS = {
  core: [],
  catalog: ['core'],
  words: ['core', 'catalog'],
  ui: [],
  data: ['core', 'catalog'],
  devices: ['core'],
  workers: ['core', 'catalog'],
  'book/model': HEART,
  'book/judge': [...HEART, 'book/model'],
  'book/read': [...APPLICATION, 'data'],
  'book/write': [...APPLICATION, 'data', 'book/read'],
  live: [...APPLICATION, 'book/write', 'devices', 'workers'],
  parts: SCREENS,
  stations: SCREENS,
  cli: [...HEART, 'book/judge', 'book/model'],
  app: [...SCREENS, 'stations', 'book/read', 'data'],
};

export const FOLDERS = Object.keys(ROOMS);
