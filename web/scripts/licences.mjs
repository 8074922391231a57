// What ships with Navlo and under which licence: the jar's libraries from their list in CycloneDX, the page's as they are locked.
// node licences.mjs JAVA_BOM LOCK WEB_BOM OUT; writes the page's list in CycloneDX, too, and fails, naming them, where one has a
// licence that isn't listed here.
import { readFileSync, writeFileSync } from 'node:fs';

/** The usual licences of open source. */
const KNOWN = new Set([
  '0BSD',
  'Apache-2.0',
  'BSD-2-Clause',
  'BSD-3-Clause',
  'CC0-1.0',
  'EPL-2.0',
  'ISC',
  'MIT',
  'MPL-2.0',
  'OFL-1.1',
  // A licence of three clauses under a name of its own.
  'iCal4j - License',
]);

/** What says that it is under the one encloses the text of the other (META-INF/LICENSE.txt; `LicencesTest` reads it). */
const ENCLOSED = new Map([['Broadcom Foundation License', 'Apache-2.0']]);

function licencesOf(component) {
  return (component.licenses ?? []).map(({ license, expression }) => {
    const said = license?.id ?? license?.name ?? expression ?? 'none said';
    return ENCLOSED.get(said) ?? said;
  });
}

/** One of several to choose from is enough; of those that are joined all have to be known. */
function isKnown(licences) {
  return licences.some((one) => one.split(/ AND /).every((part) => KNOWN.has(part.replace(/[()]/g, ''))));
}

/** All that isn't only for building, in the version that is locked, with its checksum. */
function componentsOf(lock) {
  return Object.entries(lock.packages)
    .filter(([path, one]) => path.includes('node_modules/') && !one.dev && !one.optional && !one.devOptional)
    .map(([path, one]) => {
      const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
      const [algorithm, sum] = (one.integrity ?? '').split('-');
      return {
        type: 'library',
        name,
        version: one.version,
        purl: `pkg:npm/${name.replace('@', '%40')}@${one.version}`,
        licenses: [{ expression: one.license }],
        hashes: sum
          ? [{ alg: algorithm.replace('sha', 'SHA-'), content: Buffer.from(sum, 'base64').toString('hex') }]
          : [],
      };
    });
}

const [, , java, lock, web, out] = process.argv;
if (!out) {
  console.error('licences wants: JAVA_BOM LOCK WEB_BOM OUT');
  process.exit(2);
}
const read = (file) => JSON.parse(readFileSync(file, 'utf8'));
const page = { bomFormat: 'CycloneDX', specVersion: '1.6', version: 1, components: componentsOf(read(lock)) };
writeFileSync(web, JSON.stringify(page, null, 2));
const rows = [
  ...read(java)
    .components.filter((one) => one.group !== 'app.navlo')
    .map((one) => ({ ...one, where: 'server', name: `${one.group}:${one.name}` })),
  ...page.components.map((one) => ({ ...one, where: 'page' })),
].map(({ where, name, version, ...one }) => ({ where, name, version, licences: licencesOf(one) }));
const unknown = rows.filter((row) => !isKnown(row.licences));
if (unknown.length > 0) {
  for (const row of unknown) {
    console.error(`${row.name} ${row.version}: ${row.licences.join(', ') || 'no licence said'}`);
  }
  console.error('look at what these licences ask for, then add them to KNOWN in web/scripts/licences.mjs');
  process.exit(1);
}
rows.sort((a, b) => a.where.localeCompare(b.where) || a.name.localeCompare(b.name));
const lines = rows.map(
  (row) => `| ${row.name} | ${row.version} | ${row.licences.join(' or ')} | ${row.where} |`,
);
writeFileSync(
  out,
  `# Licences of what ships with Navlo
Written by \`./navlo licences\`. The same in CycloneDX, with checksums: \`target/navlo-bom.json\` (server) and \`target/navlo-web-bom.json\` (page).

| name | version | licence | part of |
| --- | --- | --- | --- |
${[...new Set(lines)].join('\n')}
`,
);
console.log(`${new Set(lines).size} libraries: ${out}`);
