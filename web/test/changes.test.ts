import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import description from '../src/api/openapi.json';

/** Of each kind of change the word by which it is told. */
function toolsOfTheApi(): string[] {
  const either: { properties: { tool: { enum: string[] } } }[] =
    description.components.schemas.Change.oneOf;
  return either.flatMap((change) => change.properties.tool.enum);
}

test('every change that the API knows has a hand on the bench', () => {
  const folder = join('src', 'features', 'bench');
  const sources = readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name))
    .map((name) => readFileSync(join(folder, name), 'utf8'))
    .join('\n');
  const tools = toolsOfTheApi();
  expect(tools.length).toBeGreaterThan(15);
  // What comes from elsewhere is a request of its own: the browser never has its mesh.
  expect(sources).toContain('control.bring(');
  // What would mend a finding comes from the core as a change, whatever that is made of.
  expect(sources).toContain('own?.change');
  const given = ['bringIn', 'route', 'apart', 'drawOut', 'mend'];
  for (const tool of tools.filter((t) => !given.includes(t))) {
    expect(sources, tool).toContain(`tool: '${tool}'`);
  }
});
