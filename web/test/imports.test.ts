// @vitest-environment node
import { execFileSync } from 'node:child_process';
import { ESLint } from 'eslint';
import boundaries from 'eslint-plugin-boundaries';
import tseslint from 'typescript-eslint';
import { describe, expect, it } from 'vitest';
import { importRules } from '../import-rules.js';

const eslint = new ESLint({
  overrideConfigFile: true,
  overrideConfig: [
    { files: ['**/*.{ts,tsx}'], languageOptions: { parser: tseslint.parser } },
    ...importRules(boundaries),
  ] as never,
});

async function faults(file: string): Promise<string[]> {
  const [result] = await eslint.lintFiles([`test/fixtures/src/${file}`]);
  return result!.messages.map((m) => `${m.line}: ${m.ruleId}`);
}

describe('import rules', () => {
  it.each([
    ['features/desk/desk.ts', ['1: no-restricted-imports', '2: boundaries/dependencies']],
    ['features/bench/bench.ts', []],
    ['mesh/held.ts', ['1: no-restricted-imports', '2: boundaries/dependencies']],
    ['ui/button.ts', ['1: boundaries/dependencies']],
  ])('finds what is wrong in %s', async (file, expected) => {
    expect(await faults(file)).toEqual(expected);
  });
});

describe('the rule against circles', () => {
  it('finds two files that need each other, were it for a type', () => {
    const cruise = () =>
      execFileSync('npx', ['depcruise', 'test/fixtures/cycle', '--config', 'cycles.cjs'], {
        encoding: 'utf8',
        stdio: 'pipe',
      });
    expect(cruise).toThrow();
  });
});
