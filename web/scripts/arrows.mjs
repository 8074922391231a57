// Folders import downward only, and no file is part of a circle. Run by the build; exits with 1 and names what breaks it.
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';

const SRC = resolve(import.meta.dirname, '../src');
/** Each folder may import from those before it, and from itself. */
const FLOORS = ['api', 'lib', 'ui', 'frame', 'views', 'app'];

function files(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return files(path);
    return /\.tsx?$/.test(name) && !name.endsWith('.d.ts') ? [path] : [];
  });
}

function resolved(from, to) {
  const base = resolve(dirname(from), to);
  return [base, `${base}.ts`, `${base}.tsx`, join(base, 'index.ts')].find((path) => {
    try {
      return statSync(path).isFile();
    } catch {
      return false;
    }
  });
}

function importsOf(path) {
  const text = readFileSync(path, 'utf8');
  return [...text.matchAll(/(?:from|import)\s*\(?\s*'(\.[^']+)'/g)]
    .map((match) => resolved(path, match[1]))
    .filter((found) => found?.startsWith(SRC));
}

function floor(path) {
  const folder = relative(SRC, path).split('/')[0];
  return FLOORS.includes(folder) ? FLOORS.indexOf(folder) : FLOORS.length - 1;
}

const all = files(SRC).filter((path) => !relative(SRC, path).startsWith('testing/'));
const graph = new Map(all.map((path) => [path, importsOf(path)]));
const broken = [];
for (const [from, imports] of graph) {
  for (const to of imports) {
    if (floor(to) > floor(from))
      broken.push(`${relative(SRC, from)} imports upward from ${relative(SRC, to)}`);
  }
}

/** Circles, by Tarjan's strongly connected components. */
let counter = 0;
const index = new Map();
const low = new Map();
const stack = [];
function connect(path) {
  index.set(path, counter);
  low.set(path, counter);
  counter += 1;
  stack.push(path);
  for (const next of graph.get(path) ?? []) {
    if (!index.has(next)) {
      connect(next);
      low.set(path, Math.min(low.get(path), low.get(next)));
    } else if (stack.includes(next)) {
      low.set(path, Math.min(low.get(path), index.get(next)));
    }
  }
  if (low.get(path) === index.get(path)) {
    const circle = stack.splice(stack.indexOf(path));
    if (circle.length > 1) broken.push(`a circle: ${circle.map((one) => relative(SRC, one)).join(', ')}`);
  }
}
for (const path of all) if (!index.has(path)) connect(path);

if (broken.length > 0) {
  console.error(`The front end's arrows point the wrong way:\n  ${broken.join('\n  ')}`);
  process.exit(1);
}
console.log(`${all.length} files, all arrows downward, no circle.`);
