import boundaries from 'eslint-plugin-boundaries';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { importRules } from './import-rules.js';

export default tseslint.config(
  { ignores: ['dist', 'target', 'src/api/schema.d.ts', 'test/fixtures'] },
  ...tseslint.configs.recommended,
  hooks.configs.flat['recommended-latest'],
  ...importRules(boundaries),
);
