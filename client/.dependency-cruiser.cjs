/**
 * Which room of the client may see which (docs/architecture.md, The client): each those named here and itself.
 * A place (desk, arrangements, library, ...) sees no other place, but for the two arrows that are named.
 */
const shared = ['api', 'model', 'ui'];
const sees = {
  api: [],
  model: ['api'],
  ui: ['api'],
  media: shared,
  // How what is typed keeps itself.
  keeping: ['api', 'model', 'media'],
  fields: [...shared, 'media'],
  arrangements: [...shared, 'media', 'fields', 'keeping'],
  banners: [...shared, 'media', 'fields', 'keeping'],
  // An archive is searched in the drawer, set for the site, and handed to from wherever pictures come in.
  archive: shared,
  // An arrangement that stands on a page is worked on beside it.
  desk: [...shared, 'media', 'fields', 'keeping', 'arrangements', 'archive'],
  library: [...shared, 'media', 'fields', 'keeping', 'archive'],
  intake: [...shared, 'media', 'fields'],
  room: [...shared, 'media', 'fields'],
  pages: shared,
  site: [...shared, 'fields', 'archive'],
  publish: shared,
  // The bar publishes from everywhere.
  shell: [...shared, 'media', 'publish', 'archive'],
};

module.exports = {
  forbidden: [
    {
      name: 'no-circle',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    ...Object.entries(sees).map(([room, rooms]) => ({
      name: `${room}-sees`,
      severity: 'error',
      from: { path: `^src/lib/${room}/` },
      to: { path: '^src/', pathNot: `^src/lib/(${[room, ...rooms].join('|')})/` },
    })),
    {
      name: 'no-orphan',
      severity: 'error',
      from: { orphan: true, pathNot: '\\.(d\\.ts|cjs)$|\\+layout\\.ts$' },
      to: {},
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    webpackConfig: { fileName: '.dependency-cruiser.resolve.cjs' },
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.svelte.ts', '.svelte', '.js'], exportsFields: ['exports'] },
  },
};
