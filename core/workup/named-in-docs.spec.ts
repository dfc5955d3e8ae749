import { readdirSync, readFileSync } from 'node:fs';

const ROOT = new URL('../../', import.meta.url);
const FLOORS = ['api', 'bench', 'bin', 'catalog', 'core', 'demo', 'docs', 'e2e', 'server', 'testing', 'web'];
/** Every file and folder of the house, as paths from its root. */
const PLACES = FLOORS.flatMap((floor) => {
  const at = new URL(`${floor}/`, ROOT).pathname;
  const inIt = readdirSync(at, { recursive: true, withFileTypes: true });
  return [
    `${floor}/`,
    ...inIt.map(
      (f) => `${floor}/${`${f.parentPath.replace(/\/?$/, '/')}${f.name}`.slice(at.length)}${f.isDirectory() ? '/' : ''}`,
    ),
  ];
}).filter((p) => !p.includes('node_modules') && !p.includes('/dist/'));

describe('what is named in the documents', () => {
  for (const page of ['docs/architecture.md', 'docs/topics.md', 'CONTRIBUTING.md'])
    it(`${page} names files and folders that are there`, () => {
      const text = readFileSync(new URL(page, ROOT), 'utf8');
      const files = [...text.matchAll(/`([\w./-]+\.(?:ts|js|html|scss|mjs))`/g)].map((m) => m[1] ?? '');
      const folders = [...text.matchAll(/`((?:[\w-]+\/)+)`/g)].map((m) => m[1] ?? '');
      const gone = [...new Set([...files, ...folders])].filter(
        (name) => !name.endsWith('dist/') && !PLACES.some((p) => `/${p}`.endsWith(`/${name}`)),
      );
      expect(files.length).withContext('files named').toBeGreaterThan(2);
      expect(gone).toEqual([]);
    });
});
