import { readdir, rm } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const here = fileURLToPath(new URL('.', import.meta.url));
const OURS = '@plain-cleat/';

/** The packages of others stay what they are; ours go into what is built. */
const packagesOfOthers = {
  name: 'packages of others',
  setup({ onResolve }) {
    onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
      kind === 'entry-point' || path.startsWith(OURS) ? undefined : { path, external: true },
    );
  },
};

const { metafile } = await build({
  absWorkingDir: here,
  // A program each, with what they share beside them.
  entryPoints: {
    main: './main.ts',
    demo: '../demo/main.ts',
    staff: './staff/cli.ts',
    owner: './owners/cli.ts',
    parts: './parts/cli.ts',
    calc: './calc.ts',
    reader: './imports/reader.ts',
    drafter: './drafting/drafter.ts',
  },
  outdir: 'dist',
  bundle: true,
  splitting: true,
  format: 'esm',
  platform: 'node',
  target: 'node20',
  sourcemap: true,
  logLevel: 'warning',
  metafile: true,
  plugins: [packagesOfOthers],
});

// A server that runs meanwhile still finds its own: only then what was built before goes.
const built = new Set(Object.keys(metafile.outputs).map((file) => basename(file)));
for (const file of await readdir(join(here, 'dist'))) if (!built.has(file)) await rm(join(here, 'dist', file));
