/** Who may import whom in the front end; docs/architecture.md tells it in words. */
const MAY_IMPORT = {
  app: ['pages', 'trade', 'api', 'ui'],
  pages: ['feature', 'trade', 'ui'],
  feature: ['stage', 'mesh', 'trade', 'api', 'ui'],
  stage: ['mesh', 'trade', 'api', 'ui'],
  trade: ['api', 'ui'],
  ui: ['api'],
  mesh: [],
  api: [],
};

const KINDS = Object.keys(MAY_IMPORT);
const folderOf = (kind) => (kind === 'feature' ? 'src/features/*' : `src/${kind}`);

/** Packages that only some parts may use. */
const THREE = ['three', 'three/**', 'three-mesh-bvh'];
const REACT = ['react', 'react-dom', 'react-dom/**', 'react-router', 'radix-ui', 'zustand'];

function withheldFrom(kind) {
  const three = kind === 'stage' || kind === 'mesh' ? [] : THREE;
  const react = kind === 'mesh' || kind === 'api' ? REACT : [];
  return [...three, ...react];
}

export function importRules(boundaries) {
  return [
    {
      files: ['**/*.{ts,tsx}'],
      plugins: { boundaries },
      settings: {
        'import/resolver': { node: { extensions: ['.ts', '.tsx', '.js'] } },
        'boundaries/elements': KINDS.map((kind) => ({ type: kind, pattern: folderOf(kind) })),
      },
      rules: {
        'boundaries/dependencies': [
          2,
          {
            default: 'disallow',
            policies: [
              { allow: { to: { module: { origin: ['external', 'core'] } } } },
              ...KINDS.filter((kind) => MAY_IMPORT[kind].length > 0).map((kind) => ({
                from: { element: { type: kind } },
                allow: { to: { element: { types: { anyOf: MAY_IMPORT[kind] } } } },
              })),
            ],
          },
        ],
      },
    },
    ...KINDS.filter((kind) => withheldFrom(kind).length > 0).map((kind) => ({
      files: [`**/${folderOf(kind)}/**/*.{ts,tsx}`],
      rules: { 'no-restricted-imports': [2, { patterns: withheldFrom(kind) }] },
    })),
  ];
}
