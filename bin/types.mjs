// Writes the page's types from the schemas: `npm run types`. Everything the server answers is in one file.
import { compileFromFile } from 'json-schema-to-typescript';
import { mkdirSync, writeFileSync } from 'node:fs';

const target = 'resources/js/generated';
mkdirSync(target, { recursive: true });
const types = await compileFromFile('schemas/answers.json', {
    cwd: 'schemas',
    declareExternallyReferenced: true,
    // How long a list may be is for the server to say; as types, bounds are tuples without end.
    ignoreMinAndMaxItems: true,
    style: { singleQuote: true, tabWidth: 4 },
});
writeFileSync(`${target}/answers.ts`, types);
