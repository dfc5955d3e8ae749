import { readFile, writeFile } from 'node:fs/promises';

/*
 * The server writes a nonce of its own into every page it serves, so the page never has the hash the service
 * worker was built with. Without a hash the worker keeps the page by its address, as it does all else that changes.
 */
const list = new URL('./dist/browser/ngsw.json', import.meta.url);
const manifest = JSON.parse(await readFile(list, 'utf8'));
delete manifest.hashTable['/index.html'];
await writeFile(list, JSON.stringify(manifest));
