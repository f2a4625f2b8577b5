// Writes TypeScript types from the schemas: `npm run types`.
import { compileFromFile } from 'json-schema-to-typescript';
import { mkdirSync, writeFileSync } from 'node:fs';

const target = 'resources/js/generated';
mkdirSync(target, { recursive: true });
for (const name of ['brief', 'plan', 'estimate']) {
    const types = await compileFromFile(`schemas/${name}.json`, {
        cwd: 'schemas',
        declareExternallyReferenced: true,
        style: { singleQuote: true, tabWidth: 4 },
    });
    writeFileSync(`${target}/${name}.ts`, types);
}
