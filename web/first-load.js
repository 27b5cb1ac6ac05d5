// What the first page costs: the built page with all that it loads at once, as it goes over the wire.
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';

const MOST = 180_000;

const page = readFileSync('dist/index.html', 'utf8');
const asked = [...page.matchAll(/(?:src|href)="\/(assets\/[^"]+\.(?:js|css))"/g)].map((m) => m[1]);
const seen = new Set();
let sum = 0;
while (asked.length > 0) {
  const name = asked.pop();
  if (seen.has(name)) continue;
  seen.add(name);
  const text = readFileSync(join('dist', name));
  sum += gzipSync(text).length;
  // Static imports come along; what is imported when it is needed does not.
  for (const m of text.toString().matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g))
    asked.push(`assets/${m[1]}`);
}
console.log(`first load: ${Math.round(sum / 1000)} kB of scripts and styles in ${seen.size} files`);
if (seen.size < 2 || sum > MOST) {
  console.error(`first load: more than ${MOST / 1000} kB, or not found`);
  process.exit(1);
}
